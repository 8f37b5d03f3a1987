import { Command, InvalidArgumentError, Option } from 'commander'
import { CaulkerError, hint } from 'caulker/inside/contract'
import { clauses as allClauses } from 'caulker/inside/probe'
import { countClauses, probeText, reportJson, type ProbesReport } from 'caulker/inside/report'
import { deliver, EXIT, progressLine, terminalWidth, wantsColour } from './output.js'
import { probeJunit } from './probe-junit.js'
import { mergedProbes, readProbes } from './merge-probes.js'
import { runProbe, type Shard } from './run-probe.js'

interface ProbeOptions {
  format: 'text' | 'json' | 'junit'
  shard?: Shard
  workers?: number
  endpoint?: string
  output?: string
  seed: number
  component?: string[]
  clause?: string[]
  browser?: boolean
  trusted?: boolean
  requireProof?: boolean
  merge?: boolean
}

export function probeCommand(exit: (code: number) => void): Command {
  return new Command('probe')
    .description('mount live components, operate them, and say which promises of their contracts they break')
    .argument('[paths...]', 'contract files, or folders to search for *.contract.ts (also .js)', ['.'])
    .addOption(
      new Option('--format <format>', 'how to print the report').choices(['text', 'json', 'junit']).default('text'),
    )
    .option('--output <file>', 'write the report to a file')
    .option('--seed <number>', 'the seed of the random trails; the same seed gives the same report', wholeNumber, 1)
    .option('--component <tag...>', 'only these components')
    .option('--clause <id...>', 'only these clauses')
    .option('--browser', 'probe in Chromium or Chrome instead of the embedded DOM')
    .option('--trusted', "with --browser: clicks, keys, pastes and drags go through the browser's own input; slower")
    .option('--endpoint <url>', 'with --browser: a Chromium that runs elsewhere, by the URL of its debugging endpoint')
    .option(
      '--workers <n>',
      'how many components are probed at once; by default as many as there are cores to spare',
      wholeNumber,
    )
    .option(
      '--shard <i/n>',
      'only the i-th of n parts of the components; the reports of all parts are that of the whole',
      shardOf,
    )
    .option('--merge', 'probe nothing: the paths are JSON reports of parts, and are put together into one')
    .option('--require-proof', 'count what is unproven as a failure')
    .addHelpText(
      'after',
      `
A component is mounted, its controls are found by what they are and by their roles, and its owner and a person take turns at it. What it
promises is in its contract; the reference says how each clause is tried (docs/reference.md).

The modules that define the elements are named in caulker.config.ts (or .js, .json), by pattern or by package:
  export default { defines: ['elements/*.ts'] }
Without one, bale-stepper.contract.ts is taken to go with bale-stepper.ts beside it. Where no control can be found, as on a canvas, name what
a person can do there:
  export default { gestures: { 'pitch-dial': [{ click: [0.9, 0.5] }, { drag: [[0.2, 0.5], [0.8, 0.5]] }, { keys: ['ArrowUp'] }] } }
A component that has no contract yet: caulker adopt.

Examples:
  $ caulker probe src/components --browser
  $ caulker probe src --component bale-stepper --clause follows-change
  $ caulker probe src --shard 1/4 --format json --output part-1.json
  $ caulker probe --merge part-*.json --format junit --output probe.xml

Exit codes: 0 no leaks, 1 leaks, 2 something could not be judged`,
    )
    .action(async (paths: string[], options: ProbeOptions) => {
      for (const id of options.clause ?? [])
        refuseUnknown(
          '--clause',
          id,
          allClauses.map((clause) => clause.id),
        )
      if (options.trusted === true && options.browser !== true)
        throw new CaulkerError('bad-argument', '--trusted: only a browser has input of its own; add --browser')
      if (options.merge === true) return deliverReport(mergedProbes(paths.map(readProbes)), options, exit)
      const progress = progressLine()
      progress.say('Loading')
      const report = await runProbe({
        paths,
        seed: options.seed,
        components: options.component,
        clauses: options.clause,
        browser: options.browser ?? false,
        trusted: options.trusted ?? false,
        ...(options.endpoint === undefined ? {} : { endpoint: options.endpoint }),
        ...(options.workers === undefined ? {} : { workers: options.workers }),
        ...(options.shard === undefined ? {} : { shard: options.shard }),
        onDone: (done, all, tag) => progress.say(`Probed ${done} of ${all}: ${tag}`),
      }).finally(progress.clear)
      if (report.components.length === 0 && report.troubles.length === 0 && options.shard === undefined)
        throw new CaulkerError('bad-argument', nothingProbed(paths, options))
      deliverReport(report, options, exit)
    })
}

function deliverReport(report: ProbesReport, options: ProbeOptions, exit: (code: number) => void): void {
  const text = probeText(report, { colour: options.output === undefined && wantsColour(), width: terminalWidth() })
  deliver(formatted(report, text, options.format), text, options.output)
  exit(codeOf(report, options.requireProof ?? false))
}

function formatted(report: ProbesReport, text: string, format: ProbeOptions['format']): string {
  if (format === 'json') return reportJson(report)
  return format === 'junit' ? probeJunit(report) : text
}

function codeOf({ components, troubles }: ProbesReport, requireProof: boolean): number {
  const { broken, unproven } = countClauses(components)
  if (troubles.length > 0) return EXIT.unjudged
  return broken > 0 || (requireProof && unproven > 0) ? EXIT.leaks : EXIT.sound
}

function nothingProbed(paths: readonly string[], { component }: ProbeOptions): string {
  const where = paths.join(', ')
  return component === undefined
    ? `${where}: no contract was found; contracts stand in files named *.contract.ts or *.contract.js`
    : `${where}: there is no contract of ${component.map((tag) => `'${tag}'`).join(' or ')}`
}

function refuseUnknown(option: string, given: string, known: readonly string[]): void {
  if (!known.includes(given))
    throw new CaulkerError('bad-argument', `${option} ${given}: there is no such clause${hint(given, known)}`)
}

function shardOf(text: string): Shard {
  const [, part, of] = /^(\d+)\/(\d+)$/.exec(text) ?? []
  if (part === undefined || Number(part) < 1 || Number(part) > Number(of))
    throw new InvalidArgumentError('give which part of how many, such as 2/4')
  return { part: Number(part), of: Number(of) }
}

function wholeNumber(text: string): number {
  if (!/^-?\d+$/.test(text) || !Number.isSafeInteger(Number(text)))
    throw new InvalidArgumentError('give a whole number')
  return Number(text)
}
