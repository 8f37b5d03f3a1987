import { Command, InvalidArgumentError, Option } from 'commander'
import { patienceOption } from './patience-option.js'
import type { ProbeOptions } from './probe-options.js'

export function probeCommand(exit: (code: number) => void): Command {
  return new Command('probe')
    .description('mount live components, operate them, and say which promises of their contracts they break')
    .argument('[paths...]', 'contract files, or folders to search for *.contract.ts (also .js)', ['.'])
    .addOption(
      new Option('--format <format>', 'how to print the report').choices(['text', 'json', 'junit']).default('text'),
    )
    .option('--output <file>', 'write the report to a file')
    .option('--seed <number>', 'the seed of the exploration; the same seed gives the same report', wholeNumber, 1)
    .option(
      '--moves <n>',
      'how many moves the exploration of a component makes, beside the trails of each clause; 96 by default',
      aboveZero,
    )
    .option('--component <tag...>', 'only these components')
    .option('--clause <id...>', 'only these clauses')
    .option('--browser', 'probe in Chromium or Chrome instead of the embedded DOM')
    .option('--trusted', "with --browser: clicks, keys, pastes and drags go through the browser's own input; slower")
    .option('--endpoint <url>', 'with --browser: a Chromium that runs elsewhere, by the URL of its debugging endpoint')
    .option(
      '--at-once <n>',
      'how many components are probed at the same time; by default as many as there are cores to spare',
      aboveZero,
    )
    .option('--part <n>', 'with --of: probe only this part of the components', aboveZero)
    .option(
      '--of <n>',
      'into how many parts they are divided; which part one is in does not change what is found',
      aboveZero,
    )
    .option(
      '--continue <reports...>',
      'take over what these JSON reports have judged, and probe the rest: goes on after Ctrl-C, and puts parts together',
    )
    .option('--require-proof', 'count what is unproven as a failure')
    .option('--watch', 'probe again on each save: the components that the change is about')
    .addOption(patienceOption(8))
    .option('--explain <id>', 'say what a clause promises, why, and how it is tried')
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
  $ caulker probe src --part 1 --of 4 --format json --output part-1.json
  $ caulker probe src --continue part-*.json --format junit --output probe.xml

Exit codes: 0 no leaks, 1 leaks, 2 something could not be judged`,
    )
    .action(async (paths: string[], options: ProbeOptions) => {
      const { probeAsAsked } = await import('./probe-action.js')
      return probeAsAsked(paths, options, exit)
    })
}

function aboveZero(text: string): number {
  if (!/^\d+$/.test(text) || Number(text) < 1) throw new InvalidArgumentError('give a whole number, 1 or more')
  return Number(text)
}

function wholeNumber(text: string): number {
  if (!/^-?\d+$/.test(text) || !Number.isSafeInteger(Number(text)))
    throw new InvalidArgumentError('give a whole number')
  return Number(text)
}
