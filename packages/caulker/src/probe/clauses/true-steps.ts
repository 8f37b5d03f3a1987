import { accepts, isKept, outsideText, printed, type ValueClause } from '../../contract/index.js'
import { isDone, isGesture, settlesEdits, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import { clause, type LeakAt } from './clause.js'
import { movedToTheStride, otherStride, pressedButtons, typedBetween } from './stride-of-buttons.js'
import type { Row } from '../stage/played.js'

/** Steps add up. */
export const trueSteps = clause({
  id: 'true-steps',
  group: 'bounds',
  promise:
    'Steps add up: three steps of 0.1 from 0 make 0.3, by every control; an arrow key and the buttons go by the stride.',
  why: 'Sums of broken numbers are not exact: 0.30000000000000004 is shown, saved, and never equal to what another field holds.',
  tried:
    'Each control that steps is operated three times with a broken step, and each arrow key once; each button is pressed from several values, where there is a stride, and what lies between two strides is typed.',
  unprovenWhen: 'No value moves by steps that may be broken, or no control steps it.',
  random: 'none',
  onTrial: 'gesture',
  concerns: ({ values }) =>
    Object.values(values).some(
      ({ type, step, stride }) => step !== undefined || stride !== undefined || accepts(type, 0.5),
    ),
  async *trails(subject) {
    for (const { given, moves } of subject.ways.filter((way) => isByArrow(way.moves))) yield { given, moves }
    for (const { trail } of await pressedButtons(subject)) yield trail
    yield* typedBetween(subject)
    for (const value of subject.values) {
      if (value.step === undefined || isKept(value.outside)) yield* byStride(subject, value)
      else yield* byStep(subject, value, value.step)
    }
  },
  proves: (_subject, { rows }) => rows.some(({ heard }) => heard.length > 0),
  async judge(subject, played) {
    const { rows } = played
    const other = (await otherStride(subject, played)) ?? movedToTheStride(subject, played)
    if (other !== undefined) return other
    for (const [at, row] of rows.entries())
      for (const value of subject.values) {
        const reported = row.heard.findLast((one) => one.value === value.name)?.payload
        const wrong = noiseIn(row, value, at) ?? otherThanStride(subject, value, rows, at)
        if (wrong !== undefined) return wrong
        const stands = reported ?? row.read[value.name]
        if (at === 0 || value.step === undefined || stands === undefined || !settlesEdits(row.move)) continue
        const outside = outsideText(stands, subject.limits(value, row.held))
        if (outside?.includes('between two steps') === true)
          return {
            row: at,
            says: `the steps of ${value.name} do not add up`,
            expected: 'a whole number of steps',
            found: `${value.name} ${printed(stands)}`,
            cause: 'broken numbers are added up; round to the decimals of the step',
          }
      }
    return undefined
  },
})

function* byStep(subject: Subject, value: ValueClause, by: string | number): Iterable<Trail> {
  for (const step of BROKEN) {
    const given = typeof by === 'string' ? { ...subject.base, [by]: step } : subject.base
    if (typeof by === 'string' ? subject.ideally(by, given) !== step : Number.isInteger(by)) continue
    const { least } = subject.limits(value, given)
    yield* thrice(subject, value, given, typeof least === 'number' ? least : 0, step)
  }
}

/** What its buttons and keys add may be said by a stride, or by any number that bounds nothing. */
function* byStride(subject: Subject, value: ValueClause): Iterable<Trail> {
  if (!accepts(value.type, 0.5)) return
  const bounds = [value.bounds.least, value.bounds.most]
  const strides =
    typeof value.stride === 'string'
      ? subject.names.filter(({ name }) => name === value.stride)
      : subject.tellable.filter(({ name, kind }) => kind === 'property' && !bounds.includes(name))
  for (const { name, type } of strides)
    for (const stride of BROKEN)
      if (accepts(type, stride) && subject.ideally(name, { ...subject.base, [name]: stride }) === stride)
        yield* thrice(subject, value, { ...subject.base, [name]: stride }, 0, stride)
}

const BROKEN = [0.1, 0.3]

/** Every control that steps, three times, from where steps begin and from ten steps on. */
function* thrice(
  subject: Subject,
  value: ValueClause,
  given: Trail['given'],
  from: number,
  step: number,
): Iterable<Trail> {
  const starts = [from, from + 10 * step].map((start) => subject.ideally(value.name, { ...given, [value.name]: start }))
  for (const way of subject.ways)
    for (const start of starts)
      if (way.changes.has(value.name) && way.text === undefined)
        yield { given: { ...given, [value.name]: start }, moves: [...way.moves, ...way.moves, ...way.moves] }
}

function isByArrow([first]: Trail['moves']): boolean {
  return isDone(first, 'key') && first.gesture.key.startsWith('Arrow')
}

/** An arrow key goes by the stride, or to a bound. */
function otherThanStride(subject: Subject, value: ValueClause, rows: readonly Row[], at: number): LeakAt | undefined {
  const [before, row] = [rows[at - 1], rows[at] as Row]
  if (value.stride === undefined || before === undefined || row.move === undefined || !isByArrow([row.move]))
    return undefined
  const stride = typeof value.stride === 'string' ? row.read[value.stride] : value.stride
  const [from, to] = [before.read[value.name], row.read[value.name]]
  if (typeof stride !== 'number' || typeof from !== 'number' || typeof to !== 'number' || from === to) return undefined
  const { least, most } = subject.limits(value, row.held)
  if (to === least || to === most || Math.abs(Math.abs(to - from) - stride) < 1e-9) return undefined
  return {
    row: at,
    says: `an arrow key changes ${value.name} by another distance than its stride`,
    expected: `${value.name} ${printed(Number((to > from ? from + stride : from - stride).toFixed(6)))}`,
    found: `${value.name} ${printed(to)}`,
  }
}

/** The end of a sum of broken numbers (IEEE 754), where nobody gave or typed anything like it. */
function noiseIn({ heard, read, move }: Row, { name }: ValueClause, at: number): LeakAt | undefined {
  const stands = heard.findLast((one) => one.value === name)?.payload ?? read[name]
  if (!isGesture(move) || typeof stands !== 'number') return undefined
  // What is dragged anywhere has many decimals, too; noise stands right beside a number that has few.
  const short = Number(stands.toFixed(6))
  if (short === stands || Math.abs(short - stands) > 1e-9 * Math.max(1, Math.abs(stands))) return undefined
  return {
    row: at,
    says: `the steps of ${name} do not add up`,
    expected: `${name} ${printed(short)}`,
    found: `${name} ${printed(stands)}`,
    cause: 'broken numbers are added up; round to the decimals of the step',
  }
}
