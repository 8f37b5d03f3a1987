import type { CheckReport } from 'caulker/inside/report'
import { shown } from '../node/find.js'
import { createTaskThread } from '../tasks/thread.js'
import { watching } from './watch.js'

/** Checks once, and again on each save until the process is interrupted. */
export async function watchCheck(paths: readonly string[], print: (report: CheckReport) => void): Promise<void> {
  const thread = createTaskThread()
  const look = (changed: readonly string[]) => thread.run('checkAgain', { paths, changed })
  print((await look([])).report)
  await watching(paths, async (changed) => {
    const { filesRead, report } = await look(changed)
    process.stdout.write(
      `\n${changed.map(shown).join(', ')} changed; ${filesRead === 1 ? '1 file' : `${filesRead} files`} read again\n`,
    )
    print(report)
  })
  await thread.end()
}
