import { contract } from '../../contract/index.js'
import { fieldOf, flag, native, plain } from './native.js'

/** The native colour field, `<input type="color">`; it holds a colour as `#1d3f58`. */
export const nativeColour = /* @__PURE__ */ native(
  /* @__PURE__ */ contract('native-colour', {
    summary: 'A native colour field',
    properties: { disabled: flag },
    values: {
      value: {
        type: plain<string>({ type: 'string', pattern: '^#[0-9a-f]{6}$' }),
        default: '#000000',
        event: 'input',
        payloadAt: '/target/value',
      },
    },
    commands: { focus: { effect: 'focus' } },
    locks: { disabled: 'disabled' },
  }),
  /* @__PURE__ */ fieldOf('color', {
    write: (field, _name, value) => void (field.value = typeof value === 'string' ? value : '#000000'),
    read: (field) => field.value,
  }),
)
