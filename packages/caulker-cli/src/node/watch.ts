import { watch } from 'chokidar'
import { relative, resolve } from 'node:path'

/** Time for an editor to finish a save that touches several files. */
const QUIET = 80
const IGNORED = /(?:^|[\\/])(?:node_modules|dist|\.[^\\/]+)(?:[\\/]|$)/
const READ = /\.(?:[cm]?[jt]s|json|html?)$/

/** Calls back with the files that changed under some paths, once for each burst of changes; give a way to stop. */
export async function watchFiles(
  paths: readonly string[],
  changed: (files: readonly string[]) => void,
): Promise<{ stop(): Promise<void> }> {
  const roots = paths.map((path) => resolve(path))
  const watcher = watch(roots, {
    ignoreInitial: true,
    ignored: (path) => roots.some((root) => path.startsWith(root) && IGNORED.test(relative(root, path))),
  })
  let waiting = new Set<string>()
  let timer: NodeJS.Timeout | undefined
  watcher.on('all', (_event, path) => {
    if (!READ.test(path)) return
    waiting.add(path)
    clearTimeout(timer)
    timer = setTimeout(() => {
      const files = [...waiting]
      waiting = new Set()
      changed(files)
    }, QUIET)
  })
  await new Promise<void>((ready) => watcher.once('ready', ready))
  return {
    stop() {
      clearTimeout(timer)
      return watcher.close()
    },
  }
}
