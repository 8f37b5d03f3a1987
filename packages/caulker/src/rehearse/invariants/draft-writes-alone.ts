import { equal, printed } from '../../contract/index.js'
import { slotsGiven, type OpenDraft } from '../../machine/index.js'
import { cellName, invariant, sentAt, sentIn } from './invariant.js'

/** A draft that is saved writes its own field, and undoes nothing of another. */
export const draftWritesAlone = invariant({
  id: 'draft-writes-alone',
  title: 'A saved draft writes its own field alone',
  why: 'Where the whole record goes with it, the other fields go as they were: what is being saved of them, or edited, is undone.',
  mend: 'Send the key of the record and the field itself, and nothing else that has a draft of its own.',
  watches: 'sends',
  *judge(passage) {
    const { plan, middle } = passage
    const { machine } = plan
    for (const { call, site, name } of sentIn(passage)) {
      if (site.kind !== 'save') continue
      const own = new Set(call.drafts)
      for (const [member, slot] of slotsGiven(site.given))
        for (const [at, draft] of machine.drafts.entries()) {
          const open = middle.slots[draft.slot] as OpenDraft | undefined
          const sent = (call.given as Record<string, unknown> | null)?.[member]
          if (own.has(at) || draft.cell !== slot || open === undefined || equal(open.copy, sent)) continue
          const other = machine.fittings[draft.fitting]?.name ?? ''
          yield {
            subject: `${name} ${cellName(machine, slot)}`,
            says: `${name} is sent ${printed(sent)} for ${member} with it, while ${other} is being edited to ${printed(open.copy)}: whichever is saved last undoes the other`,
            cells: [slot],
            fittings: [other],
            ...sentAt(machine, site),
          }
        }
    }
  },
})
