import { contract } from '../../contract/index.js'
import { flag, input, isFlag, native, plain } from './native.js'

const orNull = { type: plain<number | null>({ anyOf: [{ type: 'number' }, { type: 'null' }] }), default: null }

/** The native number field, `<input type="number">`; it holds a number or, when it is empty, null, and it keeps what is off its bounds. */
export const nativeNumber = /* @__PURE__ */ native(
  /* @__PURE__ */ contract('native-number', {
    summary: 'A native number field',
    properties: { min: orNull, max: orNull, step: orNull, disabled: flag, readOnly: flag },
    values: {
      value: {
        ...orNull,
        event: 'input',
        payloadAt: '/target/valueAsNumber',
        bounds: { least: 'min', most: 'max' },
        outside: 'keep',
      },
    },
    commands: { focus: { effect: 'focus' } },
    locks: { readonly: 'readOnly', disabled: 'disabled' },
  }),
  {
    expects: 'a number field (<input type="number">)',
    fits: (element) => element.localName === 'input' && (element as HTMLInputElement).type === 'number',
    create: (document) => input(document, 'number'),
    write: (element: HTMLInputElement, name, value) =>
      Object.assign(element, { [name]: isFlag(name) ? value === true : textOf(value) }),
    read: (element: HTMLInputElement, name) =>
      isFlag(name) ? element[name as 'disabled'] : numberOf(element[name as 'value']),
    events: {},
  },
)

function textOf(value: unknown): string {
  return typeof value === 'number' && !Number.isNaN(value) ? String(value) : ''
}

function numberOf(text: string): number | null {
  return text === '' ? null : Number(text)
}
