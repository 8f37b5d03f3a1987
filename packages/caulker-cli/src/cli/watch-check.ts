import { messageOf } from 'caulker/inside/contract'
import { shown } from '../node/find.js'
import { watchFiles } from '../node/watch.js'
import type { CheckReport } from 'caulker/inside/report'
import { openCheck } from './run-check.js'

/** Checks once, and again on each save until the process is interrupted. */
export async function watchCheck(paths: readonly string[], print: (report: CheckReport) => void): Promise<void> {
  const look = openCheck(paths)
  const { filesRead: _, ...first } = await look()
  print(first)
  let turn: Promise<void> = Promise.resolve()
  const watching = await watchFiles(paths, (changed) => {
    turn = turn.then(() => again(changed))
  })
  process.stdout.write('\nWatching; Ctrl-C ends it.\n')
  await new Promise<void>((interrupted) => {
    process.once('SIGINT', interrupted)
    process.once('SIGTERM', interrupted)
  })
  await watching.stop()
  await turn

  async function again(changed: readonly string[]): Promise<void> {
    try {
      const { filesRead, ...report } = await look(changed)
      process.stdout.write(
        `\n${changed.map(shown).join(', ')} changed; ${filesRead === 1 ? '1 file' : `${filesRead} files`} read again\n`,
      )
      print(report)
    } catch (thrown) {
      process.stderr.write(`caulker: ${messageOf(thrown)}\n`)
    }
  }
}
