import { equal, printed } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { componentRef, findControl, optionsOf, type ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, isTell, tell, type Move, type Trail } from '../stage/trail.js'
import { oneAtEach, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { isOfCombo } from './ways-alike.js'

/** With how many combo boxes it is tried, and with how many names that stand otherwise. */
const MOST_LISTS = 2
const MOST_TOLD = 8

/** The list of a combo box is opened, closed by Escape, and opened again once its owner has told something else; and told before it is opened at all. */
export function* openedAgain(subject: Subject): Iterable<Trail> {
  const escape = gesture({ do: 'key', on: componentRef(subject.contract.tag), key: 'Escape' })
  for (const { given, control: on } of oneAtEach(subject.ways.filter(isOfCombo)).slice(0, MOST_LISTS))
    for (const { name } of subject.tellable.slice(0, MOST_TOLD))
      for (const other of subject.plain(name).slice(0, 2)) {
        if (equal(given[name], other)) continue
        const press = gesture({ do: 'press', on })
        yield { given, moves: [tell({ [name]: other }), press] }
        yield { given, moves: [press, escape, tell({ [name]: other }), press] }
      }
}

/** What it offers then is what it offers on a fresh mount with the same. */
export async function offersTheOld(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const press = trail.moves.at(-1)
  const told = trail.moves.at(-2)
  const row = rows[trail.moves.length]
  const isQuiet = rows.every(({ fault, impossible, heard }) => !(fault ?? impossible) && !heard.some(isOfValue))
  if (!isDone(press, 'press') || press.gesture.on.kind !== 'combo box' || told === undefined || !isTell(told))
    return undefined
  if (row === undefined || !isQuiet) return undefined
  const { on } = press.gesture
  const offered = (given: Trail['given'], moves: readonly Move[]) => subject.lookAfter(given, moves, offeredAt(on))
  const now = await offered(trail.given, trail.moves)
  const usual = usualInstead(subject, row.held, now ?? [])
  if (usual !== undefined)
    return {
      row: trail.moves.length,
      says: `what a press opens offers the usual ${usual.list}, whatever ${usual.list} is`,
      expected: `offered ${printed(row.held[usual.list], 80)}`,
      found: `offered ${printed(now, 80)}`,
      cause: 'its list is made before it is given anything, and not again',
    }
  const fresh = await offered({ ...trail.given, ...told.tell }, [press])
  // What opens it may close it again, where it is open still.
  if (now === undefined || fresh === undefined || now.length === 0 || fresh.length === 0 || equal(now, fresh))
    return undefined
  return {
    row: trail.moves.length,
    says: 'what a press opens offers something else than on a fresh mount with the same',
    expected: `offered ${printed(fresh, 80)}`,
    found: `offered ${printed(now, 80)}`,
    cause:
      trail.moves.length > 2
        ? 'its list is made when it is opened for the first time, and not again'
        : 'its list is made at the mount',
  }
}

/** The list that is given, where all that is offered is what stands there by default: a fresh mount may share the mistake. */
function usualInstead({ names, values }: Subject, held: Given, now: readonly string[]): { list: string } | undefined {
  for (const { among } of values) {
    const list = among?.list ?? ''
    const usual: unknown = names.find(({ name }) => name === list)?.default
    const given = held[list]
    if (!Array.isArray(usual) || !Array.isArray(given) || usual.length === 0 || given.length === 0) continue
    const isAll = (usual as unknown[]).every((entry) => typeof entry === 'string' && now.includes(entry))
    if (isAll && !given.some((entry: unknown) => typeof entry === 'string' && now.includes(entry))) return { list }
  }
  return undefined
}

function isOfValue({ value }: { readonly value?: string | undefined }): boolean {
  return value !== undefined
}

function offeredAt(on: ControlRef): (container: HTMLElement) => readonly string[] {
  return (container) => {
    const control = findControl(container, on)
    return control === undefined ? [] : optionsOf(control).map((option) => option.textContent?.trim() ?? '')
  }
}
