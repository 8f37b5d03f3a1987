import { isTooDeep, messageOf } from 'caulker/inside/words'
import { existsSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { stripVTControlCharacters } from 'node:util'
import { firstPlace, type Place } from 'caulker/inside/contract'
import { isOwn } from './load.js'

/** A file that cannot be judged: one line, with the position where there is one. */
export interface Trouble {
  readonly file: string
  readonly place: Place | undefined
  readonly says: string
}

/** Something wrong in a file that was read and not run, with its place there. */
export class Misplaced extends Error {
  override readonly name = 'Misplaced'
  constructor(
    cause: Error,
    readonly place: Place,
  ) {
    super(cause.message, { cause })
  }
}

/** The trouble of a module that threw while it was loaded; the position is the first frame in a file of the user's. */
export function troubleOf(file: string, thrown: unknown): Trouble {
  if (thrown instanceof Misplaced) return { file, place: thrown.place, says: thrown.message }
  if (isTooDeep(thrown)) return { file, place: undefined, says: 'it is nested too deep, or calls itself without end' }
  const known = missingModule(thrown) ?? failedBuild(thrown)
  if (known !== undefined) return { file, ...known }
  const place = parsePlace(thrown) ?? (thrown instanceof Error ? firstPlace(thrown.stack ?? '', isOwn) : undefined)
  return {
    file,
    place,
    says: messageOf(thrown)
      .replace(/ \S+\.(?:[cm]?[jt]sx?|json):\d+:\d+$/, '')
      .replace(/^(?:ParseError|SyntaxError): /, '')
      .slice(0, 400),
  }
}

/** A parser says where it stopped on its error, or in its message. */
function parsePlace(thrown: unknown): Place | undefined {
  const found = /\n? *(\S+\.(?:[cm]?[jt]sx?|json)):(\d+):(\d+)\s*$/.exec(thrown instanceof Error ? thrown.message : '')
  if (found === null || found[1] === undefined) return undefined
  return { file: found[1].replace(/^file:\/\//, ''), line: Number(found[2]), column: Number(found[3]) }
}

/** A loader names the module that is missing and who asked for it; where it is asked for stands in that file. */
function missingModule(thrown: unknown): Omit<Trouble, 'file'> | undefined {
  const [, name, from] = /Cannot find module '([^']+)'\s+Require stack:\s+- (\S+)/.exec(messageOf(thrown)) ?? []
  if (name === undefined || from === undefined || !existsSync(from)) return undefined
  const before = readFileSync(from, 'utf8').split(new RegExp(`['"\`]${escaped(name)}['"\`]`))[0]
  return { place: placeAfter(from, before ?? ''), says: `Cannot find module '${name}'` }
}

function escaped(text: string): string {
  return text.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&')
}

function placeAfter(file: string, before: string): Place {
  const lines = before.split('\n')
  return { file, line: lines.length, column: (lines[lines.length - 1] ?? '').length + 1 }
}

interface BuildError {
  readonly message: string
  readonly loc?: { readonly file?: string; readonly line: number; readonly column: number }
}

/** A bundler throws its errors together, each drawn with the lines around it: the first line and the position are enough. */
function failedBuild(thrown: unknown): Omit<Trouble, 'file'> | undefined {
  const first = (thrown as { errors?: readonly BuildError[] } | undefined)?.errors?.[0]
  if (typeof first?.message !== 'string') return undefined
  const plain = stripVTControlCharacters(first.message)
  // That a step of its own threw helps nobody: what it threw does.
  const cause = /^Caused by:\s+(.+)$/m.exec(plain)?.[1]
  const says = (cause ?? plain.split('\n')[0] ?? '').replace(/^\[[^\]]*\] /, '').replace(/ in \S+$/, '')
  const file = first.loc?.file ?? /\[ (\S+):\d+:\d+ \]/.exec(plain)?.[1]
  return {
    says,
    place:
      first.loc === undefined || file === undefined
        ? undefined
        : { file: resolve(file), line: first.loc.line, column: first.loc.column + 1 },
  }
}
