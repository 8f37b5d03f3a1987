import { discard, draft, oneWay, reckon, save, screen, states, Type } from 'caulker'
import { nativeButton, nativeOutput } from 'caulker/dom'
import { yardText } from '../contracts/yard-text.contract.js'
import { yardOffice } from '../office/yard-office.js'

/** What the owner of the vessel takes home, and a last word to the foreman. */
export const confirmationScreen = screen('confirmation', {
  cells: {
    number: { type: Type.String(), initial: '' },
    remark: { type: Type.String(), initial: '' },
  },
  sources: { office: yardOffice },
  fittings: {
    number: nativeOutput,
    remark: yardText,
    keep: nativeButton,
    drop: nativeButton,
    state: nativeOutput,
  },
  reckoned: ({ cells }) => ({
    number: reckon([cells.number], (number) => `Your order: ${number}`),
    kept: reckon([cells.remark, states.problem(cells.remark)], (remark, problem) =>
      problem === '' && remark !== '' ? `The foreman has read: ${remark}` : problem,
    ),
  }),
  actions: ({ cells, fittings, sources }) => ({
    keep: [save(fittings.remark, { to: sources.office.remark, given: { number: cells.number, remark: cells.remark } })],
    drop: [discard(fittings.remark)],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    number: { text: oneWay(reckoned.number) },
    remark: { label: 'A remark for the foreman', text: draft(cells.remark) },
    keep: { text: 'Send the remark', on: { press: actions.keep } },
    drop: { text: 'Forget it', on: { press: actions.drop } },
    state: { text: oneWay(reckoned.kept) },
  }),
  keeps: ['remark'],
})
