import { clear, host, oneWay, reckon, run, screen, set, twoWay, Type } from 'caulker'
import { nativeButton, nativeText } from 'caulker/dom'
import { baleStepper } from './contracts/bale-stepper.contract.js'
import { priceTag } from './contracts/price-tag.contract.js'
import { surveyPhoto } from './contracts/survey-photo.contract.js'
import { yardText } from './contracts/yard-text.contract.js'

const MARKS_A_BALE = 18.5

/** The work order of a haul-out: what the vessel needs, and what it comes to. */
export const workOrder = screen('work-order', {
  cells: {
    vessel: { type: Type.String(), initial: 'Bittern', amend: (name) => name.trimStart() },
    bales: { type: Type.Integer(), initial: 10 },
    photo: { type: Type.Union([host('File'), Type.Null()]), initial: null },
    note: { type: Type.String(), initial: '' },
  },
  fittings: {
    vessel: yardText,
    bales: baleStepper,
    photo: surveyPhoto,
    note: nativeText,
    total: priceTag,
    none: nativeButton,
    again: nativeButton,
  },
  reckoned: ({ cells }) => ({
    total: reckon([cells.bales], (bales) => bales * MARKS_A_BALE),
    caption: reckon([cells.vessel], (vessel) => (vessel === '' ? 'Total' : `Total for ${vessel}`)),
  }),
  actions: ({ cells, fittings }) => ({
    none: [set(cells.bales, 0), run(fittings.bales, 'focus')],
    again: [clear(cells.vessel), clear(cells.bales), clear(cells.photo), clear(cells.note)],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    vessel: { label: 'Vessel', hint: 'Her name', text: twoWay(cells.vessel) },
    bales: { label: 'Bales of oakum', most: 24, bales: twoWay(cells.bales) },
    photo: { label: 'Photo from the survey', photo: twoWay(cells.photo) },
    note: { value: twoWay(cells.note), placeholder: 'What the yard should know' },
    total: { amount: oneWay(reckoned.total), caption: oneWay(reckoned.caption) },
    none: { text: 'No oakum', on: { press: actions.none } },
    again: { text: 'Start again', on: { press: actions.again } },
  }),
})
