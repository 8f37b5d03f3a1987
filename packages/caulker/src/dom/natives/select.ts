import { labelOf } from '../../words/index.js'
import { choiceOf, optionsOf, textOf } from './choices.js'
import { native } from './native.js'

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
  return native(choiceOf('native-select', 'A native select', options), {
    expects: 'a select (<select>)',
    fits: (element) => element.localName === 'select',
    create(document, of) {
      const select = document.createElement('select')
      for (const option of optionsOf(of)) select.add(newOption(document, option))
      return select
    },
    write(select: HTMLSelectElement, name, value) {
      if (name === 'disabled') select.disabled = value === true
      else select.value = textOf(value)
    },
    read: (select: HTMLSelectElement, name) => (name === 'disabled' ? select.disabled : select.value),
    events: {},
  })
}

function newOption(document: Document, value: string): HTMLOptionElement {
  return Object.assign(document.createElement('option'), { value, text: value === '' ? '' : labelOf(value) })
}
