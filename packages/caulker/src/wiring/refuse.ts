import { misfitIn, type Kind } from '../contract/index.js'
import { CaulkerError, type ErrorCode } from '../words/index.js'

/** Refuses the first thing that cannot be, in one line: where it stands, what is wrong with it, and what to write. */
export function refuseOther(code: ErrorCode, who: string, written: unknown, kind: Kind<any>): void {
  const misfit = misfitIn([], written, kind)
  if (misfit !== undefined) fail(code, who, `${misfit.what ?? misfit.at.join('.')} ${misfit.wrong}`.trim())
}

export function fail(code: ErrorCode, who: string, wrong: string): never {
  throw new CaulkerError(code, `${who}: ${wrong}`)
}
