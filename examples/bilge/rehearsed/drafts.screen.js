import { discard, draft, oneWay, reset, save, screen, set, shownWhile, states, twoWay, Type } from 'caulker'
import { nativeButton, nativeOutput, nativeText } from 'caulker/dom'
import { slipOffice } from './slip-office.js'

const text = { type: Type.String(), initial: '' }

// Starting again brings the vessel back, and leaves the remark that was being typed.
export const draftOutlivesReset = screen('draft-outlives-reset', {
  cells: { vessel: text, remark: text },
  fittings: { vessel: nativeText, remark: nativeText, keep: nativeButton, drop: nativeButton, again: nativeButton },
  actions: ({ fittings }) => ({ keep: [save(fittings.remark)], drop: [discard(fittings.remark)], again: [reset()] }),
  bind: ({ cells, actions }) => ({
    vessel: { value: twoWay(cells.vessel) },
    remark: { value: draft(cells.remark) },
    keep: { text: 'Keep', on: { press: actions.keep } },
    drop: { text: 'Forget it', on: { press: actions.drop } },
    again: { text: 'Start again', on: { press: actions.again } },
  }),
  reset: { to: 'initial', cells: ['vessel'] },
})

// The remark is saved with the whole record, the foreman as he was before.
export const oneUndoesTheOther = screen('one-undoes-the-other', {
  cells: { number: { type: Type.String(), initial: 'MC-104' }, remark: text, foreman: text },
  sources: { office: slipOffice },
  fittings: {
    remark: nativeText,
    foreman: nativeText,
    keep: nativeButton,
    keepForeman: nativeButton,
    problem: nativeOutput,
  },
  actions: ({ cells, fittings, sources }) => {
    const record = { number: cells.number, remark: cells.remark, foreman: cells.foreman }
    return {
      keep: [save(fittings.remark, { to: sources.office.record, given: record })],
      keepForeman: [save(fittings.foreman, { to: sources.office.record, given: record })],
    }
  },
  bind: ({ cells, actions }) => ({
    remark: { value: draft(cells.remark) },
    foreman: { value: draft(cells.foreman) },
    keep: { text: 'Keep the remark', on: { press: actions.keep } },
    keepForeman: { text: 'Keep the foreman', on: { press: actions.keepForeman } },
    problem: { text: oneWay(states.problem()) },
  }),
})

// Cancelling takes the field away; what was typed in it waits there.
export const cancelledComesBack = screen('cancelled-comes-back', {
  cells: { isOpen: { type: Type.Boolean(), initial: false }, remark: text },
  fittings: { open: nativeButton, remark: nativeText, keep: nativeButton, cancel: nativeButton },
  shown: ({ cells }) => ({ remark: shownWhile(cells.isOpen) }),
  actions: ({ cells, fittings }) => ({
    open: [set(cells.isOpen, true)],
    keep: [save(fittings.remark), set(cells.isOpen, false)],
    cancel: [set(cells.isOpen, false)],
  }),
  bind: ({ cells, actions }) => ({
    open: { text: 'A remark', on: { press: actions.open } },
    remark: { value: draft(cells.remark) },
    keep: { text: 'Keep', on: { press: actions.keep } },
    cancel: { text: 'Cancel', on: { press: actions.cancel } },
  }),
})
