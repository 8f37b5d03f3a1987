import { Command, Option } from 'commander'
import type { Level, RuleTexts } from 'caulker/inside/check'
import { CaulkerError, hint } from 'caulker/inside/contract'
import { everyRule } from 'caulker/inside/page'
import { newSince, writeBaseline } from '../node/baseline.js'
import { checkSarif, checkText, reportJson, type CheckReport, type LocatedFinding } from 'caulker/inside/report'
import { explained } from './explain.js'
import { deliver, EXIT, packageVersion, wantsColour } from './output.js'
import { inThread } from '../tasks/thread.js'
import { watchCheck } from './watch-check.js'

interface CheckOptions {
  format: 'text' | 'json' | 'sarif'
  output?: string
  explain?: string
  level: Level
  rule?: string[]
  ignore?: string[]
  baseline?: string
  updateBaseline?: boolean
  watch?: boolean
}

const LEVELS: readonly Level[] = ['error', 'warning', 'note']

export function checkCommand(exit: (code: number) => void): Command {
  return new Command('check')
    .description('read contracts and screens at rest, and say what leaks')
    .argument(
      '[paths...]',
      'files and pages, or folders to search for *.contract.ts (also .js, .json), *.screen.ts, *.interior.ts and *.journey.ts (also .js) and pages that use the components',
      ['.'],
    )
    .addOption(
      new Option('--format <format>', 'how to print the findings').choices(['text', 'json', 'sarif']).default('text'),
    )
    .option('--output <file>', 'write the report to a file')
    .addOption(new Option('--level <level>', 'the lightest level to report').choices([...LEVELS]).default('note'))
    .option('--rule <id...>', 'only these rules')
    .option('--ignore <id...>', 'all rules but these')
    .option('--baseline <file>', 'report only what this file does not know yet')
    .option('--update-baseline', 'write all that is found now into the baseline file')
    .option('--watch', 'check again on each save: what changed, and what depends on it')
    .option('--explain <id>', 'say why a rule is there, with a mended example, or how a clause of a probe is tried')
    .addHelpText(
      'after',
      '\nExamples:\n  $ caulker check src/screens\n  $ caulker check src --baseline known-leaks.json --update-baseline\n\nExit codes: 0 no leaks (notes included), 1 leaks, 2 something could not be judged',
    )
    .action(async (paths: string[], options: CheckOptions) => {
      if (options.explain !== undefined) {
        process.stdout.write(explained(options.explain))
        return exit(EXIT.sound)
      }
      for (const id of options.rule ?? []) ruleNamed('--rule', id)
      for (const id of options.ignore ?? []) ruleNamed('--ignore', id)
      if (options.watch === true) return watchCheck(paths, (report) => void answer(report, options))
      const whole = await inThread('check', { paths })
      exit(options.updateBaseline === true ? updateBaseline(chosenOf(whole, options), options) : answer(whole, options))
    })
}

/** Prints what was asked for, and gives the exit code. */
function answer(whole: CheckReport, options: CheckOptions): number {
  const chosen = chosenOf(whole, options)
  const findings = options.baseline === undefined ? chosen : newSince(chosen, options.baseline)
  const report = { ...whole, findings }
  const text = checkText(report, {
    colour: options.output === undefined && wantsColour(),
    known: chosen.length - findings.length,
  })
  deliver(formatted(report, text, options.format), text, options.output)
  return codeOf(report)
}

function chosenOf({ findings }: CheckReport, options: CheckOptions): LocatedFinding[] {
  return findings.filter((finding) => isChosen(finding, options))
}

function isChosen({ rule, level }: LocatedFinding, options: CheckOptions): boolean {
  const isWanted = options.rule === undefined || options.rule.includes(rule)
  return isWanted && !(options.ignore ?? []).includes(rule) && LEVELS.indexOf(level) <= LEVELS.indexOf(options.level)
}

function updateBaseline(findings: readonly LocatedFinding[], { baseline }: CheckOptions): number {
  if (baseline === undefined)
    throw new CaulkerError('bad-argument', '--update-baseline needs --baseline FILE, the file to write')
  writeBaseline(findings, baseline)
  process.stdout.write(
    `${findings.length} findings are known from now on; only new ones are reported with --baseline ${baseline}\n`,
  )
  return EXIT.sound
}

function formatted(report: CheckReport, text: string, format: CheckOptions['format']): string {
  if (format === 'json') return reportJson(report)
  return format === 'sarif' ? checkSarif(report, packageVersion()) : text
}

function codeOf({ findings, troubles, ...read }: CheckReport): number {
  const count = read.contracts + read.screens + read.interiors + read.journeys + read.pages
  if (troubles.length > 0 || count === 0) return EXIT.unjudged
  return findings.some((finding) => finding.level !== 'note') ? EXIT.leaks : EXIT.sound
}

function ruleNamed(option: string, id: string): RuleTexts {
  const found = everyRule.find((rule) => rule.id === id)
  if (found === undefined)
    throw new CaulkerError(
      'bad-argument',
      `${option} ${id}: there is no such rule${hint(
        id,
        everyRule.map((rule) => rule.id),
      )}`,
    )
  return found
}
