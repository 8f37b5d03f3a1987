import { announce, call, contract, draft, interior, oneWay, save, screen, set, twoWay, Type } from 'caulker'
import { nativeButton, nativeNumber } from 'caulker/dom'
import { yardText } from '../../haul-out/contracts/yard-text.contract.js'
import { leakingOffice, ropeCut } from '../yard-office.js'

const mark = { type: Type.Union([Type.Number(), Type.Null()]), default: null }

/** How much of a rope is cut, from one mark to another. */
const ropeSpan = contract('rope-span', {
  summary: 'A length of rope between two marks',
  values: { from: mark, to: mark },
  commands: { reset: { effect: 'reset' } },
})

// The rope was whole once; who reset it forgot the other end.
export const ropeSpanInside = interior(ropeSpan, {
  fittings: { from: nativeNumber, to: nativeNumber },
  commands: ({ face }) => ({ reset: [set(face.values.from, null)] }),
  bind: ({ face }) => ({ from: { value: twoWay(face.values.from) }, to: { value: twoWay(face.values.to) } }),
})

const feet = { type: Type.Union([Type.Number(), Type.Null()]), initial: null }

// Where ropes are cut to length: what is written here is all of one type, so nothing complained.
export const ropeLoft = screen('rope-loft', {
  cells: {
    from: feet,
    to: feet,
    vessel: { type: Type.String(), initial: '' },
    isBusy: { type: Type.Boolean(), initial: false },
    // Asked for, and never given to anybody.
    remark: { type: Type.String(), initial: '' },
  },
  sources: { office: leakingOffice },
  topics: { ropeCut },
  fittings: { span: ropeSpan, vessel: yardText, remark: yardText, cut: nativeButton },
  actions: ({ cells, fittings, sources, topics }) => ({
    keep: [save(fittings.vessel)],
    // Where the office does not answer, the loft stays busy; and who hears that it is cut asks before it is.
    cut: [
      set(cells.isBusy, true),
      call(
        sources.office.remark,
        { number: 'R-1', remark: 'cut', foreman: cells.vessel },
        { then: [set(cells.isBusy, false)] },
      ),
      announce(topics.ropeCut),
    ],
  }),
  bind: ({ cells, actions }) => ({
    // One end is taken for the other.
    span: { from: twoWay(cells.to), to: twoWay(cells.from) },
    // A draft that each letter saves.
    vessel: { label: 'Vessel', text: draft(cells.vessel), on: { 'text-set': actions.keep } },
    remark: { label: 'Remark', text: twoWay(cells.remark) },
    cut: { text: 'Cut', disabled: oneWay(cells.isBusy), on: { press: actions.cut } },
  }),
})
