import { equal } from '../../contract/index.js'
import type { DraftPlan, OpenDraft } from '../plan/index.js'
import { entries, keyOf, memberOf } from './work.js'

/** The member of the entries that a draft in rows edits, and the member that tells them apart. */
export type RowField = NonNullable<DraftPlan['row']>

/** By key, what is edited. */
export type Edits = ReadonlyMap<string, unknown>

/** A draft in rows is a copy of the whole list: what differs in its one member, entry by entry, is what is being edited. */
export function editsOf({ key, member }: RowField, { base, copy }: Pick<OpenDraft, 'base' | 'copy'>): Edits {
  const before = new Map(entries(base).map((entry) => [keyOf(entry, key), entry]))
  return new Map(
    entries(copy)
      .filter((entry) => !equal(memberOf(before.get(keyOf(entry, key)), member), memberOf(entry, member)))
      .map((entry) => [keyOf(entry, key), memberOf(entry, member)]),
  )
}

/** A list with what is edited in it; an entry that is not there is left out. */
export function withEdits({ key, member }: RowField, list: unknown, edits: Edits): unknown {
  return entries(list).map((entry) => {
    const at = keyOf(entry, key)
    return edits.has(at) ? { ...entry, [member]: edits.get(at) } : entry
  })
}

/** What is edited in one row; in all of them where none is named. */
export function editsIn(edits: Edits, row: string | undefined): Edits {
  return row === undefined ? edits : new Map([...edits].filter(([key]) => key === row))
}

/** What an entry of a list holds in the member that is edited. */
export function heldIn({ key, member }: RowField, list: unknown, row: string): unknown {
  return memberOf(
    entries(list).find((entry) => keyOf(entry, key) === row),
    member,
  )
}

/** Whether an entry is in a list. */
export function hasRow({ key }: RowField, list: unknown, row: string): boolean {
  return entries(list).some((entry) => keyOf(entry, key) === row)
}

/** A draft over a list that has changed: what is edited stays, everything else follows; nothing where nothing is edited any more. */
export function rebased(field: RowField, draft: OpenDraft, list: unknown, edits: Edits): OpenDraft | undefined {
  const still = new Map([...edits].filter(([row]) => hasRow(field, list, row)))
  if (still.size === 0) return undefined
  const began = new Map([...still.keys()].map((row) => [row, heldIn(field, draft.base, row)]))
  const base = withEdits(field, list, began)
  const sent = draft.sent && withEdits(field, base, editsOf(field, { base: draft.base, copy: draft.sent.copy }))
  return {
    base,
    copy: withEdits(field, list, still),
    isOvertaken: [...began].some(([row, before]) => !equal(heldIn(field, list, row), before)),
    sent: sent === undefined || equal(sent, base) ? undefined : { copy: sent },
  }
}
