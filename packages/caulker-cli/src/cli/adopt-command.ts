import { Command, Option } from 'commander'
import type { AdoptOptions } from './adopt-options.js'

export function adoptCommand(exit: (code: number) => void): Command {
  return new Command('adopt')
    .description('read contracts off components that have none: live elements, with their manifest if there is one')
    .argument('<sources...>', 'modules that define elements, custom-elements.json files, or installed packages')
    .addOption(new Option('--format <format>', 'how to print what was read').choices(['text', 'json']).default('text'))
    .option('--output <folder>', 'write a contract file for each component there, ready to be probed')
    .option('--component <tag...>', 'only these components')
    .option('--browser', 'operate them in Chromium or Chrome: needed where something is dragged or drawn')
    .addHelpText(
      'after',
      '\nWhat was guessed is marked under "guesses" in each contract, with what it was guessed from: confirm it or mend it.\n\nExamples:\n  $ caulker adopt yard-parts --output contracts && caulker probe contracts\n  $ caulker adopt src/elements/winch.js --browser\n\nExit codes: 0 adopted, 2 something could not be read',
    )
    .action(async (sources: string[], options: AdoptOptions) => {
      const { runAdopt } = await import('./adopt-action.js')
      return runAdopt(sources, options, exit)
    })
}
