import builder, { type Builder } from 'junit-report-builder'
import type { TroubleReport } from 'caulker/inside/report'

export type { Builder }

export function newJunit(): Builder {
  // Its types take the module for its default export.
  return (builder as unknown as Builder).newBuilder()
}

/** What could not be judged comes last, and is an error. */
export function endJunit(made: Builder, troubles: readonly TroubleReport[]): string {
  for (const { file, says } of troubles) made.testCase().className(file).name('could not be judged').error(says)
  return made.build()
}
