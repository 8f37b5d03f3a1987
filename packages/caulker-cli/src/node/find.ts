import { CaulkerError, closest } from 'caulker/inside/words'
import { existsSync, lstatSync, readlinkSync, statSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { globSync } from 'tinyglobby'
import { shown } from './shown.js'

const KINDS = ['**/*.contract.{ts,js,mts,mjs,json}', '**/*.{screen,interior,journey}.{ts,js,mts,mjs}']
const IGNORED = ['**/node_modules/**', '**/dist/**', '**/.*/**']

/** What is found at some paths: modules and contract files, and pages, those that were named themselves marked as such. */
export interface DesignFiles {
  readonly files: readonly string[]
  /** What belongs to the same project: read for what belongs together, and not judged. */
  readonly beside: readonly string[]
  /** Whether that is the whole project: its configuration spans it, or the command runs at its top. */
  readonly isWhole: boolean
  readonly pages: readonly { readonly file: string; readonly isNamed: boolean }[]
}

/** Finds files as they are named, and searches folders. Throws for a path that is not there. */
export function findDesignFiles(paths: readonly string[]): DesignFiles {
  const files: string[] = []
  const beside: string[] = []
  const pages = new Map<string, boolean>()
  let isWhole = true
  for (const path of paths) {
    const absolute = resolve(path)
    if (!existsSync(absolute))
      throw new CaulkerError(
        'bad-file',
        isDangling(absolute)
          ? `${path}: it is a link to ${readlinkSync(absolute)}, and there is nothing`
          : `${path}: there is no such file or folder${nearby(absolute)}`,
      )
    const config = nearestConfig(statSync(absolute).isDirectory() ? absolute : dirname(absolute))
    if (config !== undefined) beside.push(...search(dirname(config), KINDS.slice(1)))
    isWhole &&= config !== undefined || absolute === process.cwd()
    if (statSync(absolute).isDirectory()) {
      files.push(...search(absolute, KINDS))
      for (const page of search(absolute, ['**/*.html'])) if (!pages.has(page)) pages.set(page, false)
    } else if (/\.html?$/.test(absolute)) pages.set(absolute, true)
    else {
      files.push(absolute)
      if (config === undefined) beside.push(...search(dirname(absolute), KINDS.slice(1)))
    }
  }
  return {
    files: [...new Set(files)].sort(),
    beside: [...new Set(beside)].filter((file) => !files.includes(file)).sort(),
    pages: [...pages].map(([file, isNamed]) => ({ file, isNamed })),
    isWhole,
  }
}

const CONFIGS = ['caulker.config.ts', 'caulker.config.js', 'caulker.config.mjs', 'caulker.config.json']

/** The configuration in a folder, or in the nearest one above it. */
export function nearestConfig(folder: string): string | undefined {
  const found = CONFIGS.map((name) => join(folder, name)).find(existsSync)
  const above = dirname(folder)
  return found ?? (above === folder ? undefined : nearestConfig(above))
}

function isDangling(path: string): boolean {
  return lstatSync(path, { throwIfNoEntry: false })?.isSymbolicLink() === true
}

/** The contract files beside a page, for one that is checked by itself. */
export function contractsBeside(page: string): string[] {
  return search(dirname(page), KINDS.slice(0, 1))
}

/** The files that match some patterns in a folder. */
export function search(folder: string, patterns: readonly string[]): string[] {
  return globSync([...patterns], { cwd: folder, absolute: true, ignore: IGNORED, expandDirectories: false }).sort()
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
