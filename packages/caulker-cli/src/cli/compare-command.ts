import { Command, Option } from 'commander'
import { compareText, reportJson, type CompareReport } from 'caulker/inside/report'
import { openSide, type Side } from '../node/side.js'
import { inThread } from '../tasks/thread.js'
import { deliver, EXIT, wantsColour } from './output.js'

interface CompareOptions {
  format: 'text' | 'json'
  output?: string
  screens?: string[]
}

export function compareCommand(exit: (code: number) => void): Command {
  return new Command('compare')
    .description(
      'compare two versions of contracts: what breaks owners, which screens are hit, what the next version must be',
    )
    .argument('<old>', 'a file, a folder, or a revision of the repository, such as v1.2.0 or HEAD~3:src/contracts')
    .argument('<new>', 'the same, of the newer version')
    .option('--screens <paths...>', 'where to look for screens that are hit; by default in the newer version')
    .addOption(new Option('--format <format>', 'how to print the changes').choices(['text', 'json']).default('text'))
    .option('--output <file>', 'write the report to a file')
    .addHelpText(
      'after',
      '\nExample:\n  $ caulker compare v1.2.0:src/contracts src/contracts --screens src/screens\n\nExit codes: 0 no owner breaks, 1 owners break, 2 something could not be compared',
    )
    .action(async (old: string, now: string, options: CompareOptions) => {
      const report = await compared(old, now, options.screens)
      const text = compareText(report, { colour: options.output === undefined && wantsColour() })
      deliver(options.format === 'json' ? reportJson(report) : text, text, options.output)
      const breaks = report.changes.some((change) => change.weight === 'major')
      exit(report.troubles.length > 0 ? EXIT.unjudged : breaks ? EXIT.leaks : EXIT.sound)
    })
}

async function compared(
  oldSide: string,
  newSide: string,
  screens: readonly string[] | undefined,
): Promise<CompareReport> {
  const [old, now] = [openSide(oldSide), openSide(newSide)]
  const plain = ({ path, version }: Side, named: string) => ({ named, path, version })
  try {
    return await inThread('compare', { old: plain(old, oldSide), now: plain(now, newSide), screens })
  } finally {
    old.close()
    now.close()
  }
}
