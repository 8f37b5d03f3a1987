import { counted, inkFor, sentence, type Ink, visibleIn } from '../../words/index.js'
import { causesOf, placeOf, type Cause } from './causes.js'
import type { CheckReport, LocatedFinding } from './model.js'
import { troubleLines } from './trouble-text.js'

const A_SCREENFUL = 12

/** A check as text for people: the answer first, then cause by cause: what is wrong, where, and how to mend it. */
export function checkText(given: CheckReport, options: { colour?: boolean; known?: number } = {}): string {
  const report = visibleIn(given)
  const ink = inkFor(options.colour ?? false)
  const lines = [answer(report, ink)]
  if ((options.known ?? 0) > 0)
    lines.push(ink.quiet(`${counted(options.known ?? 0, 'known finding')} from the baseline not listed.`))
  for (const cause of causesOf(report.findings)) lines.push('', ...causeLines(cause, ink))
  lines.push(...troubleLines(report.troubles, ink))
  lines.push(...playedLines(report.findings, ink))
  // What is long has scrolled its first line away.
  if (report.findings.length > A_SCREENFUL) lines.push('', answer(report, ink))
  if (report.findings.length > 0)
    lines.push(
      '',
      ink.quiet(`Why a rule is there, and a mended example: caulker check --explain ${report.findings[0]?.rule ?? ''}`),
    )
  return `${lines.join('\n')}\n`
}

function answer({ contracts, screens, interiors, journeys, pages, findings, troubles }: CheckReport, ink: Ink): string {
  const parts = [
    [contracts, 'contract'],
    [screens, 'screen'],
    [interiors, 'interior'],
    [journeys, 'journey'],
    [pages, 'page'],
  ] as const
  const read = listed(parts.filter(([count]) => count > 0).map(([count, word]) => counted(count, word)))
  const unread = troubles.length === 0 ? '' : `; ${counted(troubles.length, 'file')} could not be judged`
  if (findings.length === 0)
    return troubles.length === 0
      ? ink.good(`No leaks found in ${read || 'nothing'}.`)
      : ink.bad(
          `${counted(troubles.length, 'file')} could not be judged${read === '' ? '' : `; no leaks found in ${read}`}.`,
        )
  const levels = (['error', 'warning', 'note'] as const).map(
    (level) => [level, findings.filter((finding) => finding.level === level).length] as const,
  )
  return ink.bad(
    `${levels
      .filter(([, count]) => count > 0)
      .map(([level, count]) => counted(count, level))
      .join(', ')} in ${read}${unread}.`,
  )
}

/** `a, b and c`. */
function listed(parts: readonly string[]): string {
  return parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts[parts.length - 1] ?? ''}`
}

/** Each sentence with its place; what they have in common, once. */
function causeLines(cause: Cause, ink: Ink): string[] {
  const [first] = cause
  const isOneRule = cause.every(({ rule }) => rule === first.rule)
  const isOnePlace = cause.every((finding) => placeOf(finding) === placeOf(first))
  const lines: string[] = []
  for (const finding of cause) {
    lines.push(ink.strong(`${sentence(finding.says)}.`))
    if (!isOnePlace || finding === first) lines.push(`  ${whereText(finding, ink)}`)
    if (!isOneRule) lines.push(...mendLines(finding, ink))
  }
  return isOneRule ? [...lines, ...mendLines(first, ink)] : lines
}

/** What only a run shows step by step is named once, with the rehearsal that does. */
function playedLines(findings: readonly LocatedFinding[], ink: Ink): string[] {
  const played = findings.filter((finding) => finding.played !== undefined)
  const files = [...new Set(played.flatMap(({ file }) => file ?? []))]
  if (files.length === 0) return []
  const what = [...new Set(played.flatMap(({ played: invariant }) => invariant ?? []))]
  return [
    '',
    ink.quiet(`To see ${what.join(', ')} happen, step by step: caulker rehearse ${files.slice(0, 3).join(' ')}`),
  ]
}

function whereText(finding: LocatedFinding, ink: Ink): string {
  const where = placeOf(finding)
  return [where === undefined ? '' : `at ${where}`, ink.quiet(`in ${finding.subject}`)].filter(Boolean).join(', ')
}

function mendLines({ rule, level, mend }: LocatedFinding, ink: Ink): string[] {
  const paint = level === 'error' ? ink.bad : level === 'warning' ? ink.unsure : ink.quiet
  return [`  ${paint(`${rule}, ${level}.`)} ${ink.good('To mend:')} ${mend}`]
}
