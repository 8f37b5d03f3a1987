import { discard, draft, go, oneWay, save, screen, Type } from 'caulker'
import { nativeButton } from 'caulker/dom'
import { yardText } from '../contracts/yard-text.contract.js'
import { yardOffice } from '../yard-office.js'

/** The order as the office has it, with remarks that are saved one by one. */
export const reviewScreen = screen('review', {
  cells: {
    number: { type: Type.String(), initial: '' },
    remark: { type: Type.String(), initial: '' },
  },
  sources: { office: yardOffice },
  fittings: { number: yardText, remark: yardText, keep: nativeButton, drop: nativeButton, done: nativeButton },
  actions: ({ cells, fittings, sources }) => ({
    keep: [save(fittings.remark, { to: sources.office.remark, given: { number: cells.number, remark: cells.remark } })],
    drop: [discard(fittings.remark)],
    done: [go('confirmation')],
  }),
  bind: ({ cells, actions }) => ({
    number: { label: 'Order', text: oneWay(cells.number, { showOnly: true }) },
    remark: { label: 'A remark for the foreman', text: draft(cells.remark) },
    keep: { text: 'Keep the remark', on: { press: actions.keep } },
    drop: { text: 'Forget it', on: { press: actions.drop } },
    done: { text: 'Done', on: { press: actions.done } },
  }),
  keeps: ['remark'],
})

/** What the owner of the vessel takes home. */
export const confirmationScreen = screen('confirmation', {
  cells: { number: { type: Type.String(), initial: '' } },
  fittings: { number: yardText },
  bind: ({ cells }) => ({ number: { label: 'Your order', text: oneWay(cells.number, { showOnly: true }) } }),
})
