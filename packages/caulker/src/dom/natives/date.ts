import { contract } from '../../contract/index.js'
import { fieldOf, flag, native, plain, TEXT_FIELD } from './native.js'

/** The native date field, `<input type="date">`; it holds a date as `2031-05-14`, or an empty text. */
export const nativeDate = /* @__PURE__ */ native(
  /* @__PURE__ */ contract('native-date', {
    summary: 'A native date field',
    properties: { disabled: flag, readOnly: flag },
    values: {
      value: {
        type: plain<string>({ anyOf: [{ type: 'string', format: 'date' }, { const: '' }] }),
        default: '',
        event: 'input',
        payloadAt: '/target/value',
      },
    },
    commands: { focus: { effect: 'focus' } },
    locks: { readonly: 'readOnly', disabled: 'disabled' },
  }),
  /* @__PURE__ */ fieldOf('date', TEXT_FIELD),
)
