import { equal, isKept, printed, valueClauses, type ValueClause, outsideText } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isDone, isTell, settlesEdits, tell, type Trail } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'
import { deafToABound } from './bounds-told.js'
import { enteredOutside, isKeptOutside, notKept } from './kept-outside.js'
import { isMarked, markedOutside, wronglyMarked } from './marked-outside.js'
import { lastSteps, stopsEarly } from './stops-early.js'
import { insideBounds, turnedDownInside } from './taken-inside.js'
import { zeroBoundOf } from './zero-bounds.js'
import { beyond, enteredText, outsideOf, waysAtBounds, type WayAtBounds } from './ways-at-bounds.js'
import type { Given } from '../../mount/index.js'

/** Bounds and steps hold on every way in. */
export const staysWithin = clause({
  id: 'stays-within',
  group: 'bounds',
  promise: 'Its bounds and its step hold on every way in: given, told, typed, and by each of its controls.',
  why: 'A bound that holds for two buttons and not for the keyboard is no bound: what is saved is what was typed.',
  tried:
    'Values outside are given and told, typed and left, typed and entered; each control is operated at each bound; a bound is told that leaves the value outside; a value between the bounds is entered, a step is made to each of them, and what its control says of the one is asked of the other.',
  unprovenWhen: 'No value has a bound or a step that can be reached.',
  random: 'any',
  onTrial: 'gesture',
  concerns: (contract) =>
    valueClauses(contract).some((value) => isBounded(value) || isMarked(value) || isKeptOutside(value)),
  async *trails(subject) {
    for (const value of subject.values.filter(isMarked))
      yield* markedOutside(subject, value, withTrueBounds(subject, value))
    for (const value of subject.values.filter(isKeptOutside)) yield* enteredOutside(subject, value)
    for (const value of subject.values.filter(isBounded)) {
      const given = withTrueBounds(subject, value)
      for (const { given: at, moves } of waysAtBounds(subject, value, given)) yield { given: at, moves }
      yield { given, moves: [] }
      yield* insideBounds(subject, value, given)
      for (const { trail } of await lastSteps(subject, value, given)) yield trail
      yield* heldDown(subject, value, given)
      yield* fromOutside(subject, value, given)
      yield* movedBounds(subject, value, given)
    }
  },
  async judge(subject, played) {
    const { trail, rows } = played
    for (const value of subject.values.filter(isBounded)) {
      const given = withTrueBounds(subject, value)
      const leak =
        turnedDownInside(subject, value, given, played) ??
        (await deafToABound(subject, value, given, played)) ??
        (await stopsEarly(subject, value, given, played))
      if (leak !== undefined) return leak
    }
    const outer = notKept(subject, played)
    if (outer !== undefined) return outer
    const marked = wronglyMarked(subject, played)
    if (marked !== undefined) return marked
    for (const [at, row] of rows.entries()) {
      const given = { ...row.held, ...(at === 0 ? trail.given : {}) }
      for (const value of subject.values.filter(isBounded)) {
        // Whether the ends of a pair cross is the affair of another clause.
        const limits = { ...subject.limits(value, { ...given, ...giveWay(subject, value, row) }), ordered: false }
        const off = row.heard.find((one) => one.value === value.name && outsideText(one.payload, limits) !== undefined)
        if (off !== undefined && zeroBoundOf(value, given) === undefined)
          return {
            row: at,
            says: `it reports ${value.name} outside its bounds: ${outsideText(off.payload, limits) ?? ''}`,
            expected: limitsText(limits),
            found: `heard ${off.event} ${printed(off.payload)}`,
          }
        if (!settlesEdits(row.move) || (isTell(row.move) && trail.unbounded !== true && at > 0)) continue
        const stands = row.read[value.name]
        // What its owner may give outside stands, until a person changes it.
        if (
          isKept(value.outsideTold) &&
          (at === 0 || isTell(row.move) || equal(stands, rows[at - 1]?.read[value.name]))
        )
          continue
        if (isLeftOutside(value, rows, at)) continue
        const brought =
          isTell(row.move) && trail.unbounded === true ? broughtElsewhere(subject, value, rows, at) : undefined
        if (brought !== undefined) return brought
        const outside = stands === undefined ? undefined : outsideText(stands, limits)
        if (outside !== undefined && zeroBoundOf(value, given) === undefined)
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

/** Where nobody proposed it there is nothing to turn down: a bound has moved, and what stood may stand. */
function isLeftOutside({ name, outsideTold }: ValueClause, rows: Played['rows'], at: number): boolean {
  const [before, row] = [rows[at - 1], rows[at]]
  return (
    outsideTold === 'refuse' &&
    isTell(row?.move) &&
    !Object.hasOwn(row?.move.tell ?? {}, name) &&
    equal(row?.read[name], before?.read[name])
  )
}

/** What is told outside its bounds stands at the bound that it passed, or leaves what stood; it becomes no third value. */
function broughtElsewhere(subject: Subject, value: ValueClause, rows: Played['rows'], at: number): LeakAt | undefined {
  const [before, row] = [rows[at - 1], rows[at]]
  const told = row !== undefined && isTell(row.move) ? row.move.tell[value.name] : undefined
  const limits = subject.limits(value, { ...row?.held })
  const stands = row?.read[value.name]
  if (typeof told !== 'number' || typeof stands !== 'number' || value.outsideTold !== 'clamp') return undefined
  const due = subject.ideally(value.name, { ...row?.held, [value.name]: told })
  if (outsideText(told, limits) === undefined) return undefined
  // A bound that gives way lets it stand as it was told.
  if ([limits.least, limits.most, before?.read[value.name], due, told].includes(stands)) return undefined
  return {
    row: at,
    says: `${value.name} ${printed(told)} is told, and it becomes ${printed(stands)}, which is neither a bound nor what stood`,
    expected: limitsText(limits),
    found: `${value.name} ${printed(stands)}`,
  }
}

/** Of two values that bound each other, each may give way to the other: what the component itself holds of the other counts. */
function giveWay({ values }: Subject, { name, bounds }: ValueClause, { read }: Row): Given {
  const others = values.filter(
    (other) =>
      [bounds.least, bounds.most].includes(other.name) && [other.bounds.least, other.bounds.most].includes(name),
  )
  return Object.fromEntries(
    others.flatMap((other) => (read[other.name] === undefined ? [] : [[other.name, read[other.name]]])),
  )
}

/** A bound that moves once something was edited: who has read it by then keeps to the old one. */
function* movedBounds(subject: Subject, value: ValueClause, given: Given): Iterable<Trail> {
  const first = subject.chiefWays.find((way) => way.changes.has(value.name))
  const moved = [value.bounds.least, value.bounds.most].filter(
    (name): name is string => typeof name === 'string' && Object.hasOwn(subject.contract.properties, name),
  )
  if (first === undefined || moved.length === 0) return
  const bounds = Object.fromEntries(moved.map((name) => [name, given[name]]))
  const tries = [...waysAtBounds(subject, value, given)]
  const outside = outsideOf(subject.limits(value, given)).map(String)
  const isTyped = ({ moves }: WayAtBounds) => moves.some((move) => outside.includes(enteredText(move) ?? ''))
  const typed = tries.filter(isTyped)
  // One that types beyond each bound, where there is one, and those that go beyond them by steps.
  const steps = tries.filter(({ moves }) => moves.every((move) => enteredText(move) === undefined))
  const chosen = new Set([typed[0], typed.at(-1), steps[0], steps.at(-1)])
  for (const { moves } of [...chosen].filter((one) => one !== undefined))
    yield { given: first.given, moves: [...first.moves, tell(bounds), ...moves] }
}

/** Bounds that are no 0: whether a 0 is taken for missing is the affair of keeps-falsy. */
function withTrueBounds(subject: Subject, value: ValueClause): Given {
  const given: Record<string, unknown> = { ...subject.middle }
  for (const [end, wanted] of [
    ['least', [2, '2031-05-10']],
    ['most', [9, '2031-05-16']],
  ] as const) {
    const name = value.bounds[end]
    if (typeof name !== 'string' || !Object.hasOwn(subject.contract.properties, name)) continue
    const usual = subject.ideally(name, subject.middle)
    const [first, ...others] = subject.plain(name)
    const taken = [...wanted, ...others.filter((one) => !equal(one, usual)).slice(0, 1), first].find(
      (bound) => bound !== undefined && equal(subject.ideally(name, { ...given, [name]: bound }), bound),
    )
    if (taken !== undefined) given[name] = taken
  }
  const { least, most } = subject.limits(value, given)
  if (least !== undefined && most !== undefined && least > most) return subject.middle
  return { ...given, [value.name]: subject.ideally(value.name, { ...given, [value.name]: subject.middle[value.name] }) }
}

function* fromOutside(subject: Subject, value: ValueClause, given: Given): Iterable<Trail> {
  if (isKept(value.outsideTold)) return
  for (const off of outsideOf(subject.limits(value, given))) {
    yield { given, moves: [tell({ [value.name]: off })], unbounded: true }
    yield { given: { ...given, [value.name]: off }, moves: [], unbounded: true }
  }
  for (const [end, by] of [
    ['most', -1],
    ['least', 1],
  ] as const) {
    const name = value.bounds[end]
    if (typeof name !== 'string' || !Object.hasOwn(subject.contract.properties, name)) continue
    // From between its bounds each of them can be told beyond it.
    const from = between(subject, value, given)
    for (const moved of beyond(from[value.name] as number, by))
      yield { given: from, moves: [tell({ [name]: moved })], unbounded: true }
  }
}

function between(subject: Subject, value: ValueClause, given: Given): Given {
  const { least, most } = subject.limits(value, given)
  const texts = subject
    .plain(value.name)
    .filter((one) => typeof one === 'string' && one > String(least) && one < String(most))
  if (typeof least === 'string' && typeof most === 'string' && texts[0] !== undefined)
    return { ...given, [value.name]: texts[0] }
  if (typeof least !== 'number' || typeof most !== 'number') return given
  const half = (least + most) / 2
  // A half of whole numbers may be none, and one between two steps no step.
  const stands = [half, Math.floor(half), Math.ceil(half)]
    .map((one) => subject.ideally(value.name, { ...given, [value.name]: one }))
    .find((one) => typeof one === 'number' && one > least && one < most)
  return stands === undefined ? given : { ...given, [value.name]: stands }
}

function isBounded(value: ValueClause): boolean {
  return (
    !isKept(value.outside) &&
    (value.bounds.least !== undefined || value.bounds.most !== undefined || value.step !== undefined)
  )
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

/** A button that goes on while it is held goes no further than a bound. */
function* heldDown(subject: Subject, value: ValueClause, given: Given): Iterable<Trail> {
  const { least, most } = subject.limits(value, given)
  const isPress = ({ moves: [first, ...rest], changes }: Way) =>
    changes.has(value.name) && rest.length === 0 && isDone(first, 'press')
  for (const { control } of subject.ways.filter((way) => isPress(way) && way.control.kind === 'button').slice(0, 4))
    for (const end of [least, most].filter((one) => typeof one === 'number'))
      yield {
        given: { ...given, [value.name]: end },
        moves: [gesture({ do: 'hold', on: control }), { wait: 500 }, gesture({ do: 'release' })],
      }
}
