import { Command, Option } from 'commander'
import { patienceOption } from './patience-option.js'
import type { CheckOptions } from './check-options.js'

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
    .addOption(
      new Option('--level <level>', 'the lightest level to report')
        .choices(['error', 'warning', 'note'])
        .default('note'),
    )
    .option('--rule <id...>', 'only these rules')
    .option('--ignore <id...>', 'all rules but these')
    .option('--baseline <file>', 'report only what this file does not know yet')
    .option('--update-baseline', 'write all that is found now into the baseline file')
    .option('--watch', 'check again on each save: what changed, and what depends on it')
    .addOption(patienceOption(10))
    .option('--explain <id>', 'say why a rule is there, with a mended example, or how a clause of a probe is tried')
    .addHelpText(
      'after',
      '\nExamples:\n  $ caulker check src/screens\n  $ caulker check src --baseline known-leaks.json --update-baseline\n\nExit codes: 0 no leaks (notes included), 1 leaks, 2 something could not be judged',
    )
    .action(async (paths: string[], options: CheckOptions) => {
      const { runCheck } = await import('./check-action.js')
      return runCheck(paths, options, exit)
    })
}
