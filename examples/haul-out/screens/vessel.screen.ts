import { go, screen, shownWhile, twoWay, Type } from 'caulker'
import { nativeButton, nativeCheckbox } from 'caulker/dom'
import { yardText } from '../contracts/yard-text.contract.js'

/** Which vessel is to be hauled out, and what is wrong with her. */
export const vesselScreen = screen('vessel', {
  cells: {
    name: { type: Type.String(), initial: '', amend: (name) => name.trimStart() },
    isDamaged: { type: Type.Boolean(), initial: false },
    damage: { type: Type.String(), initial: '' },
  },
  fittings: { name: yardText, damaged: nativeCheckbox, damage: yardText, next: nativeButton },
  shown: ({ cells }) => ({ damage: shownWhile(cells.isDamaged) }),
  actions: () => ({ next: [go('berth')] }),
  bind: ({ cells, actions }) => ({
    name: { label: 'Vessel', hint: 'Her name', text: twoWay(cells.name) },
    damaged: { checked: twoWay(cells.isDamaged) },
    damage: { label: 'What is damaged', text: twoWay(cells.damage) },
    next: { text: 'Choose a berth', on: { press: actions.next } },
  }),
})
