import { CaulkerError } from 'caulker/inside/words'
import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, relative, resolve } from 'node:path'

/** One side of a comparison: where its files are now, and how to clear up afterwards. */
export interface Side {
  readonly path: string
  /** The version that its package.json says, if it has one. */
  readonly version: string | undefined
  close(): void
}

/** Opens a folder, a file, or a revision of the repository: `v1.2.0`, `HEAD~3`, or `HEAD~3:src/contracts`. */
export function openSide(side: string): Side {
  if (existsSync(side)) return { path: resolve(side), version: versionAt(resolve(side)), close: () => undefined }
  const [revision = '', inside = '.'] = side.split(/:(.*)/)
  const top = git(['rev-parse', '--show-toplevel'])
  const isRevision =
    top !== undefined &&
    revision !== '' &&
    !revision.startsWith('-') &&
    git(['rev-parse', '--verify', '--quiet', `${revision}^{commit}`]) !== undefined
  if (!isRevision)
    throw new CaulkerError(
      'bad-argument',
      `${side}: there is no such file or folder, and no such revision of the repository here`,
    )
  const folder = mkdtempSync(join(tmpdir(), 'caulker-side-'))
  const close = () => rmSync(folder, { recursive: true, force: true })
  const archive = spawnSync('git', ['-C', top, 'archive', revision], { maxBuffer: 1 << 30 })
  spawnSync('tar', ['-x', '-C', folder], { input: archive.stdout })
  const path = join(folder, relative(top, process.cwd()), inside)
  if (existsSync(path)) return { path, version: versionAt(path), close }
  close()
  throw new CaulkerError('bad-argument', `${side}: the revision ${revision} has no '${inside}'`)
}

function git(args: string[]): string | undefined {
  const { status, stdout } = spawnSync('git', args, { encoding: 'utf8' })
  return status === 0 ? stdout.trim() : undefined
}

/** Of the nearest package.json at or above a path. */
function versionAt(path: string): string | undefined {
  const file = join(path, 'package.json')
  if (existsSync(file)) {
    const { version } = JSON.parse(readFileSync(file, 'utf8')) as { version?: string }
    if (version !== undefined) return version
  }
  return dirname(path) === path ? undefined : versionAt(dirname(path))
}
