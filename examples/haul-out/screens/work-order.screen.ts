import { back, go, load, oneWay, reckon, refresh, reset, rowsOf, run, screen, set, states, twoWay, Type } from 'caulker'
import { nativeButton, nativeDate, nativeNumber, nativeOutput, nativeRadios } from 'caulker/dom'
import { baleStepper } from '../contracts/bale-stepper.contract.js'
import { priceTag } from '../contracts/price-tag.contract.js'
import { Berth, berthTaken, Day, Seam, yardOffice } from '../office/yard-office.js'

const MARKS_A_BALE = 18.5
const MARKS_A_FOOT = 4

const day = { type: Day, initial: '' }

/** The work order of a haul-out: what the vessel needs, when and where, and what it comes to. */
export const workOrder = screen('work-order', {
  cells: {
    vessel: { type: Type.String(), initial: 'Bittern' },
    bales: { type: Type.Integer(), initial: 10 },
    seams: { type: Type.Array(Seam), initial: [] },
    low: { type: Type.Integer(), initial: 60 },
    high: { type: Type.Integer(), initial: 75 },
    free: { type: Type.Array(Type.String()), initial: [] },
    berth: { type: Berth, initial: '' },
    from: day,
    until: day,
  },
  sources: { office: yardOffice },
  topics: { berthTaken },
  fittings: {
    bales: baleStepper,
    none: nativeButton,
    seam: nativeNumber,
    seamName: nativeOutput,
    low: baleStepper,
    high: baleStepper,
    free: nativeOutput,
    berth: nativeRadios(['Slip 1', 'Slip 2', 'Pontoon A']),
    from: nativeDate,
    until: nativeDate,
    total: priceTag,
    problem: nativeOutput,
    again: nativeButton,
    back: nativeButton,
    next: nativeButton,
  },
  reckoned: ({ cells }) => ({
    total: reckon(
      [cells.bales, cells.seams],
      (bales, seams) => bales * MARKS_A_BALE + seams.reduce((sum, { feet }) => sum + (feet ?? 0) * MARKS_A_FOOT, 0),
    ),
    caption: reckon([cells.vessel], (vessel) => (vessel === '' ? 'Total' : `Total for ${vessel}`)),
    free: reckon([cells.free, states.loading(cells.free)], (free, isLoading) =>
      isLoading ? 'Asking the office which berths are free…' : `Free now: ${free.join(', ') || 'none'}`,
    ),
    isDated: reckon([cells.from, cells.until], (from, until) => from === '' || until === '' || from <= until),
  }),
  rows: ({ cells }) => ({ seam: rowsOf(cells.seams, 'id'), seamName: rowsOf(cells.seams, 'id') }),
  loads: ({ sources }) => ({ free: load(sources.office.berths), seams: load(sources.office.seams) }),
  hears: ({ cells }) => ({ berthTaken: [refresh(cells.free)] }),
  actions: ({ cells, fittings, reckoned }) => ({
    none: [set(cells.bales, 0), run(fittings.bales, 'focus')],
    again: [reset()],
    back: [back()],
    next: [go('review', { when: reckoned.isDated, otherwise: 'She cannot leave before she comes' })],
  }),
  bind: ({ cells, reckoned, row, actions }) => ({
    bales: { label: 'Bales of oakum', most: 24, bales: twoWay(cells.bales) },
    none: { text: 'No oakum', on: { press: actions.none } },
    seam: { min: 0, value: twoWay(row.seam.feet) },
    seamName: { text: oneWay(row.seamName.name) },
    low: { label: 'Pitch, coldest (°C)', fewest: 40, most: oneWay(cells.high), stride: 5, bales: twoWay(cells.low) },
    high: { label: 'Pitch, hottest (°C)', fewest: oneWay(cells.low), most: 120, stride: 5, bales: twoWay(cells.high) },
    free: { text: oneWay(reckoned.free) },
    berth: { value: twoWay(cells.berth) },
    from: { value: twoWay(cells.from) },
    until: { value: twoWay(cells.until) },
    total: { amount: oneWay(reckoned.total), caption: oneWay(reckoned.caption) },
    problem: { text: oneWay(states.problem()) },
    again: { text: 'Start this page again', on: { press: actions.again } },
    back: { text: 'Back to the vessel', on: { press: actions.back } },
    next: { text: 'On to the review', on: { press: actions.next } },
  }),
  reset: { to: 'initial', leaves: ['vessel', 'free', 'seams'] },
  keeps: ['seams'],
})
