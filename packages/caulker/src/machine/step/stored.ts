import { equal } from '../../contract/index.js'
import type { Machine, OpenDraft, PendingCall, Way } from '../plan/index.js'
import type { State } from './input.js'
import { put, setProblem, type Work } from './work.js'

/** What a running journey leaves for the next time, as plain JSON: what it holds, the way, open drafts; never calls or unfinished text. */
export interface Stored {
  readonly cells: Readonly<Record<string, unknown>>
  readonly way: { readonly entries: readonly string[]; readonly at: number }
  readonly drafts: Readonly<Record<string, { readonly base: unknown; readonly copy: unknown }>>
  /** The operations that were out. */
  readonly out: readonly string[]
}

/** What is worth storing of a state; what cannot be written as JSON, such as a file, is left out. */
export function storedOf(machine: Machine, state: State): Stored {
  const way = state[machine.slots.way] as Way
  const calls = state[machine.slots.calls] as readonly PendingCall[]
  const entries = machine.cells.map(({ name }, cell) => [name, state[cell]] as const)
  const drafts = machine.drafts.flatMap(({ name, slot }) => {
    const draft = state[slot] as OpenDraft | undefined
    return draft === undefined || !isPlain([draft.base, draft.copy])
      ? []
      : [[name, { base: draft.base, copy: draft.copy }] as const]
  })
  return {
    cells: Object.fromEntries(entries.filter(([, value]) => value !== undefined && isPlain(value))),
    way: { entries: way.entries.map((one) => machine.screens[one]?.name ?? ''), at: way.at },
    drafts: Object.fromEntries(drafts),
    out: calls.flatMap(({ site, isExpired }) => {
      const { name, operation } = machine.sites[site] as Machine['sites'][number]
      return isExpired || operation.effect === 'reads' ? [] : [name]
    }),
  }
}

/** What was stored, as far as it belongs to this machine; nothing where it is damaged. */
export function storedFrom(machine: Machine, value: unknown): Stored | undefined {
  if (!isRecord(value)) return undefined
  const { cells, way, drafts, out } = value
  if (!isRecord(cells) || !isRecord(way) || !isRecord(drafts) || !Array.isArray(out)) return undefined
  const { entries, at } = way
  const names = machine.screens.map(({ name }) => name)
  const isWay = Array.isArray(entries) && entries.every((name) => names.includes(name as string))
  if (!isWay || typeof at !== 'number' || (entries.length > 0 && entries[at] === undefined)) return undefined
  if (!Object.values(drafts).every((draft) => isRecord(draft) && 'base' in draft && 'copy' in draft)) return undefined
  return value as unknown as Stored
}

/** The way, the open drafts, and what is not known, into a first state. */
export function putBack(work: Work, { way, drafts, out }: Stored): void {
  const { machine } = work
  const entries = way.entries.map((name) => machine.screens.findIndex((screen) => screen.name === name))
  const front = entries[way.at] ?? 0
  put(work, machine.slots.way, { entries, at: way.at })
  put(work, machine.slots.front, front)
  for (const { name, slot, cell } of machine.drafts) {
    const draft = drafts[name]
    if (draft !== undefined)
      put(work, slot, { ...draft, isOvertaken: !equal(draft.base, work.slots[cell]), sent: undefined })
  }
  if (out.length > 0)
    setProblem(work, front, '', {
      text: `It is not known whether what was sent has arrived (${out.join(', ')})`,
      from: 'answer',
    })
}

function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

/** Whether something comes back from JSON as it was. */
function isPlain(value: unknown): boolean {
  if (value === null || typeof value === 'string' || typeof value === 'boolean') return true
  if (typeof value === 'number') return Number.isFinite(value)
  if (Array.isArray(value)) return value.every(isPlain)
  return isRecord(value) && Object.getPrototypeOf(value) === Object.prototype && Object.values(value).every(isPlain)
}
