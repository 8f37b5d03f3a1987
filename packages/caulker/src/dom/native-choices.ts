import { labelOf } from '../words/index.js'
import { valueAt, type AnyContract } from '../contract/index.js'
import type { Native } from './native.js'

type Options = readonly string[]

let groups = 0

/** Selects and radio buttons: one of a few options, which a new element takes from its contract. */
export const choiceNatives: Readonly<Record<'native-select' | 'native-radios', Native>> = {
  'native-select': {
    expects: 'a select (<select>)',
    fits: (element) => element.localName === 'select',
    create(document, contract) {
      const select = document.createElement('select')
      for (const option of optionsOf(contract)) select.add(newOption(document, option))
      return select
    },
    write(select: HTMLSelectElement, name, value) {
      if (name === 'disabled') select.disabled = value === true
      else select.value = textOf(value)
    },
    read: (select: HTMLSelectElement, name) => (name === 'disabled' ? select.disabled : select.value),
    events: {},
  },
  'native-radios': {
    expects: 'an element around radio buttons (<fieldset>)',
    fits: (element) => radiosIn(element).length > 0,
    create(document, contract) {
      const fieldset = document.createElement('fieldset')
      const group = `choice-${++groups}`
      for (const option of optionsOf(contract)) if (option !== '') fieldset.append(newRadio(document, group, option))
      return fieldset
    },
    write(element: Element, name, value) {
      for (const radio of radiosIn(element))
        if (name === 'disabled') radio.disabled = value === true
        else radio.checked = radio.value === value
    },
    read(element: Element, name) {
      const radios = radiosIn(element)
      return name === 'disabled'
        ? radios.every((radio) => radio.disabled)
        : (radios.find((radio) => radio.checked)?.value ?? '')
    },
    events: {},
  },
}

function optionsOf({ values }: AnyContract): Options {
  return (valueAt(values['value']?.type, ['enum']) as Options | undefined) ?? []
}

function newOption(document: Document, value: string): HTMLOptionElement {
  return Object.assign(document.createElement('option'), { value, text: value === '' ? '' : labelOf(value) })
}

function newRadio(document: Document, name: string, value: string): HTMLLabelElement {
  const radio = Object.assign(document.createElement('input'), { type: 'radio', name, value })
  const label = document.createElement('label')
  label.append(radio, ` ${labelOf(value)}`)
  return label
}

function radiosIn(element: Element): HTMLInputElement[] {
  return [...element.querySelectorAll<HTMLInputElement>('input[type="radio"]')]
}

function textOf(value: unknown): string {
  return typeof value === 'string' ? value : ''
}
