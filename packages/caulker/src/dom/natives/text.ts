import { contract } from '../../contract/index.js'
import { flag, input, native, plain } from './native.js'

const text = { type: plain<string>({ type: 'string' }), default: '' }
const TYPES = ['text', 'search', 'email', 'tel', 'url', 'password']

/** The native text field, `<input type="text">` or one like it, and `<textarea>`. */
export const nativeText = /* @__PURE__ */ native(
  /* @__PURE__ */ contract('native-text', {
    summary: 'A native text field',
    properties: { placeholder: text, disabled: flag, readOnly: flag },
    values: { value: { ...text, event: 'input', payloadAt: '/target/value' } },
    commands: { focus: { effect: 'focus' } },
    locks: { readonly: 'readOnly', disabled: 'disabled' },
  }),
  {
    expects: 'a text field (<input> or <textarea>)',
    fits: (element) =>
      element.localName === 'textarea' ||
      (element.localName === 'input' && TYPES.includes((element as HTMLInputElement).type)),
    create: (document) => input(document, 'text'),
    write: (element: HTMLInputElement, name, value) =>
      Object.assign(element, { [name]: value ?? (name === 'value' || name === 'placeholder' ? '' : false) }),
    read: (element: HTMLInputElement, name) => element[name as 'value'],
    events: {},
  },
)
