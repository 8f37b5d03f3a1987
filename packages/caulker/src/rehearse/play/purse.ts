import { equal, isEmpty } from '../../contract/index.js'
import { nameIn, type Move } from './move.js'
import type { Plan } from './plan.js'
import { keyed } from './sight.js'
import type { Kept } from './stage.js'
import { samplesFor } from './values.js'

/** How much may still be done on a trail. */
export interface Purse {
  readonly edits: number
  readonly failures: number
  /** The part of the wiring that this trail is about, once something in it was edited; below 0 before. */
  readonly part: number
}

/** One trail is about one part of the wiring, and about what has to be filled in to get on. */
export function isAbout({ touching }: Plan, { part }: Purse, cell: number): boolean {
  return part < 0 || touching.isGate(cell) || touching.partOf(cell) === part
}

/** The part that a trail is about after a move: the first that is edited and is not only a gate. */
export function partAfter(plan: Plan, { slots, parts }: Kept, { part }: Purse, move: Move): number {
  if (part >= 0) return part
  const cell =
    'edit' in move ? editedCell(plan, parts, move) : 'set' in move ? setCell(plan, slots, move) : loadedCell(plan, move)
  if (cell < 0) return -1
  const isUsual = 'edit' in move && plan.touching.isGate(cell) && isPlain(plan, cell, move.to)
  return isUsual ? -1 : plan.touching.partOf(cell)
}

/** Whether something that has to be filled in is filled in with the first that comes to mind. */
function isPlain({ machine }: Plan, cell: number, to: unknown): boolean {
  const clause = machine.cells[cell]
  const first = clause && samplesFor(clause.type).find((one) => !isEmpty(one) && !equal(one, clause.initial))
  return equal(to, first)
}

function editedCell({ links }: Plan, parts: Kept['parts'], { edit, row }: Extract<Move, { edit: string }>): number {
  const { fitting, name } = nameIn(edit)
  const part = parts.get(keyed(fitting, row))?.part
  return links[part?.index ?? -1]?.find(({ value }) => value.name === name)?.cell ?? -1
}

/** A load that fails is what its trail is about. */
function loadedCell({ machine }: Plan, move: Move): number {
  const name = 'fail' in move ? move.fail : 'never' in move ? move.never : ''
  const sites = machine.sites.filter((site) => site.name === name)
  return sites.every(({ kind }) => kind === 'load') ? (sites[0]?.into ?? -1) : -1
}

function setCell({ machine }: Plan, slots: Kept['slots'], { set }: Extract<Move, { set: object }>): number {
  const [name = ''] = Object.keys(set)
  const front = machine.screens[slots[machine.slots.front] as number]
  return front?.places.cells.get(name) ?? machine.cells.findIndex((cell) => cell.name === name)
}
