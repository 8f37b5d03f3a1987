import { clear, interior, oneWay, run, twoWay } from 'caulker'
import { nativeOutput, nativeText } from 'caulker/dom'
import { yardText } from './yard-text.contract.js'

/** What stands behind a text field of the yard: a caption, and a field that shares its text. */
export const yardTextInside = interior(yardText, {
  fittings: { caption: nativeOutput, field: nativeText },
  commands: ({ face, fittings }) => ({ reset: [clear(face.values.text)], focus: [run(fittings.field, 'focus')] }),
  bind: ({ face }) => ({
    caption: { text: oneWay(face.properties.label) },
    field: { value: twoWay(face.values.text), placeholder: oneWay(face.properties.hint) },
  }),
})
