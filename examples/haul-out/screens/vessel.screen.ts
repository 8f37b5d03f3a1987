import { go, host, oneWay, reckon, screen, shownWhile, states, twoWay, Type } from 'caulker'
import { nativeButton, nativeCheckbox, nativeNumber, nativeOutput, nativeRadios } from 'caulker/dom'
import { surveyPhoto } from '../contracts/survey-photo.contract.js'
import { yardText } from '../contracts/yard-text.contract.js'
import { Hull } from './order-cells.js'

/** Which vessel is to be hauled out, and what is wrong with her. */
export const vesselScreen = screen('vessel', {
  cells: {
    name: { type: Type.String(), initial: '', amend: (name) => name.trimStart() },
    feet: {
      type: Type.Union([Type.Number(), Type.Null()]),
      initial: null,
      refuse: (feet) =>
        feet !== null && (feet < 8 || feet > 90) ? 'The slip takes vessels of 8 to 90 feet' : undefined,
    },
    hull: { type: Hull, initial: '' },
    photo: { type: Type.Union([host('File'), Type.Null()]), initial: null },
    isDamaged: { type: Type.Boolean(), initial: false },
    damage: { type: Type.String(), initial: '' },
  },
  fittings: {
    name: yardText,
    feet: nativeNumber,
    hull: nativeRadios(['oak', 'larch', 'steel']),
    photo: surveyPhoto,
    damaged: nativeCheckbox,
    damage: yardText,
    problem: nativeOutput,
    next: nativeButton,
  },
  reckoned: ({ cells }) => ({ isNamed: reckon([cells.name], (name) => name.trim() !== '') }),
  shown: ({ cells }) => ({ damage: shownWhile(cells.isDamaged, { hidden: 'cleared' }) }),
  actions: ({ reckoned }) => ({
    next: [go('work-order', { when: reckoned.isNamed, otherwise: 'Give her a name first' })],
  }),
  bind: ({ cells, actions }) => ({
    name: { label: 'Vessel', hint: 'Her name', text: twoWay(cells.name) },
    feet: { value: twoWay(cells.feet) },
    hull: { value: twoWay(cells.hull) },
    photo: { label: 'Photo from the survey', photo: twoWay(cells.photo) },
    damaged: { checked: twoWay(cells.isDamaged) },
    damage: { label: 'What is damaged', text: twoWay(cells.damage) },
    problem: { text: oneWay(states.problem()) },
    next: { text: 'On to the work order', on: { press: actions.next } },
  }),
  keeps: ['isDamaged', 'photo'],
})
