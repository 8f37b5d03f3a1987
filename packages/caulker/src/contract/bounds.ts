import type { ValueClause } from './clauses.js'

/** The bounds and step of a value as they are now: numbers, or texts that sort (dates, times). */
export interface Limits {
  least: number | string | undefined
  most: number | string | undefined
  step: number | undefined
  /** Whether the ends of a pair may not cross, and how far apart they have to be. */
  ordered: boolean
  gap: number
}

/** The names that decide where a value may stand: its bounds, its steps, what lies between two ends, the list that it is chosen from. */
export function decidingNames({ bounds, step, gap, stride, among }: ValueClause): string[] {
  return [bounds.least, bounds.most, step, gap, stride, among?.list].filter((one) => typeof one === 'string')
}

/** Reads the bounds of a value; `valueOf` gives what a named property stands at. */
export function limitsOf(clause: ValueClause, valueOf: (name: string) => unknown): Limits {
  const read = (limit: string | number | undefined) =>
    typeof limit === 'string' && !beginsWithDigit(limit) ? valueOf(limit) : limit
  const [step, gap] = [read(clause.step), read(clause.gap)]
  return {
    least: bound(read(clause.bounds.least)),
    most: bound(read(clause.bounds.most)),
    step: typeof step === 'number' && step > 0 ? step : undefined,
    ordered: clause.ordered,
    gap: typeof gap === 'number' && gap > 0 ? gap : 0,
  }
}

/** A day or a time of day is a bound itself, and no name. */
function beginsWithDigit(text: string): boolean {
  return text >= '0' && text < ':'
}

/** A step of 0 or less, by the name that says how far values lie apart, is none (HTML, section 4.10.5.3.8). */
export function isNoStep(values: readonly ValueClause[], name: string, size: unknown): boolean {
  return typeof size === 'number' && size <= 0 && values.some(({ step, stride }) => step === name || stride === name)
}

/**
 * A value brought inside its limits: on a step counted from the least (else from 0), and never above the most. Where the least is
 * above the most, the least stands. Both ends of a pair are brought in, and the end that moved stops at the other; what is neither
 * number nor sortable text stays.
 *
 * @param before the pair that stood before, which tells the end that moved
 */
export function bring(value: unknown, limits: Limits, before?: unknown): unknown {
  if (Array.isArray(value)) {
    const ends = value.map((end: unknown) => bring(end, limits))
    return isCrossed(ends, limits) && Array.isArray(before) ? uncrossed(ends, before, limits) : ends
  }
  if (typeof value === 'string') return between(value, limits)
  return typeof value === 'number' && !Number.isNaN(value) ? between(snap(value, limits), limits) : value
}

/** What is outside about a value, in a few words; nothing if it is within its limits. Where the least is above the most, only the least is within. */
export function outsideText(value: unknown, limits: Limits): string | undefined {
  if (Array.isArray(value))
    return (
      value.map((end: unknown) => outsideText(end, limits)).find((text) => text !== undefined) ??
      crossedText(value, limits)
    )
  const { least, step } = limits
  const most = isBelow(limits.most, least) ? least : limits.most
  if (isBelow(value, least)) return `${String(value)} is below the least, ${String(least)}`
  if (isBelow(most, value)) return `${String(value)} is above the most, ${String(most)}`
  if (typeof value === 'number' && step !== undefined && value !== least && snap(value, limits) !== value)
    return `${value} is between two steps of ${step}`
  return undefined
}

/** What is crossed about a pair, in a few words; an end that is null is unordered. */
export function crossedText(value: unknown, limits: Limits): string | undefined {
  if (!Array.isArray(value) || !isCrossed(value, limits)) return undefined
  const [low, high] = value as unknown[]
  return limits.gap > 0
    ? `${String(low)} and ${String(high)} are less than ${limits.gap} apart`
    : `${String(low)} is above ${String(high)}: the ends of the pair are crossed`
}

function isCrossed([low, high]: readonly unknown[], { ordered, gap }: Limits): boolean {
  if (!ordered) return false
  return typeof low === 'number' && typeof high === 'number' ? low + gap > high : isBelow(high, low)
}

/** The moved end stops at the other; where that leaves no room inside the limits, the pair stays what it was. */
function uncrossed(ends: readonly unknown[], before: readonly unknown[], limits: Limits): unknown {
  const [low, high] = ends
  const isLowMoved = low !== before[0]
  if (isLowMoved && high !== before[1]) return before
  const shifted = (end: unknown, by: number) => (typeof end === 'number' ? end + by : end)
  const pair = isLowMoved ? [shifted(high, -limits.gap), high] : [low, shifted(low, limits.gap)]
  return outsideText(pair, limits) === undefined ? pair : before
}

function snap(value: number, { least, most, step }: Limits): number {
  if (step === undefined || !Number.isFinite(value)) return value
  const base = typeof least === 'number' ? least : 0
  // Whole numbers on a whole step need no rounding.
  if (Number.isInteger(step) && Number.isInteger(base) && Number.isInteger(value) && (value - base) % step === 0)
    if (typeof most !== 'number' || value <= most) return value
  const places = Math.max(decimals(base), decimals(step))
  const onStep = (steps: number) => Number((base + steps * step).toFixed(places))
  const steps = Math.round((value - base) / step)
  const snapped = onStep(steps)
  if (typeof most !== 'number' || snapped <= most) return snapped
  return onStep(Math.floor(Number(((most - base) / step).toFixed(9))))
}

function between<T extends number | string>(value: T, { least, most }: Limits): unknown {
  if (isBelow(most, value) && !isBelow(most, least))
    return typeof value === 'number' ? Math.min(value, most as number) : most
  if (isBelow(value, least)) return least
  return isBelow(most, value) ? least : value
}

/** Only what is of one kind can be compared. */
export function isBelow(one: unknown, other: unknown): boolean {
  return (
    typeof one === typeof other && (typeof one === 'number' || typeof one === 'string') && one < (other as typeof one)
  )
}

function bound(value: unknown): number | string | undefined {
  return (typeof value === 'number' && !Number.isNaN(value)) || typeof value === 'string' ? value : undefined
}

function decimals(number: number): number {
  const [digits, exponent] = String(number).split('e')
  return Math.min(20, Math.max(0, (digits?.split('.')[1]?.length ?? 0) - Number(exponent ?? 0)))
}
