import type { Level } from 'caulker/inside/check'
import { everyRule } from 'caulker/inside/page'
import { checkSarif, checkText, reportJson, type CheckReport, type LocatedFinding } from 'caulker/inside/report'
import { CaulkerError, hint } from 'caulker/inside/words'
import { newSince, writeBaseline } from '../node/baseline.js'
import { EXIT } from '../node/exit.js'

/** What is wanted of a check besides where to look. */
export interface CheckWishes {
  readonly format: 'text' | 'json' | 'sarif'
  readonly level: Level
  readonly rules: readonly string[] | undefined
  readonly ignored: readonly string[]
  readonly baseline: string | undefined
  readonly updatesBaseline: boolean
  readonly colour: boolean
  readonly version: string
}

/** What is printed, its first line for where it goes into a file, and the exit code. */
export interface Answer {
  readonly printed: string
  readonly answer: string
  readonly code: number
}

const LEVELS: readonly Level[] = ['error', 'warning', 'note']

/** A check as it was asked for. */
export function checkAnswer(whole: CheckReport, wishes: CheckWishes): Answer {
  for (const id of wishes.rules ?? []) refuseUnknown('--rule', id)
  for (const id of wishes.ignored) refuseUnknown('--ignore', id)
  const chosen = whole.findings.filter((finding) => isChosen(finding, wishes))
  if (wishes.updatesBaseline) return updated(chosen, wishes.baseline)
  const findings = wishes.baseline === undefined ? chosen : newSince(chosen, wishes.baseline)
  const report = { ...whole, findings }
  const text = checkText(report, { colour: wishes.colour, known: chosen.length - findings.length })
  return { printed: formatted(report, text, wishes), answer: text, code: codeOf(report) }
}

function isChosen({ rule, level }: LocatedFinding, { level: least, rules, ignored }: CheckWishes): boolean {
  const isWanted = rules === undefined || rules.includes(rule)
  return isWanted && !ignored.includes(rule) && LEVELS.indexOf(level) <= LEVELS.indexOf(least)
}

function updated(findings: readonly LocatedFinding[], baseline: string | undefined): Answer {
  if (baseline === undefined)
    throw new CaulkerError('bad-argument', '--update-baseline needs --baseline FILE, the file to write')
  writeBaseline(findings, baseline)
  const answer = `${findings.length} findings are known from now on; only new ones are reported with --baseline ${baseline}\n`
  return { printed: answer, answer, code: EXIT.sound }
}

function formatted(report: CheckReport, text: string, { format, version }: CheckWishes): string {
  if (format === 'json') return reportJson(report)
  return format === 'sarif' ? checkSarif(report, version) : text
}

function codeOf({ findings, troubles, ...read }: CheckReport): number {
  const count = read.contracts + read.screens + read.interiors + read.journeys + read.pages
  if (troubles.length > 0 || count === 0) return EXIT.unjudged
  return findings.some((finding) => finding.level !== 'note') ? EXIT.leaks : EXIT.sound
}

function refuseUnknown(option: string, id: string): void {
  const ids = everyRule.map((rule) => rule.id)
  if (!ids.includes(id))
    throw new CaulkerError('bad-argument', `${option} ${id}: there is no such rule${hint(id, ids)}`)
}
