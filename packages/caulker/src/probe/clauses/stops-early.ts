import { equal, printed, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { ControlKind, ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { isDone, type Trail } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'
import { isOnItsOwn } from './beside.js'
import type { LeakAt } from './clause.js'
import { saidRange } from './said-range.js'

const STEPS: readonly ControlKind[] = ['button', 'spin button', 'slider', 'number field']
const MOST_WAYS = 4

/** A step at a bound: what comes to it when it begins one step away. */
interface LastStep {
  readonly trail: Trail
  readonly bound: number
}

/** Each way that goes by a step, one step away from the bound that it goes to. */
export async function lastSteps(subject: Subject, value: ValueClause, given: Given): Promise<LastStep[]> {
  if (!isOnItsOwn(subject.values, value)) return []
  const found: LastStep[] = []
  const { least, most } = subject.limits(value, given)
  for (const { given: mount, moves, control } of subject.ways
    .filter((way) => isStep(way, value.name))
    .slice(0, MOST_WAYS)) {
    const { rows } = await subject.play({ given: mount, moves })
    const [from, to] = [rows[0].read[value.name], rows.at(-1)?.read[value.name]]
    const bound = typeof from === 'number' && typeof to === 'number' ? (to < from ? least : most) : undefined
    if (typeof bound !== 'number' || from === to) continue
    const start = Number((bound - (Number(to) - Number(from))).toFixed(6))
    const begun = { ...given, [value.name]: start }
    if (!equal(subject.ideally(value.name, begun), start) || (await endsThere(subject, begun, control, start))) continue
    found.push({ trail: { given: begun, moves }, bound })
  }
  return found
}

/** A control may say that it ends before the bound: what lies beyond is reached at another. */
async function endsThere(subject: Subject, given: Given, on: ControlRef, start: number): Promise<boolean> {
  const ends = await subject.look(given, (container) => {
    const said = saidRange(on)(container)
    return said === undefined ? [] : [said.least, said.most]
  })
  return (ends ?? []).some((end) => end !== '' && Number(end) === start)
}

function isStep({ control, changes, text, moves: [first] }: Way, name: string): boolean {
  const isArrow = isDone(first, 'key') && (first.gesture.key === 'ArrowUp' || first.gesture.key === 'ArrowDown')
  // What moves another along may be a step of that one.
  const isOwn = changes.has(name) && changes.size === 1
  return STEPS.includes(control.kind) && isOwn && text === undefined && (isArrow || isDone(first, 'press'))
}

/** The last step is not made, and the bound never reached. */
export async function stopsEarly(
  subject: Subject,
  value: ValueClause,
  given: Given,
  { trail, rows }: Played,
): Promise<LeakAt | undefined> {
  const last = rows.at(-1)
  const step = (await lastSteps(subject, value, given)).find((one) => equal(one.trail, trail))
  if (step === undefined || last === undefined || rows.some(({ heard, impossible }) => heard.length > 0 || impossible))
    return undefined
  const stands = last.read[value.name]
  if (!equal(stands, trail.given[value.name]) || !equal(stands, rows[0].read[value.name])) return undefined
  return {
    row: rows.length - 1,
    says: `${value.name} stops one step before its bound`,
    expected: `${value.name} ${printed(step.bound)}`,
    found: `${value.name} ${printed(stands)}`,
    cause: 'the bound itself is taken for a value outside',
  }
}
