import { extend, Type } from 'caulker'
import { yardText } from '../../haul-out/contracts/yard-text.contract.js'

/** The component is sound, and its contract is not: it cannot stand where a yard text stands. */
export const shortText = extend(yardText, {
  tag: 'short-text',
  summary: 'A text of at most twelve letters',
  values: { text: { type: Type.String({ maxLength: 12 }) } },
})
