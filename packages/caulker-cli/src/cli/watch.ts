import { messageOf, visible } from 'caulker/inside/words'
import { watchFiles } from '../node/watch.js'

/** Does something again for each burst of changes below some paths, one after the other, until the process is interrupted. */
export async function watching(
  paths: readonly string[],
  again: (changed: readonly string[]) => Promise<void>,
): Promise<void> {
  let turn: Promise<void> = Promise.resolve()
  const watcher = await watchFiles(paths, (changed) => {
    turn = turn
      .then(() => again(changed))
      .catch((thrown: unknown) => void process.stderr.write(`caulker: ${visible(messageOf(thrown))}\n`))
  })
  process.stdout.write('\nWatching; Ctrl-C ends it.\n')
  await new Promise<void>((interrupted) => {
    process.once('SIGINT', interrupted)
    process.once('SIGTERM', interrupted)
  })
  await watcher.stop()
  await turn
}
