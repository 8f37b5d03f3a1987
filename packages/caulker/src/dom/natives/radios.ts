import { labelOf } from '../../words/index.js'
import { choiceOf, optionsOf } from './choices.js'
import { native } from './native.js'

let groups = 0

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
  return native(choiceOf('native-radios', 'Native radio buttons', options), {
    expects: 'an element around radio buttons (<fieldset>)',
    fits: (element) => radiosIn(element).length > 0,
    create(document, of) {
      const fieldset = document.createElement('fieldset')
      const group = `choice-${++groups}`
      for (const option of optionsOf(of)) if (option !== '') fieldset.append(newRadio(document, group, option))
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
  })
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
