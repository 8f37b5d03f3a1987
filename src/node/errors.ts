import { fileURLToPath } from 'node:url'
import { firstPlace, messageOf, type Place } from '../contract/index.js'

const PACKAGE = fileURLToPath(new URL('..', import.meta.url))

/** A file that cannot be judged: one line, with the position where there is one. */
export interface Trouble {
  readonly file: string
  readonly place: Place | undefined
  readonly says: string
}

/** The trouble of a module that threw while it was loaded; the position is the first frame in a file of the user's. */
export function troubleOf(file: string, thrown: unknown): Trouble {
  const parse = parsePlace(thrown)
  const place =
    parse ??
    (thrown instanceof Error ? firstPlace(thrown.stack ?? '', (frame) => frame.startsWith(PACKAGE)) : undefined)
  return {
    file,
    place,
    says: messageOf(thrown)
      .replace(/ \S+\.json:\d+:\d+$/, '')
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
