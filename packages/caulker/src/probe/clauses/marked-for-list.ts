import { accepts, equal, printed, type ValueClause } from '../../contract/index.js'
import { findControl, optionsOf } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Move, type Trail } from '../stage/trail.js'
import { onceFor } from '../subject/once-for.js'
import type { Subject, Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { listIn, listsOf } from './lists.js'

/** A list in which an entry is marked, and a button that then adds it to a value, or takes it out. */
interface Carried {
  readonly value: ValueClause
  readonly way: Way
  readonly moves: readonly [Move, Move]
  readonly by: 1 | -1
}

const MOST_ENTRIES = 4

/** Each entry that can be marked, on a list with nothing in it. */
export async function* carriedEach(subject: Subject): AsyncIterable<Trail> {
  for (const { value, way, moves } of await carriedIn(subject, 1))
    for (let option = 0; option < MOST_ENTRIES; option++)
      yield { given: { ...way.given, [value.name]: value.empty }, moves: marked(moves, option) }
}

/** An entry that is marked and not carried over, where others are. */
export async function notCarried(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [mark] = trail.moves
  const row = rows[2]
  if (row === undefined || !isDone(mark, 'choose')) return undefined
  for (const { value, way, moves } of await carriedIn(subject, 1)) {
    const { name, empty } = value
    const given = { ...way.given, [name]: empty }
    if (!equal(trail, { given, moves: marked(moves, mark.gesture.option) })) continue
    if (rows.some((one) => (one.fault ?? one.impossible) !== undefined)) return undefined
    if (row.heard.length > 0 || !equal(row.read[name], empty)) return undefined
    let others = 0
    for (let option = 0; option < MOST_ENTRIES; option++) {
      const { rows: other } = await subject.play({ given, moves: marked(moves, option) })
      if (listIn(other[2]?.read[name]).length > 0) others++
    }
    const { on, option } = mark.gesture
    const entry = await subject.look(given, (container) => {
      const list = findControl(container, on)
      const found = list === undefined ? undefined : optionsOf(list)[option]
      return found && { text: found.textContent?.trim() ?? '', isOff: found.matches(':disabled, [aria-disabled=true]') }
    })
    if (others < 2 || entry === undefined || entry.isOff || entry.text === '') return undefined
    return {
      row: 2,
      says: `“${entry.text}” is marked and not taken over into ${name}, as others are`,
      expected: `a report of ${name}`,
      found: 'nothing is heard, and nothing changes',
      cause: 'what stands for it is taken for nothing',
    }
  }
  return undefined
}

/** The first of several entries, marked and taken out. */
export async function* takenOutOfSeveral(subject: Subject): AsyncIterable<Trail> {
  for (const { value, way, moves } of await carriedIn(subject, -1))
    for (const several of severalOf(subject, value))
      yield { given: { ...way.given, [value.name]: several }, moves: marked(moves, 0) }
}

/** What is marked is taken out, and all the others go along. */
export async function takenOutAll(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const row = rows[2]
  for (const { value, way, moves } of row === undefined ? [] : await carriedIn(subject, -1))
    for (const several of severalOf(subject, value)) {
      const given = { ...way.given, [value.name]: several }
      if (!equal(trail, { given, moves: marked(moves, 0) }) || !equal(rows[0].read[value.name], several)) continue
      const left = row?.read[value.name]
      if (listIn(left).length > 0 || !equal(rows[1]?.read[value.name], several)) continue
      // What takes all of them out without any mark is there for that.
      const unmarked = await subject.play({ given, moves: moves.slice(1) })
      if (!equal(unmarked.rows[1]?.read[value.name], several)) continue
      return {
        row: 2,
        says: `one entry of ${value.name} is marked, and all are taken out`,
        expected: `${String(several.length - 1)} left in ${value.name}`,
        found: `${value.name} ${printed(left)}`,
      }
    }
  return undefined
}

const carriedOf = onceFor(lookForCarried)

async function carriedIn(subject: Subject, by: Carried['by']): Promise<Carried[]> {
  return (await carriedOf(subject)).filter((one) => one.by === by)
}

/** Each button once that makes a list longer or shorter by one entry, when one was marked. */
async function lookForCarried(subject: Subject): Promise<Carried[]> {
  const found: Carried[] = []
  for (const value of listsOf(subject))
    for (const way of subject.ways.filter(({ changes }) => changes.has(value.name))) {
      const [mark, press, ...others] = way.moves
      if (mark === undefined || !isDone(mark, 'choose') || !isDone(press, 'press') || others.length > 0) continue
      if (found.some((one) => equal(one.way.control, way.control) && one.value === value)) continue
      const { rows } = await subject.play({ given: way.given, moves: way.moves })
      const by = listIn(rows[2]?.read[value.name]).length - listIn(rows[0].read[value.name]).length
      if (by === 1 || by === -1) found.push({ value, way, moves: [mark, press], by })
    }
  return found
}

function marked([mark, press]: Carried['moves'], option: number): Move[] {
  return isDone(mark, 'choose') ? [gesture({ ...mark.gesture, option }), press] : []
}

function severalOf(subject: Subject, { name, type }: ValueClause): readonly (readonly unknown[])[] {
  return subject
    .plain(name)
    .map(listIn)
    .filter((one) => one.length > 1 && accepts(type, one))
    .slice(0, 1)
}
