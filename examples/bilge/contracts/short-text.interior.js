import { handlers, interior, oneWay, payload, report, twoWay, Type } from 'caulker'
import { nativeOutput, nativeText } from 'caulker/dom'
import { shortText } from './short-text.contract.js'

// The field keeps its own copy of the text and reports it by hand: no bound of the contract is ever asked.
export const shortTextInside = interior(shortText, {
  cells: { typed: { type: Type.String(), initial: '' } },
  fittings: { caption: nativeOutput, field: nativeText },
  bind: ({ face, cells }) => ({
    caption: { text: oneWay(face.properties.label) },
    // The hint was declared, and went nowhere.
    field: { value: twoWay(cells.typed), on: { input: [report(face.events['text-set'], payload())] } },
  }),
})

// There is no such command.
export const shortTextHandlers = handlers(shortText, [{ event: 'click', at: '.wipe', does: 'rest' }])
