import { relative } from 'node:path'

/** A path as a person writes it: relative to where the command runs. */
export function shown(file: string): string {
  const near = relative(process.cwd(), file)
  return near === '' ? '.' : near.startsWith('..') ? file : near
}
