import { equal, printed } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { isDone, type Trail } from '../stage/trail.js'
import { onceFor } from '../subject/once-for.js'
import type { Subject, Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

interface Stepping {
  readonly name: string
  readonly way: Way
  /** By how much a press changes the number, from each of two values. */
  readonly by: readonly number[]
}

/** The two buttons that change a number, each from two values. */
const steppingButtons = onceFor(lookForStepping)

async function lookForStepping(subject: Subject): Promise<Stepping[]> {
  const found: Stepping[] = []
  for (const { name } of subject.values) {
    const starts = subject.plain(name).filter((one): one is number => typeof one === 'number')
    const buttons = onePerPlace(subject.ways.filter((way) => isPress(way) && way.changes.has(name)))
    if (starts.length < 2 || buttons.length !== 2) continue
    for (const way of buttons) {
      const by: number[] = []
      for (const start of starts.slice(0, 2)) {
        const { rows } = await subject.play({ given: { ...way.given, [name]: start }, moves: way.moves })
        by.push(Number(rows[1]?.read[name]) - Number(rows[0].read[name]))
      }
      found.push({ name, way, by })
    }
  }
  return found
}

/** One button may be called otherwise with each number that it shows: it is told from another by its place. */
function onePerPlace(ways: readonly Way[]): Way[] {
  return ways.filter(({ control }, at) => ways.findIndex((one) => one.control.nth === control.nth) === at)
}

function isPress({ control, moves, changes }: Way): boolean {
  return control.kind === 'button' && moves.length === 1 && isDone(moves[0], 'press') && changes.size === 1
}

export async function* pressedSteps(subject: Subject): AsyncIterable<Trail> {
  for (const { way } of await steppingButtons(subject)) yield { given: way.given, moves: way.moves }
}

/** Both go by the same distance in the same direction, from wherever it stands: there is no way back. */
export async function sameWay(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const all = await steppingButtons(subject)
  const mine = all.find(({ way }) => equal(way.moves, trail.moves) && equal(way.given, trail.given))
  const other = all.find((one) => one !== mine && one.name === mine?.name)
  const [by = 0] = mine?.by ?? []
  const isSteady = mine?.by.every((one) => one === by) === true && Number.isFinite(by) && by !== 0
  if (mine === undefined || other === undefined || rows[1] === undefined || !isSteady || !equal(mine.by, other.by))
    return undefined
  return {
    row: 1,
    says: `“${mine.way.control.label}” and “${other.way.control.label}” both change ${mine.name} by ${printed(by)}`,
    expected: 'one that goes up, and one that goes down',
    found: `${mine.name} ${printed(rows[1].read[mine.name])} after either of them`,
  }
}
