import { CaulkerError, type ErrorCode } from '../words/index.js'
import { printed } from './data/print.js'
import { misfitIn, type Kind } from './table/index.js'

/** Refuses the first thing that cannot be, in one line: where it stands, what is wrong with it, and what to write. */
export function refuseOther(code: ErrorCode, who: string, written: unknown, kind: Kind<any>): void {
  const misfit = misfitIn([], written, kind)
  if (misfit !== undefined) fail(code, who, `${misfit.what ?? misfit.at.join('.')} ${misfit.wrong}`.trim())
}

export function fail(code: ErrorCode, who: string, wrong: string): never {
  throw new CaulkerError(code, `${who}: ${wrong}`)
}

/** Says in one line what is taken, and what was given instead. */
export function refused(by: string, takes: string, given: unknown): never {
  const instead = given === undefined ? 'nothing' : printed(given, 60)
  throw new CaulkerError('bad-argument', `${by} takes ${takes}, and is given ${instead}`)
}
