import { contract } from '../../contract/index.js'
import { flag, input, native, plain } from './native.js'

/** The native checkbox, `<input type="checkbox">`. */
export const nativeCheckbox = /* @__PURE__ */ native(
  /* @__PURE__ */ contract('native-checkbox', {
    summary: 'A native checkbox',
    properties: { disabled: flag },
    values: {
      checked: {
        type: plain<boolean>({ type: 'boolean' }),
        default: false,
        event: 'change',
        payloadAt: '/target/checked',
      },
    },
    commands: { focus: { effect: 'focus' } },
    locks: { disabled: 'disabled' },
  }),
  {
    expects: 'a checkbox (<input type="checkbox">)',
    fits: (element) => element.localName === 'input' && (element as HTMLInputElement).type === 'checkbox',
    create: (document) => input(document, 'checkbox'),
    write: (element: HTMLInputElement, name, value) => Object.assign(element, { [name]: value === true }),
    read: (element: HTMLInputElement, name) => element[name as 'checked'],
    events: {},
  },
)
