/** Whether everything is asked of which `npm test` asks a sample: with `npm test -- --whole`, or CAULKER_ALL=1. */
export const WHOLE = process.env['CAULKER_ALL'] === '1'

/** One in so many, or all of them where everything is asked. */
export const oneIn = <T>(count: number, all: readonly T[], first = 0): T[] =>
  all.filter((_, at) => WHOLE || at % count === first)
