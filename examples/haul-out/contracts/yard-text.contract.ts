import { contract, Type } from 'caulker'

/** What every text field of the yard promises, under the tag of the one that keeps it. */
export const yardTextPromise = <const T extends `${string}-${string}`>(tag: T) =>
  contract(tag, {
    summary: 'One line of text, such as the name of a vessel',
    required: ['label'],
    properties: {
      label: { type: Type.String(), summary: 'What the person is asked for' },
      hint: { type: Type.String(), default: '', summary: 'Shown while the field is empty' },
    },
    values: { text: { type: Type.String(), default: '', reports: 'edit' } },
    commands: { reset: { effect: 'reset' }, focus: { effect: 'focus' } },
  })

export const yardText = yardTextPromise('yard-text')
