const DAY = 86_400_000

/**
 * Runs something while the clock jumps a day each time that it is looked at and chance comes out in another way: what depends on either
 * shows itself, since the same moves no longer lead to the same.
 */
export function withOddClock<T>(work: () => T): T {
  const { Date: RealDate } = globalThis
  const { random } = Math
  let [looks, draws] = [0, 0]
  const now = () => RealDate.UTC(2031, 4, 14) + ++looks * DAY
  globalThis.Date = class Date extends RealDate {
    /** A date that was made before is one still. */
    static override [Symbol.hasInstance](value: unknown): boolean {
      return RealDate.prototype.isPrototypeOf(value as object)
    }
    constructor(...given: unknown[]) {
      if (given.length === 0) super(now())
      else super(...(given as []))
    }
    static override now = now
  } as DateConstructor
  Math.random = () => (++draws * 0.618_033_988_749_895) % 1
  try {
    return work()
  } finally {
    globalThis.Date = RealDate
    Math.random = random
  }
}
