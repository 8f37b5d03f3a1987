import { contract, Type } from '../contract/index.js'

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

/** How the names of a native control's contract are found on the control itself. */
export interface Native {
  /** In words, for messages. */
  readonly expects: string
  fits(element: Element): boolean
  create(document: Document): Element
  write(element: never, name: string, value: unknown): void
  read(element: never, name: string): unknown
  /** The platform's own name of an event, where the contract has another. */
  readonly events: Readonly<Record<string, string>>
}

interface FieldPart {
  write(field: HTMLInputElement, name: string, value: unknown): void
  read(field: HTMLInputElement, name: string): unknown
}

const TEXT_FIELD: FieldPart = {
  write: (field, _name, value) => void (field.value = typeof value === 'string' ? value : ''),
  read: (field) => field.value,
}

/** An `<input>` of one type: flags are flags, and the rest is its own affair. */
function fieldOf(type: string, part: FieldPart): Native {
  return {
    expects: `an <input type="${type}">`,
    fits: (element) => element.localName === 'input' && (element as HTMLInputElement).type === type,
    create: (document) => input(document, type),
    write: (field: HTMLInputElement, name, value) =>
      isFlag(name) ? void Object.assign(field, { [name]: value === true }) : part.write(field, name, value),
    read: (field: HTMLInputElement, name) => (isFlag(name) ? field[name as 'disabled'] : part.read(field, name)),
    events: {},
  }
}

const TEXT_TYPES = ['text', 'search', 'email', 'tel', 'url', 'password']

const natives: Readonly<Record<string, Native>> = {
  'native-text': {
    expects: 'a text field (<input> or <textarea>)',
    fits: (element) =>
      element.localName === 'textarea' ||
      (element.localName === 'input' && TEXT_TYPES.includes((element as HTMLInputElement).type)),
    create: (document) => input(document, 'text'),
    write: (element: HTMLInputElement, name, value) =>
      Object.assign(element, { [name]: value ?? (name === 'value' || name === 'placeholder' ? '' : false) }),
    read: (element: HTMLInputElement, name) => element[name as 'value'],
    events: {},
  },
  'native-number': {
    expects: 'a number field (<input type="number">)',
    fits: (element) => element.localName === 'input' && (element as HTMLInputElement).type === 'number',
    create: (document) => input(document, 'number'),
    write: (element: HTMLInputElement, name, value) =>
      Object.assign(element, { [name]: isFlag(name) ? value === true : textOf(value) }),
    read: (element: HTMLInputElement, name) =>
      isFlag(name) ? element[name as 'disabled'] : numberOf(element[name as 'value']),
    events: {},
  },
  'native-range': fieldOf('range', {
    write: (field, name, value) => {
      if (name === 'value') field.value = String(value ?? 50)
      else {
        field.setAttribute(name, String(value ?? { min: 0, max: 100, step: 1 }[name]))
        // A value that the new bounds bring in is brought in at once.
        field.value = `${field.value}`
      }
    },
    read: (field, name) =>
      name === 'value' ? field.valueAsNumber : Number(field.getAttribute(name) ?? { min: 0, max: 100, step: 1 }[name]),
  }),
  'native-date': fieldOf('date', TEXT_FIELD),
  'native-colour': fieldOf('color', {
    write: (field, _name, value) => void (field.value = typeof value === 'string' ? value : '#000000'),
    read: (field) => field.value,
  }),
  'native-checkbox': {
    expects: 'a checkbox (<input type="checkbox">)',
    fits: (element) => element.localName === 'input' && (element as HTMLInputElement).type === 'checkbox',
    create: (document) => input(document, 'checkbox'),
    write: (element: HTMLInputElement, name, value) => Object.assign(element, { [name]: value === true }),
    read: (element: HTMLInputElement, name) => element[name as 'checked'],
    events: {},
  },
  'native-button': {
    expects: 'a button (<button>)',
    fits: (element) => element.localName === 'button',
    create: (document) => Object.assign(document.createElement('button'), { type: 'button' }),
    write: (element: HTMLButtonElement, name, value) => {
      if (name === 'text') element.textContent = typeof value === 'string' ? value : ''
      else element.disabled = value === true
    },
    read: (element: HTMLButtonElement, name) => (name === 'text' ? element.textContent : element[name as 'disabled']),
    events: { press: 'click' },
  },
  'native-output': {
    expects: 'an element that shows text (such as <output>)',
    fits: (element) => !['input', 'textarea', 'select', 'button'].includes(element.localName),
    create: (document) => document.createElement('output'),
    write: (element: Element, _name, value) => {
      element.textContent = typeof value === 'string' ? value : ''
    },
    read: (element: Element) => element.textContent,
    events: {},
  },
}

export function nativeFor(tag: string): Native | undefined {
  return natives[tag]
}

function input(document: Document, type: string): HTMLInputElement {
  return Object.assign(document.createElement('input'), { type })
}

function isFlag(name: string): boolean {
  return name === 'disabled' || name === 'readOnly'
}

function textOf(value: unknown): string {
  return typeof value === 'number' && !Number.isNaN(value) ? String(value) : ''
}

function numberOf(text: string): number | null {
  return text === '' ? null : Number(text)
}
