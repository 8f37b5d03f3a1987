import { draft, oneWay, save, screen, twoWay, Type } from 'caulker'
import { nativeButton } from 'caulker/dom'
import { yardText } from '../../haul-out/contracts/yard-text.contract.js'
import { leakingOffice } from '../yard-office.js'

const text = { type: Type.String(), initial: '' }

// Remarks on an order, each with a draft of its own.
export const leakingReview = screen('leaking-review', {
  cells: { number: text, remark: text, foreman: text, aside: text },
  sources: { office: leakingOffice },
  fittings: { number: yardText, remark: yardText, foreman: yardText, aside: yardText, keep: nativeButton },
  actions: ({ cells, fittings, sources }) => ({
    // The whole record is sent, with the foreman as he was.
    keep: [
      save(fittings.remark, {
        to: sources.office.remark,
        given: { number: cells.number, remark: cells.remark, foreman: cells.foreman },
      }),
      save(fittings.foreman),
    ],
  }),
  bind: ({ cells, actions }) => ({
    number: { label: 'Order', text: twoWay(cells.number) },
    remark: { label: 'Remark', text: draft(cells.remark) },
    foreman: { label: 'Foreman', text: draft(cells.foreman) },
    // Nothing ever saves it.
    aside: { label: 'Aside', text: draft(cells.aside), hint: oneWay(cells.aside) },
    keep: { text: 'Keep', on: { press: actions.keep } },
  }),
})
