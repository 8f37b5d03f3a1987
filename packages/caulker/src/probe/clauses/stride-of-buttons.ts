import { accepts, equal, outsideText, printed, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { Played } from '../stage/played.js'
import { isDone, settlesEdits, type Trail } from '../stage/trail.js'
import { onceFor } from '../subject/once-for.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { enteredText, retyped } from './ways-at-bounds.js'

interface Pressed {
  readonly value: ValueClause
  readonly trail: Trail
  readonly from: number
  readonly by: number
  readonly stride: number
  readonly label: string
}

const MOST_STARTS = 3
const MOST_BUTTONS = 6

/** Each button that changes a value with a stride, pressed where there is room on both sides. */
export const pressedButtons = onceFor(lookForPressed)

async function lookForPressed(subject: Subject): Promise<Pressed[]> {
  const pressed: Pressed[] = []
  for (const value of subject.values.filter(({ stride }) => stride !== undefined))
    for (const { moves, control } of buttonsOf(subject, value))
      for (const given of roomyStarts(subject, value)) {
        const trail = { given, moves }
        const { rows } = await subject.play(trail)
        const [from, to] = [rows[0].read[value.name], rows[1]?.read[value.name]]
        if (typeof from === 'number' && typeof to === 'number')
          pressed.push({
            value,
            trail,
            from,
            by: to - from,
            stride: strideOf(subject, value, given),
            label: control.label,
          })
      }
  return pressed
}

function buttonsOf({ ways }: Subject, { name }: ValueClause): Way[] {
  return ways
    .filter(
      ({ control, changes, moves }) =>
        control.kind === 'button' && changes.has(name) && moves.length === 1 && isDone(moves[0], 'press'),
    )
    .slice(0, MOST_BUTTONS)
}

function strideOf(subject: Subject, { stride }: ValueClause, given: Given): number {
  const is = typeof stride === 'string' ? subject.ideally(stride, given) : stride
  return typeof is === 'number' ? is : 0
}

/** Values from which a stride leads nowhere near a bound. */
function roomyStarts(subject: Subject, value: ValueClause): Given[] {
  const stride = strideOf(subject, value, subject.middle)
  const limits = { ...subject.limits(value, subject.middle), step: undefined }
  const starts = [value.default, ...subject.plain(value.name)].filter((one): one is number => typeof one === 'number')
  const { least } = limits
  const between = typeof least === 'number' ? [least + 2 * stride, least + 3 * stride] : []
  return [...new Set([...between, ...starts])]
    .filter((one) => [one - stride, one + stride].every((near) => outsideText(near, limits) === undefined))
    .map((one) => ({ ...subject.middle, [value.name]: one }))
    .filter((given) => equal(subject.ideally(value.name, given), given[value.name]))
    .slice(0, MOST_STARTS)
}

/** A button that goes by the stride from one value goes by it from every other; and where none does, one that goes by something else. */
export async function otherStride(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const all = await pressedButtons(subject)
  const mine = all.find((one) => equal(one.trail, trail))
  if (mine === undefined || mine.stride <= 0 || rows[1] === undefined || isNear(Math.abs(mine.by), mine.stride))
    return undefined
  // What its type or its own rules make of a step is no step of another length.
  const isStep = (to: number) =>
    accepts(mine.value.type, to) && mine.value.amend.every((hook) => equal(hook(to as never, mine.from as never), to))
  if (![mine.from - mine.stride, mine.from + mine.stride].every(isStep)) return undefined
  const ofButton = all.filter((one) => equal(one.trail.moves, trail.moves) && one.value === mine.value)
  const stepping = ofButton.find((one) => isNear(Math.abs(one.by), one.stride))
  const found = `${mine.value.name} ${printed(mine.from + mine.by)}`
  if (stepping !== undefined)
    return {
      row: 1,
      says: `“${mine.label}” goes by its stride from ${printed(stepping.from)}, and not from ${printed(mine.from)}`,
      expected: `${mine.value.name} ${printed(mine.from + stepping.by)}`,
      found,
      cause: 'it steps from another value than the one that stands',
    }
  const isSteady = ofButton.length > 1 && ofButton.every((one) => isNear(one.by, mine.by)) && mine.by !== 0
  const others = all.filter((one) => one.value === mine.value && Math.sign(one.by) === Math.sign(mine.by))
  if (!isSteady || others.some((one) => isNear(Math.abs(one.by), one.stride))) return undefined
  return {
    row: 1,
    says: `“${mine.label}” changes ${mine.value.name} by another distance than its stride`,
    expected: `${mine.value.name} ${printed(mine.from + Math.sign(mine.by) * mine.stride)}`,
    found,
  }
}

function isNear(one: number, other: number): boolean {
  return Math.abs(one - other) < 1e-9
}

/** A number between two strides, typed into each field that takes numbers as they are. */
export function* typedBetween(subject: Subject): Iterable<Trail> {
  for (const value of subject.values.filter(isStridden))
    for (const way of fieldsOf(subject, value))
      for (const typed of between(subject, value, way.given).slice(0, MOST_STARTS))
        yield { given: way.given, moves: way.moves.map((move) => retyped(move, String(typed))) }
}

/** A stride is no grid for what is typed: what is inside the bounds stands as it was entered. */
export function movedToTheStride(subject: Subject, { trail, rows }: Played): LeakAt | undefined {
  const text = trail.moves.map(enteredText).find((one) => one !== undefined)
  const row = rows[trail.moves.length]
  const value = subject.values.find(isStridden)
  if (text === undefined || row === undefined || value === undefined || !settlesEdits(row.move)) return undefined
  const [typed, stands] = [Number(text), row.read[value.name]]
  const stride = strideOf(subject, value, trail.given)
  if (typeof stands !== 'number' || typed === stands || !between(subject, value, trail.given).includes(typed))
    return undefined
  const isMoved = Math.abs(typed - stands) < stride && isNear(stands % stride, 0)
  return isMoved
    ? {
        row: trail.moves.length,
        says: `${text} is entered, and ${value.name} becomes ${printed(stands)}: its stride is for buttons and keys`,
        expected: `${value.name} ${text}`,
        found: `${value.name} ${printed(stands)}`,
        cause: 'what is typed is moved to the next step',
      }
    : undefined
}

function isStridden({ stride, step }: ValueClause): boolean {
  return stride !== undefined && step === undefined
}

function fieldsOf({ ways, values }: Subject, { name }: ValueClause): Way[] {
  const typed = ways.filter(
    ({ control, changes, plainly, text, moves }) =>
      isField(control) &&
      (plainly.has(name) || (values.length === 1 && changes.has(name))) &&
      text !== undefined &&
      /^\d+$/.test(text) &&
      settlesEdits(moves.at(-1)),
  )
  return oneAtEach(typed)
}

function between(subject: Subject, value: ValueClause, given: Given): number[] {
  const stride = strideOf(subject, value, given)
  const { least } = subject.limits(value, given)
  const from = typeof least === 'number' ? least : 0
  return [1, 2, 3]
    .map((by) => Math.ceil(from / stride) * stride + stride + by)
    .filter((one) => stride > 1 && !isNear(one % stride, 0) && !isNear((one - from) % stride, 0))
    .filter((one) => equal(subject.ideally(value.name, { ...given, [value.name]: one }), one))
}
