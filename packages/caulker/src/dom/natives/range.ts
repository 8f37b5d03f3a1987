import { contract } from '../../contract/index.js'
import { fieldOf, flag, native, plain } from './native.js'

const number = plain<number>({ type: 'number' })
const USUAL: Readonly<Record<string, number>> = { min: 0, max: 100, step: 1 }

/** The native slider, `<input type="range">`; it brings what is off its bounds or between its steps inside. */
export const nativeRange = /* @__PURE__ */ native(
  /* @__PURE__ */ contract('native-range', {
    summary: 'A native slider',
    properties: {
      min: { type: number, default: 0 },
      max: { type: number, default: 100 },
      step: { type: plain<number>({ type: 'number', exclusiveMinimum: 0 }), default: 1 },
      disabled: flag,
    },
    values: {
      value: {
        type: number,
        default: 50,
        event: 'input',
        payloadAt: '/target/valueAsNumber',
        bounds: { least: 'min', most: 'max' },
        step: 'step',
      },
    },
    commands: { focus: { effect: 'focus' } },
    locks: { disabled: 'disabled' },
  }),
  /* @__PURE__ */ fieldOf('range', {
    write: (field, name, value) => {
      if (name === 'value') field.value = String(value ?? 50)
      else {
        field.setAttribute(name, String(value ?? USUAL[name]))
        // A value that the new bounds bring in is brought in at once.
        field.value = `${field.value}`
      }
    },
    read: (field, name) => (name === 'value' ? field.valueAsNumber : Number(field.getAttribute(name) ?? USUAL[name])),
  }),
)
