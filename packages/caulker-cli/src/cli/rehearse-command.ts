import { Command, InvalidArgumentError, Option } from 'commander'
import { patienceOption } from './patience-option.js'
import type { RehearseOptions } from './rehearse-options.js'

export function rehearseCommand(exit: (code: number) => void): Command {
  const bound = (flags: string, says: string) => new Option(flags, says).argParser(wholeNumber)
  return new Command('rehearse')
    .description(
      'play screens and journeys without a page, to the end, and say where data is lost, doubled, stale or stuck',
    )
    .argument('[paths...]', 'files, or folders to search for *.screen.ts and *.journey.ts (also .js)', ['.'])
    .option('--only <name...>', 'only these screens or journeys')
    .addOption(bound('--edits <count>', 'how often a person edits on one trail, 2 by default'))
    .addOption(bound('--failures <count>', 'how many answers fail or stay away on one trail, 1 by default'))
    .addOption(bound('--pending <count>', 'how many calls may be out at once, 3 by default'))
    .addOption(bound('--moves <count>', 'how many moves a trail has at the most, 40 by default'))
    .addOption(bound('--states <count>', 'how many states are looked at in all, 200000 by default'))
    .option('--script <file...>', 'play scripts instead: JSON files, or modules that export what script(…) returned')
    .option('--play <steps>', 'play one trail instead, as a report prints it')
    .option('--save-scripts <folder>', 'write the trail to each leak as a script')
    .option('--cover <folder>', 'write the fewest scripts that pass over every transition')
    .option(
      '--live',
      'play scripts on a page of live components too, in an embedded DOM: those that are named, else those that cover',
    )
    .option('--browser', 'the same in an installed Chromium')
    .addOption(bound('--walks <count>', 'play so many random walks on that page, too; 0 by default'))
    .addOption(bound('--seed <number>', 'where the random walks come from; 1 by default'))
    .addOption(
      new Option('--format <format>', 'how to print what was found').choices(['text', 'json', 'junit']).default('text'),
    )
    .option('--output <file>', 'write the report to a file')
    .addOption(patienceOption(10))
    .option('--explain <id>', 'say what an invariant promises, why, and how to mend what breaks it')
    .addHelpText(
      'after',
      '\nExamples:\n  $ caulker rehearse src/screens\n  $ caulker rehearse src --only haul-out --edits 3\n  $ caulker rehearse src --script booked.script.json\n\nExit codes: 0 no leaks, 1 leaks, 2 something could not be judged',
    )
    .action(async (paths: string[], options: RehearseOptions) => {
      const { runRehearse } = await import('./rehearse-action.js')
      return runRehearse(paths, options, exit)
    })
}

function wholeNumber(text: string): number {
  const given = Number(text)
  if (!Number.isInteger(given) || given < 0 || given > 10_000_000)
    throw new InvalidArgumentError('give a whole number, 0 or more')
  return given
}
