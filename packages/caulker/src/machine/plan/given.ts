import { pointerParts } from '../../contract/index.js'
import { isPayload, type Readable } from '../../wiring/index.js'
import type { Given } from './machine.js'

/** Finds the slot of what is read; nothing where the name leads nowhere. */
export type SlotOf = (source: Readable<unknown>) => number | undefined

/** Where a step takes its value from. */
export function givenOf(value: unknown, slotOf: SlotOf): Given {
  if (isPayload(value)) return { from: 'payload', at: pointerParts(value.at) ?? [] }
  if (isReadable(value)) {
    const slot = slotOf(value)
    if (slot === undefined) return { from: 'constant', value: undefined }
    const member = value.kind === 'cell' && value.row !== undefined ? value.member : undefined
    return member === undefined ? { from: 'slot', slot } : { from: 'row', slot, member }
  }
  if (!isPlainObject(value)) return { from: 'constant', value }
  const members = Object.entries(value).map(([name, one]) => [name, givenOf(one, slotOf)] as const)
  return members.some(([, { from }]) => from !== 'constant') ? { from: 'object', members } : { from: 'constant', value }
}

/** The slots that are given as they are, by the member that each becomes; one without a member is ''. */
export function slotsGiven(given: Given): [member: string, slot: number][] {
  if (given.from === 'slot') return [['', given.slot]]
  if (given.from !== 'object') return []
  return given.members.flatMap(([name, one]): [string, number][] => (one.from === 'slot' ? [[name, one.slot]] : []))
}

function isReadable(value: unknown): value is Readable<unknown> {
  const kind = (value as { kind?: unknown } | null | undefined)?.kind
  return (kind === 'cell' || kind === 'reckoned') && 'name' in (value as object)
}

function isPlainObject(value: unknown): value is object {
  return typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype
}
