import { equal, printed, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { Played } from '../stage/played.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { saidRange } from './said-range.js'

/** Of the two bounds of a value its control goes with the one, and never hears of the other. */
export async function deafToABound(
  subject: Subject,
  value: ValueClause,
  given: Given,
  { trail, rows }: Played,
): Promise<LeakAt | undefined> {
  const { least, most } = value.bounds
  const way = subject.ways.find(
    ({ plainly, changes, control: { kind } }) =>
      plainly.has(value.name) || (changes.has(value.name) && (kind === 'spin button' || kind === 'slider')),
  )
  const isOwn = (end: unknown): end is string =>
    typeof end === 'string' && Object.hasOwn(subject.contract.properties, end)
  if (way === undefined || !isOwn(least) || !isOwn(most) || !equal(trail, { given, moves: [] })) return undefined
  const [usual, now] = [
    await subject.look(subject.middle, saidRange(way.control)),
    await subject.look(given, saidRange(way.control)),
  ]
  if (usual === undefined || now === undefined) return undefined
  const hears = (end: 'least' | 'most') =>
    usual[end] !== now[end] && now[end] === String(given[value.bounds[end] as string])
  const isDeaf = (end: 'least' | 'most') =>
    usual[end] === now[end] &&
    given[value.bounds[end] as string] !== undefined &&
    now[end] !== String(given[value.bounds[end] as string])
  const deaf = (['least', 'most'] as const).find((end) => isDeaf(end) && hears(end === 'least' ? 'most' : 'least'))
  if (deaf === undefined) return undefined
  const name = value.bounds[deaf] as string
  return {
    row: rows.length - 1,
    says: `the ${way.control.kind} “${way.control.label}” never hears of ${name}`,
    expected: `its ${deaf} to be ${printed(given[name])}`,
    found: now[deaf] === '' ? 'none' : now[deaf],
    cause: `${name} is not passed on`,
  }
}
