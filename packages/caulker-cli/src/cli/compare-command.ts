import { Command, Option } from 'commander'
import { openSide, type Side } from '../node/side.js'
import { inThread } from '../tasks/thread.js'
import type { Answer } from '../tasks/check-answer.js'
import { deliver, wantsColour } from './output.js'

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
      const { printed, answer, code } = await compared(old, now, options)
      deliver(printed, answer, options.output)
      exit(code)
    })
}

async function compared(
  oldSide: string,
  newSide: string,
  { screens, format, output }: CompareOptions,
): Promise<Answer> {
  const [old, now] = [openSide(oldSide), openSide(newSide)]
  const plain = ({ path, version }: Side, named: string) => ({ named, path, version })
  try {
    return await inThread('compare', {
      old: plain(old, oldSide),
      now: plain(now, newSide),
      screens,
      format,
      colour: output === undefined && wantsColour(),
    })
  } finally {
    old.close()
    now.close()
  }
}
