import { contract, host, Type } from '../contract/index.js'

const orNull = Type.Union([Type.Number(), Type.Null()])

/** The native text field, `<input type="text">` or one like it, and `<textarea>`. */
export const nativeText = contract('native-text', {
  summary: 'A native text field',
  properties: {
    placeholder: { type: Type.String(), default: '' },
    disabled: { type: Type.Boolean(), default: false },
    readOnly: { type: Type.Boolean(), default: false },
  },
  values: { value: { type: Type.String(), default: '', event: 'input', payloadAt: '/target/value' } },
  commands: { focus: { effect: 'focus' } },
  locks: { readonly: 'readOnly', disabled: 'disabled' },
})

/** The native number field, `<input type="number">`; it holds a number or, when it is empty, null, and it keeps what is off its bounds. */
export const nativeNumber = contract('native-number', {
  summary: 'A native number field',
  properties: {
    min: { type: orNull, default: null },
    max: { type: orNull, default: null },
    step: { type: orNull, default: null },
    disabled: { type: Type.Boolean(), default: false },
    readOnly: { type: Type.Boolean(), default: false },
  },
  values: {
    value: {
      type: orNull,
      default: null,
      event: 'input',
      payloadAt: '/target/valueAsNumber',
      bounds: { least: 'min', most: 'max' },
      outside: 'keep',
    },
  },
  commands: { focus: { effect: 'focus' } },
  locks: { readonly: 'readOnly', disabled: 'disabled' },
})

/** The native slider, `<input type="range">`; it brings what is off its bounds or between its steps inside. */
export const nativeRange = contract('native-range', {
  summary: 'A native slider',
  properties: {
    min: { type: Type.Number(), default: 0 },
    max: { type: Type.Number(), default: 100 },
    step: { type: Type.Number({ exclusiveMinimum: 0 }), default: 1 },
    disabled: { type: Type.Boolean(), default: false },
  },
  values: {
    value: {
      type: Type.Number(),
      default: 50,
      event: 'input',
      payloadAt: '/target/valueAsNumber',
      bounds: { least: 'min', most: 'max' },
      step: 'step',
    },
  },
  commands: { focus: { effect: 'focus' } },
  locks: { disabled: 'disabled' },
})

/** The native date field, `<input type="date">`; it holds a date as `2031-05-14`, or an empty text. */
export const nativeDate = contract('native-date', {
  summary: 'A native date field',
  properties: {
    disabled: { type: Type.Boolean(), default: false },
    readOnly: { type: Type.Boolean(), default: false },
  },
  values: {
    value: {
      type: Type.Union([Type.String({ format: 'date' }), Type.Literal('')]),
      default: '',
      event: 'input',
      payloadAt: '/target/value',
    },
  },
  commands: { focus: { effect: 'focus' } },
  locks: { readonly: 'readOnly', disabled: 'disabled' },
})

/** The native colour field, `<input type="color">`; it holds a colour as `#1d3f58`. */
export const nativeColour = contract('native-colour', {
  summary: 'A native colour field',
  properties: { disabled: { type: Type.Boolean(), default: false } },
  values: {
    value: {
      type: Type.String({ pattern: '^#[0-9a-f]{6}$' }),
      default: '#000000',
      event: 'input',
      payloadAt: '/target/value',
    },
  },
  commands: { focus: { effect: 'focus' } },
  locks: { disabled: 'disabled' },
})

/** The native checkbox, `<input type="checkbox">`. */
export const nativeCheckbox = contract('native-checkbox', {
  summary: 'A native checkbox',
  properties: { disabled: { type: Type.Boolean(), default: false } },
  values: { checked: { type: Type.Boolean(), default: false, event: 'change', payloadAt: '/target/checked' } },
  commands: { focus: { effect: 'focus' } },
  locks: { disabled: 'disabled' },
})

/**
 * The native select, `<select>`; it holds one of its options, or an empty text.
 *
 * @example
 * ```ts
 * import { elementMount, nativeSelect } from 'caulker/dom'
 * const mounted = elementMount({ into: document.body })(nativeSelect(['oak', 'larch']), { value: 'larch' }, () => {})
 * console.assert(mounted.read('value') === 'larch')
 * ```
 */
export function nativeSelect<const O extends string>(options: readonly O[]) {
  return choiceOf('native-select', 'A native select', options)
}

/**
 * Native radio buttons, `<input type="radio">`, inside a `<fieldset>` or any other element; one of them is chosen, or none.
 *
 * @example
 * ```ts
 * import { elementMount, nativeRadios } from 'caulker/dom'
 * const mounted = elementMount({ into: document.body })(nativeRadios(['slip', 'mooring']), { value: 'slip' }, () => {})
 * console.assert(mounted.read('value') === 'slip')
 * ```
 */
export function nativeRadios<const O extends string>(options: readonly O[]) {
  return choiceOf('native-radios', 'Native radio buttons', options)
}

/** One of a few options, or none. */
function choiceOf<const O extends string>(
  tag: 'native-select' | 'native-radios',
  summary: string,
  options: readonly O[],
) {
  return contract(tag, {
    summary,
    properties: { disabled: { type: Type.Boolean(), default: false } },
    values: {
      value: { type: Type.Enum(['', ...options]), default: '' as never, event: 'change', payloadAt: '/target/value' },
    },
    locks: { disabled: 'disabled' },
  })
}

/** The native file field, `<input type="file">`; it holds a list of files. */
export const nativeFile = contract('native-file', {
  summary: 'A native file field',
  properties: {
    multiple: { type: Type.Boolean(), default: false },
    disabled: { type: Type.Boolean(), default: false },
  },
  values: {
    files: {
      type: Type.Array(host('File'), { maxItems: 1 }),
      default: [],
      event: 'change',
      payloadAt: '/target/files',
    },
  },
  commands: { focus: { effect: 'focus' } },
  locks: { disabled: 'disabled' },
})

/** The native button, `<button>`; it sends `press` when it is clicked or operated by keyboard. */
export const nativeButton = contract('native-button', {
  summary: 'A native button',
  required: ['text'],
  properties: { text: { type: Type.String() }, disabled: { type: Type.Boolean(), default: false } },
  events: { press: { payload: Type.Unknown() } },
  commands: { focus: { effect: 'focus' } },
})

/** Any element that only shows a text, such as `<output>`. */
export const nativeOutput = contract('native-output', {
  summary: 'An element that shows a text',
  properties: { text: { type: Type.String(), default: '' } },
})
