import { equal, settle, type Settled } from '../../contract/index.js'
import type { BoundName, DraftPlan, OpenDraft } from '../plan/index.js'
import { atBounds } from './bounds.js'
import { revisionOf, send } from './calls.js'
import { propose, touchCell } from './propose.js'
import { editsIn, editsOf, hasRow, heldIn, rebased, withEdits, type Edits, type RowField } from './row-drafts.js'
import { dropUnfinished } from './unfinished.js'
import { draftOf, entries, keyOf, put, setProblem, was, type Setting, type Work } from './work.js'

/** An edit opens a draft, or changes its copy; the copy is held to what its cell is held to. */
export function editDraft(work: Work, bound: BoundName, value: unknown, row?: string): void {
  const plan = planOf(work, bound.draft)
  const open = draftOf(work, bound.draft)
  const cell = work.slots[plan.cell]
  const place = placeOf(plan, row)
  touchCell(work, plan.screen, plan.cell, 'edited')
  const settled = judged(work, plan, bound, value, open?.copy ?? cell, row)
  if (!settled.stands) {
    work.refusals.push({ cell: plan.name, value, reason: settled.reason })
    return setProblem(work, plan.screen, place, { text: settled.reason, from: 'refusal' })
  }
  setProblem(work, plan.screen, place)
  if (open === undefined && equal(settled.value, cell)) return
  const draft = open ?? { base: cell, isOvertaken: false, sent: undefined }
  const now: OpenDraft = { ...draft, copy: settled.value }
  // Of rows, it is open as long as something is edited in one of them.
  const isOver = plan.row !== undefined && now.sent === undefined && editsOf(plan.row, now).size === 0
  put(work, plan.slot, isOver ? undefined : now)
}

/**
 * Writes the open drafts of a fitting back, each only into its own field, and of rows only the one that it was asked for in; what is sent
 * is written once the answer has come.
 */
export function saveDrafts(work: Work, drafts: readonly number[], site: number, setting: Setting): void {
  const rowAt = (at: number) => rowOf(work, planOf(work, at), setting.row)
  const open = drafts.filter((at) => isUnsent(planOf(work, at), draftOf(work, at), rowAt(at)))
  if (open.length === 0 || !open.every((at) => isSound(work, at, rowAt(at)))) return
  if (site < 0) return open.forEach((at) => stands(work, at, rowAt(at)))
  const instead = new Map<number, unknown>()
  for (const at of open) {
    const { cell, slot, row: field } = planOf(work, at)
    const draft = draftOf(work, at) as OpenDraft
    if (field === undefined) {
      instead.set(cell, draft.copy)
      put(work, slot, { ...draft, sent: { copy: draft.copy } })
      continue
    }
    const edits = editsIn(editsOf(field, draft), rowAt(at))
    instead.set(cell, withEdits(field, instead.get(cell) ?? work.slots[cell], edits))
    put(work, slot, { ...draft, sent: { copy: withEdits(field, draft.sent?.copy ?? draft.base, edits) } })
  }
  send(work, site, setting, { instead, drafts: open })
}

/** Forgets what is edited; of rows only in the one that it was asked for in. */
export function discardDrafts(work: Work, drafts: readonly number[], from?: string): void {
  for (const at of drafts) {
    const plan = planOf(work, at)
    const row = rowOf(work, plan, from)
    const draft = draftOf(work, at)
    const { row: field } = plan
    const isOfRows = field !== undefined && draft !== undefined
    put(work, plan.slot, isOfRows ? goesOn(work, plan, field, draft, without(editsOf(field, draft), row)) : undefined)
    setProblem(work, plan.screen, placeOf(plan, row))
    dropUnfinished(work, plan.screen, plan.cell)
  }
}

/** What was sent has been taken: it stands in the cell, unless the cell has changed meanwhile; the draft closes, unless it was edited on. */
export function draftTaken(work: Work, at: number, copy: unknown, from?: string): void {
  const plan = planOf(work, at)
  const row = rowOf(work, plan, from)
  const draft = draftOf(work, at)
  if (plan.row !== undefined) return rowTaken(work, plan, plan.row, draft, copy, row)
  if (draft !== undefined && !equal(work.slots[plan.cell], draft.base))
    return put(work, plan.slot, { ...draft, isOvertaken: true, sent: unsent(draft, copy) })
  // Discarded meanwhile: the answer stands in the record, where nobody has changed it since.
  if (draft === undefined && work.answered?.writes[plan.cell] !== revisionOf(work, plan.cell)) return
  propose(work, plan.cell, copy)
  if (draft === undefined) return
  if (equal(draft.copy, copy)) put(work, plan.slot, undefined)
  else put(work, plan.slot, { ...draft, base: work.slots[plan.cell], isOvertaken: false, sent: unsent(draft, copy) })
}

/** The same for the rows that were sent: what others hold, and what is edited in them, is left alone. */
function rowTaken(
  work: Work,
  plan: DraftPlan,
  field: RowField,
  draft: OpenDraft | undefined,
  copy: unknown,
  row: string | undefined,
): void {
  const list = work.slots[plan.cell]
  if (draft === undefined && work.answered?.writes[plan.cell] !== revisionOf(work, plan.cell)) return
  const all = editsOf(field, { base: draft?.base ?? list, copy })
  const taken = new Map(
    [...editsIn(all, row)].filter(([key]) => draft === undefined || isAsBegun(field, draft, list, key)),
  )
  propose(work, plan.cell, withEdits(field, list, taken))
  if (draft === undefined) return
  const now = work.slots[plan.cell]
  const left = new Map(
    [...editsOf(field, draft)].filter(([key, edit]) => !taken.has(key) || !equal(edit, taken.get(key))),
  )
  const answered = {
    ...draft,
    base: withEdits(field, draft.base, taken),
    sent: rowsUnsent(field, draft, editsIn(all, row)),
  }
  put(work, plan.slot, rebased(field, answered, now, left))
}

/** What was sent has failed: the copy is still there. */
export function draftFailed(work: Work, at: number, copy: unknown, reason: string, from?: string): void {
  const plan = planOf(work, at)
  const row = rowOf(work, plan, from)
  const draft = draftOf(work, at)
  if (draft === undefined) return
  const { row: field } = plan
  const sent =
    field === undefined
      ? unsent(draft, copy)
      : rowsUnsent(field, draft, editsIn(editsOf(field, { base: draft.base, copy }), row))
  put(work, plan.slot, { ...draft, sent })
  setProblem(work, plan.screen, placeOf(plan, row), { text: reason, from: 'answer' })
}

/** An outside change while a draft is open keeps the draft, and marks it overtaken; of rows, only where what is edited has changed. */
export function overtakeDrafts(work: Work): void {
  work.machine.drafts.forEach((plan, at) => {
    const draft = draftOf(work, at)
    const { row: field } = plan
    if (draft === undefined || was(work, plan.slot) === undefined) return
    const list = work.slots[plan.cell]
    if (equal(list, draft.base)) return
    if (field === undefined) {
      if (!draft.isOvertaken) put(work, plan.slot, { ...draft, isOvertaken: true })
    } else if (!equal(list, was(work, plan.cell)))
      put(work, plan.slot, rebased(field, draft, list, editsOf(field, draft)))
  })
}

/** Whether a screen has drafts that are open. */
export function openDrafts(work: Work, screen: number): number[] {
  return work.machine.drafts.flatMap((plan, at) =>
    plan.screen === screen && draftOf(work, at) !== undefined ? [at] : [],
  )
}

/** Without an answer that comes later: the copy goes the way of every proposal. */
function stands(work: Work, at: number, row: string | undefined): void {
  const plan = planOf(work, at)
  const draft = draftOf(work, at) as OpenDraft
  const from = { by: 'person', screen: plan.screen } as const
  if (plan.row === undefined) {
    propose(work, plan.cell, draft.copy, from)
    return put(work, plan.slot, undefined)
  }
  const all = editsOf(plan.row, draft)
  propose(work, plan.cell, withEdits(plan.row, work.slots[plan.cell], editsIn(all, row)), from)
  put(work, plan.slot, goesOn(work, plan, plan.row, draft, without(all, row)))
}

/** Pressed twice, it is sent once, unless the copy has changed. */
function isUnsent({ row: field }: DraftPlan, draft: OpenDraft | undefined, row: string | undefined): boolean {
  if (draft === undefined) return false
  const { sent } = draft
  if (field === undefined) return sent === undefined || !equal(sent.copy, draft.copy)
  return [...editsIn(editsOf(field, draft), row)].some(
    ([key, edit]) =>
      sent === undefined ||
      !equal(edit, heldIn(field, sent.copy, key)) ||
      equal(heldIn(field, sent.copy, key), heldIn(field, draft.base, key)),
  )
}

/** A copy is judged at each commit, and once more when it is saved. */
function isSound(work: Work, at: number, row: string | undefined): boolean {
  const plan = planOf(work, at)
  const bound = work.machine.fittings[plan.fitting]?.bound.find(({ draft }) => draft === at)
  const draft = draftOf(work, at)
  if (bound === undefined || draft === undefined) return true
  const copies: [value: unknown, row: string | undefined][] =
    plan.row === undefined
      ? [[draft.copy, undefined]]
      : [...editsIn(editsOf(plan.row, draft), row)].map(([key, edit]) => [edit, key])
  for (const [copy, key] of copies) {
    const settled = judged(work, plan, bound, copy, work.slots[plan.cell], key)
    if (settled.stands) continue
    work.refusals.push({ cell: plan.name, value: copy, reason: settled.reason })
    setProblem(work, plan.screen, placeOf(plan, key), { text: settled.reason, from: 'draft' })
    return false
  }
  return true
}

/** What becomes of an edit: of rows, the list with it. */
function judged(
  work: Work,
  plan: DraftPlan,
  bound: BoundName,
  value: unknown,
  before: unknown,
  row: string | undefined,
): Settled {
  const clause = work.machine.cells[plan.cell] as NonNullable<(typeof work.machine.cells)[number]>
  const { row: field } = plan
  if (field !== undefined && row !== undefined) {
    const entry = entries(work.slots[plan.cell]).find((one) => keyOf(one, field.key) === row)
    const inside = atBounds(work, bound, value, { by: 'person', entry, movedFrom: heldIn(field, before, row) })
    return inside.stands ? settle(clause, withEdits(field, before, new Map([[row, inside.value]])), before) : inside
  }
  const amended = settle({ ...clause, refuse: [] }, value, before)
  if (!amended.stands) return amended
  const inside = atBounds(work, bound, amended.value, { by: 'person', movedFrom: before })
  return inside.stands ? settle({ ...clause, amend: [] }, inside.value, before) : inside
}

const NONE: Edits = new Map()

/** What is edited elsewhere than in the row that is named; nothing where none is. */
function without(edits: Edits, row: string | undefined): Edits {
  return row === undefined ? NONE : new Map([...edits].filter(([key]) => key !== row))
}

function goesOn(work: Work, plan: DraftPlan, field: RowField, draft: OpenDraft, edits: Edits): OpenDraft | undefined {
  return rebased(field, draft, work.slots[plan.cell], edits)
}

/** Whether an entry still holds what it held when its edit began. */
function isAsBegun(field: RowField, { base }: OpenDraft, list: unknown, row: string): boolean {
  return equal(heldIn(field, list, row), heldIn(field, base, row))
}

/** What was sent last is still to be answered where something else was sent after it. */
function unsent(draft: OpenDraft, copy: unknown): OpenDraft['sent'] {
  return draft.sent !== undefined && equal(draft.sent.copy, copy) ? undefined : draft.sent
}

/** The rows that are still to be answered once some were. */
function rowsUnsent(field: RowField, { base, sent }: OpenDraft, answered: Edits): OpenDraft['sent'] {
  if (sent === undefined) return undefined
  const left = new Map(
    [...editsOf(field, { base, copy: sent.copy })].filter(
      ([row, edit]) => !answered.has(row) || !equal(edit, answered.get(row)),
    ),
  )
  return left.size === 0 ? undefined : { copy: withEdits(field, base, left) }
}

/** The row that something was set off from, where it is one of this draft's list: from elsewhere, all of them are meant. */
function rowOf(work: Work, { cell, row: field }: DraftPlan, from: string | undefined): string | undefined {
  return field !== undefined && from !== undefined && hasRow(field, work.slots[cell], from) ? from : undefined
}

function placeOf({ cell, row: field }: DraftPlan, row: string | undefined): string {
  return field === undefined || row === undefined ? `${cell}` : `${cell}/${row}/${field.member}`
}

function planOf({ machine }: Work, at: number): DraftPlan {
  return machine.drafts[at] as DraftPlan
}
