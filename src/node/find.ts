import { existsSync, statSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'
import { globSync } from 'tinyglobby'
import { CaulkerError, closest } from '../contract/index.js'

const KINDS = ['**/*.contract.{ts,js,mts,mjs,json}', '**/*.screen.{ts,js,mts,mjs}']
const IGNORED = ['**/node_modules/**', '**/dist/**', '**/.*/**']

/** The contract and screen files at some paths: files as they are named, folders searched. Throws for a path that is not there. */
export function findDesignFiles(paths: readonly string[]): string[] {
  const files = paths.flatMap((path) => {
    const absolute = resolve(path)
    if (!existsSync(absolute))
      throw new CaulkerError('bad-file', `${path}: there is no such file or folder${nearby(absolute)}`)
    return statSync(absolute).isDirectory() ? search(absolute, KINDS) : [absolute]
  })
  return [...new Set(files)].sort()
}

/** The files that match some patterns in a folder. */
export function search(folder: string, patterns: readonly string[]): string[] {
  return globSync([...patterns], { cwd: folder, absolute: true, ignore: IGNORED, expandDirectories: false }).sort()
}

/** A path as a person writes it: relative to where the command runs. */
export function shown(file: string): string {
  const near = relative(process.cwd(), file)
  return near === '' ? '.' : near.startsWith('..') ? file : near
}

function nearby(absolute: string): string {
  const folder = dirname(absolute)
  if (!existsSync(folder)) return ''
  const near = closest(
    absolute,
    search(folder, ['*']).concat(
      globSync('*', { cwd: folder, onlyDirectories: true, absolute: true, expandDirectories: false }).map((one) =>
        one.replace(/\/$/, ''),
      ),
    ),
  )
  return near === undefined ? '' : `; did you mean '${shown(join(near))}'?`
}
