import { equal, settle } from '../../contract/index.js'
import type { BoundName, DraftPlan, OpenDraft } from '../plan/index.js'
import { atBounds } from './bounds.js'
import { revisionOf, send } from './calls.js'
import { propose, touchCell } from './propose.js'
import { dropUnfinished } from './unfinished.js'
import { draftOf, put, setProblem, was, type Setting, type Work } from './work.js'

/** An edit opens a draft, or changes its copy; the copy is held to what its cell is held to. */
export function editDraft(work: Work, bound: BoundName, value: unknown): void {
  const plan = planOf(work, bound.draft)
  const open = draftOf(work, bound.draft)
  const cell = work.slots[plan.cell]
  const before = open === undefined ? cell : open.copy
  touchCell(work, plan.screen, plan.cell, 'edited')
  const settled = judged(work, plan, bound, value, before)
  if (!settled.stands) {
    work.refusals.push({ cell: plan.name, value, reason: settled.reason })
    return setProblem(work, plan.screen, `${plan.cell}`, { text: settled.reason, from: 'refusal' })
  }
  setProblem(work, plan.screen, `${plan.cell}`)
  if (open === undefined && equal(settled.value, cell)) return
  const draft = open ?? { base: cell, isOvertaken: false, sent: undefined }
  put(work, plan.slot, { ...draft, copy: settled.value } satisfies OpenDraft)
}

/** Writes the open drafts of a fitting back, each only into its own field; what is sent is written once the answer has come. */
export function saveDrafts(work: Work, drafts: readonly number[], site: number, setting: Setting): void {
  const open = drafts.filter((at) => {
    const draft = draftOf(work, at)
    // Pressed twice, it is sent once, unless the copy has changed.
    return draft !== undefined && (draft.sent === undefined || !equal(draft.sent.copy, draft.copy))
  })
  if (open.length === 0 || !open.every((at) => isSound(work, at))) return
  if (site < 0) return open.forEach((at) => stands(work, at, draftOf(work, at)?.copy))
  const instead = new Map(open.map((at) => [planOf(work, at).cell, draftOf(work, at)?.copy]))
  for (const at of open) {
    const draft = draftOf(work, at) as OpenDraft
    put(work, planOf(work, at).slot, { ...draft, sent: { copy: draft.copy } })
  }
  send(work, site, setting, { instead, drafts: open })
}

export function discardDrafts(work: Work, drafts: readonly number[]): void {
  for (const at of drafts) {
    const plan = planOf(work, at)
    put(work, plan.slot, undefined)
    setProblem(work, plan.screen, `${plan.cell}`)
    dropUnfinished(work, plan.screen, plan.cell)
  }
}

/** What was sent has been taken: it stands in the cell, unless the cell has changed meanwhile; the draft closes, unless it was edited on. */
export function draftTaken(work: Work, at: number, copy: unknown): void {
  const plan = planOf(work, at)
  const draft = draftOf(work, at)
  if (draft !== undefined && !equal(work.slots[plan.cell], draft.base))
    return put(work, plan.slot, { ...draft, isOvertaken: true, sent: unsent(draft, copy) })
  // Discarded meanwhile: the answer stands in the record, where nobody has changed it since.
  if (draft === undefined && work.answered?.writes[plan.cell] !== revisionOf(work, plan.cell)) return
  propose(work, plan.cell, copy)
  if (draft === undefined) return
  if (equal(draft.copy, copy)) put(work, plan.slot, undefined)
  else put(work, plan.slot, { ...draft, base: work.slots[plan.cell], isOvertaken: false, sent: unsent(draft, copy) })
}

/** What was sent has failed: the copy is still there. */
export function draftFailed(work: Work, at: number, copy: unknown, reason: string): void {
  const plan = planOf(work, at)
  const draft = draftOf(work, at)
  if (draft === undefined) return
  put(work, plan.slot, { ...draft, sent: unsent(draft, copy) })
  setProblem(work, plan.screen, `${plan.cell}`, { text: reason, from: 'answer' })
}

/** An outside change while a draft is open keeps the draft, and marks it overtaken. */
export function overtakeDrafts(work: Work): void {
  work.machine.drafts.forEach((plan, at) => {
    const draft = draftOf(work, at)
    const isOutside = draft !== undefined && was(work, plan.slot) !== undefined
    if (isOutside && !draft.isOvertaken && !equal(work.slots[plan.cell], draft.base))
      put(work, plan.slot, { ...draft, isOvertaken: true })
  })
}

/** Whether a screen has drafts that are open. */
export function openDrafts(work: Work, screen: number): number[] {
  return work.machine.drafts.flatMap((plan, at) =>
    plan.screen === screen && draftOf(work, at) !== undefined ? [at] : [],
  )
}

/** Without an answer that comes later: the copy goes the way of every proposal. */
function stands(work: Work, at: number, copy: unknown): void {
  const plan = planOf(work, at)
  propose(work, plan.cell, copy, { by: 'person', screen: plan.screen })
  put(work, plan.slot, undefined)
}

/** A copy is judged at each commit, and once more when it is saved. */
function isSound(work: Work, at: number): boolean {
  const plan = planOf(work, at)
  const bound = work.machine.fittings[plan.fitting]?.bound.find(({ draft }) => draft === at)
  const settled = bound && judged(work, plan, bound, draftOf(work, at)?.copy, work.slots[plan.cell])
  if (settled === undefined || settled.stands) return true
  work.refusals.push({ cell: plan.name, value: draftOf(work, at)?.copy, reason: settled.reason })
  setProblem(work, plan.screen, `${plan.cell}`, { text: settled.reason, from: 'draft' })
  return false
}

function judged(work: Work, { cell }: DraftPlan, bound: BoundName, value: unknown, before: unknown) {
  const clause = work.machine.cells[cell] as NonNullable<(typeof work.machine.cells)[number]>
  const amended = settle({ ...clause, refuse: [] }, value, before)
  if (!amended.stands) return amended
  const inside = atBounds(work, bound, amended.value, { by: 'person', movedFrom: before })
  return inside.stands ? settle({ ...clause, amend: [] }, inside.value, before) : inside
}

/** What was sent last is still to be answered where something else was sent after it. */
function unsent(draft: OpenDraft, copy: unknown): OpenDraft['sent'] {
  return draft.sent !== undefined && equal(draft.sent.copy, copy) ? undefined : draft.sent
}

function planOf({ machine }: Work, at: number): DraftPlan {
  return machine.drafts[at] as DraftPlan
}
