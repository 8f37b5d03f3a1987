import { shown } from '../node/shown.js'
import { EXIT } from '../node/exit.js'
import type { CheckWishes } from '../tasks/check-answer.js'
import { createTaskThread, inThread } from '../tasks/thread.js'
import type { CheckOptions } from './check-options.js'
import { deliver, packageVersion, wantsColour } from './output.js'
import { watching } from './watch.js'

export async function runCheck(paths: string[], options: CheckOptions, exit: (code: number) => void): Promise<void> {
  if (options.explain !== undefined) {
    const { explained } = await import('./explain.js')
    process.stdout.write(explained(options.explain))
    return exit(EXIT.sound)
  }
  const wishes = wishesOf(options)
  if (options.watch === true) return watchCheck(paths, wishes, options)
  const { printed, answer, code } = await inThread('check', { paths, wishes }, options.patience)
  deliver(printed, answer, options.updateBaseline === true ? undefined : options.output)
  exit(code)
}

/** Checks once, and again on each save until the process is interrupted. */
async function watchCheck(
  paths: readonly string[],
  wishes: CheckWishes,
  { output, patience }: CheckOptions,
): Promise<void> {
  const thread = createTaskThread(patience)
  const look = (changed: readonly string[]) => thread.run('checkAgain', { paths, wishes, changed })
  const first = await look([])
  deliver(first.printed, first.answer, output)
  await watching(paths, async (changed) => {
    const { printed, answer, filesRead } = await look(changed)
    process.stdout.write(
      `\n${changed.map(shown).join(', ')} changed; ${filesRead === 1 ? '1 file' : `${filesRead} files`} read again\n`,
    )
    deliver(printed, answer, output)
  })
  await thread.end()
}

function wishesOf({ format, level, rule, ignore, baseline, updateBaseline, output }: CheckOptions): CheckWishes {
  return {
    format,
    level,
    rules: rule,
    ignored: ignore ?? [],
    baseline,
    updatesBaseline: updateBaseline ?? false,
    colour: output === undefined && wantsColour(),
    version: packageVersion(),
  }
}
