import { choiceNatives } from './native-choices.js'
import { chooseFiles } from './file-field.js'
import type { Native } from './native.js'

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
  ...choiceNatives,
  'native-file': fieldOf('file', {
    write(field, name, value) {
      if (name === 'multiple') field.multiple = value === true
      else if (Array.isArray(value) && value.length > 0) chooseFiles(field, value as File[])
      else field.value = ''
    },
    read: (field, name) => (name === 'multiple' ? field.multiple : [...(field.files ?? [])]),
  }),
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
