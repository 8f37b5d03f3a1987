import { equal, printed, valueClauses, type ValueClause } from '../../contract/index.js'
import { outsideText } from '../../engine/index.js'
import type { Given } from '../../ideal/index.js'
import { clause } from '../clause.js'
import { isTell, settlesEdits, tell, type Story } from '../story.js'
import type { Subject } from '../subject.js'
import { waysAtBounds } from '../ways-at-bounds.js'

/** Bounds and steps hold on every way in. */
export const staysWithin = clause({
  id: 'stays-within',
  group: 'bounds',
  promise: 'Its bounds and its step hold on every way in: given, told, typed, and by each of its controls.',
  why: 'A bound that holds for two buttons and not for the keyboard is no bound: what is saved is what was typed.',
  tried:
    'Values outside are given and told, typed and left, typed and entered; each control is operated at each bound; a bound is told that leaves the value outside.',
  unprovenWhen: 'No value has a bound or a step that can be reached.',
  random: 'any',
  onTrial: 'gesture',
  concerns: (contract) => valueClauses(contract).some(isBounded),
  *stories(subject) {
    for (const value of subject.values.filter(isBounded)) {
      const given = withTrueBounds(subject, value)
      for (const { given: at, moves } of waysAtBounds(subject, value, given)) yield { given: at, moves }
      yield* fromOutside(subject, value, given)
    }
  },
  judge(subject, { story, rows }) {
    for (const [at, row] of rows.entries()) {
      const given = { ...row.held, ...(at === 0 ? story.given : {}) }
      for (const value of subject.values.filter(isBounded)) {
        const limits = subject.limits(value, given)
        const off = row.heard.find((one) => one.value === value.name && outsideText(one.payload, limits) !== undefined)
        if (off !== undefined && !isZeroBound(value, given))
          return {
            row: at,
            says: `it reports ${value.name} outside its bounds: ${outsideText(off.payload, limits) ?? ''}`,
            expected: limitsText(limits),
            found: `heard ${off.event} ${printed(off.payload)}`,
          }
        if (!settlesEdits(row.move) || (isTell(row.move) && story.unbounded !== true && at > 0)) continue
        const stands = row.read[value.name]
        const outside = stands === undefined ? undefined : outsideText(stands, limits)
        if (outside !== undefined && !isZeroBound(value, given))
          return {
            row: at,
            says: `${value.name} leaves its bounds: ${outside}`,
            expected: limitsText(limits),
            found: `${value.name} ${printed(stands)}`,
            cause: causeOf(at, row.move),
          }
      }
    }
    return undefined
  },
})

/** Bounds that are no 0: whether a 0 is taken for missing is the affair of keeps-falsy. */
function withTrueBounds(subject: Subject, value: ValueClause): Given {
  const given: Record<string, unknown> = { ...subject.middle }
  const span = { least: 2, most: 9 }
  for (const end of ['least', 'most'] as const) {
    const name = value.bounds[end]
    if (typeof name !== 'string' || !Object.hasOwn(subject.contract.properties, name)) continue
    const isTaken = equal(subject.ideally(name, { ...given, [name]: span[end] }), span[end])
    const sample = isTaken ? span[end] : subject.plain(name)[0]
    if (sample !== undefined) given[name] = sample
  }
  const { least, most } = subject.limits(value, given)
  if (typeof least === 'number' && typeof most === 'number' && least > most) return subject.middle
  return { ...given, [value.name]: subject.ideally(value.name, { ...given, [value.name]: subject.middle[value.name] }) }
}

function* fromOutside(subject: Subject, value: ValueClause, given: Given): Iterable<Story> {
  const { least, most, step } = subject.limits(value, given)
  const outside = [
    ...(typeof most === 'number' ? [most + 5 * (step ?? 1)] : []),
    ...(typeof least === 'number' ? [least - 5 * (step ?? 1)] : []),
    ...(step !== undefined && step !== 1 ? [(typeof least === 'number' ? least : 0) + step * 1.5] : []),
  ]
  for (const off of outside) {
    yield { given, moves: [tell({ [value.name]: off })], unbounded: true }
    yield { given: { ...given, [value.name]: off }, moves: [], unbounded: true }
  }
  for (const [end, by] of [
    ['most', -1],
    ['least', 1],
  ] as const) {
    const name = value.bounds[end]
    const middle = given[value.name]
    if (typeof name === 'string' && typeof middle === 'number' && Object.hasOwn(subject.contract.properties, name))
      yield { given, moves: [tell({ [name]: middle + by })], unbounded: true }
  }
}

function isBounded(value: ValueClause): boolean {
  return (
    value.outside !== 'keep' &&
    (value.bounds.least !== undefined || value.bounds.most !== undefined || value.step !== undefined)
  )
}

function isZeroBound(value: ValueClause, given: Given): boolean {
  return [value.bounds.least, value.bounds.most].some((bound) => typeof bound === 'string' && given[bound] === 0)
}

function causeOf(at: number, move: unknown): string {
  const way = at === 0 ? 'what is given at the mount' : isTell(move as never) ? 'what is told' : 'this way in'
  return `${way} does not go through the check that the other ways go through`
}

function limitsText({ least, most, step }: { least: unknown; most: unknown; step: unknown }): string {
  const parts = [
    least === undefined ? '' : `least ${String(least)}`,
    most === undefined ? '' : `most ${String(most)}`,
    step === undefined ? '' : `in steps of ${String(step)}`,
  ]
  return parts.filter(Boolean).join(', ')
}
