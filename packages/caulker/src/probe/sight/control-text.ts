import { said } from '../person/said.js'

const NATIVE = new Set(['input', 'textarea', 'select', 'button', 'img', 'progress', 'meter'])

/** A control as a person sees it: `[12]` a field, `(•)` a chosen radio button, `<More>` a button. */
export function controlText(element: HTMLElement): string | undefined {
  // Most elements are no controls, and what is asked of each has its price in an embedded DOM.
  if (!NATIVE.has(element.localName) && said(element, 'role') === null) return undefined
  const state = stateText(element)
  switch (element.localName) {
    case 'input':
      return `${inputText(element as HTMLInputElement)}${state}`
    case 'textarea': {
      const { value, placeholder } = element as HTMLTextAreaElement
      return `[${value === '' ? placeholder : value}]${state}`
    }
    case 'select':
      return `${selectText(element as HTMLSelectElement)}${state}`
    case 'button':
      return ariaText(element, state) ?? `<${nameOf(element)}>${state}`
    case 'img':
      return `image ${element.getAttribute('alt') ?? ''}`.trim()
    case 'progress':
    case 'meter':
      return `[${String((element as HTMLProgressElement).value)} of ${String((element as HTMLProgressElement).max)}]`
    default:
      return ariaText(element, state)
  }
}

/** What is chosen, and what else could be: a person sees it at the first click. */
function selectText(select: HTMLSelectElement): string {
  const texts = (options: HTMLOptionElement[]) => options.map((option) => option.label || option.text)
  const options = [...select.options]
  return `[${texts(options.filter((option) => option.selected)).join(', ')} ▾ ${texts(options).join(' | ')}]`
}

function inputText(input: HTMLInputElement): string {
  switch (input.type) {
    case 'hidden':
      return ''
    case 'checkbox':
      return input.indeterminate ? '[-]' : input.checked ? '[x]' : '[ ]'
    case 'radio':
      return input.checked ? '(•)' : '( )'
    case 'file':
      return `[${[...(input.files ?? [])].map((file) => file.name).join(', ') || 'no file'}${input.accept === '' ? '' : `, of ${input.accept}`}]`
    case 'button':
    case 'submit':
    case 'reset':
      return `<${input.value || input.type}>`
    case 'password':
      return `[${'•'.repeat(input.value.length)}]`
    case 'range':
      return `[${input.value} of ${input.min || 0} to ${input.max || 100}]`
    default:
      return `[${input.value === '' ? input.placeholder : input.value}]`
  }
}

function ariaText(element: HTMLElement, state: string): string | undefined {
  const aria = (name: string) => said(element, `aria-${name}`)
  switch (said(element, 'role')) {
    case 'slider':
    case 'spinbutton': {
      const value = aria('valuetext') ?? aria('valuenow')
      return value === null ? undefined : `[${value}]${textBeside(element, value)}${state}`
    }
    case 'checkbox':
    case 'switch':
      return `[${CHECKED[aria('checked') ?? ''] ?? ' '}] ${nameOf(element)}${state}`
    case 'radio':
      return `(${aria('checked') === 'true' ? '•' : ' '}) ${nameOf(element)}${state}`
    case 'option':
      return `${aria('selected') === 'true' ? '›' : '·'} ${nameOf(element)}${state}`
    case 'combobox':
      return element.localName === 'input' ? undefined : `[${nameOf(element)} ▾]${state}`
    case 'button':
      return `<${nameOf(element)}>${state}`
    default:
      return undefined
  }
}

const CHECKED: Readonly<Record<string, string>> = { true: 'x', mixed: '-' }

/** WAI-ARIA 1.2, section 6.6: which of several is the present one, and which is chosen; an option says it by its own sign. */
export function markText(element: HTMLElement): string[] {
  const current = said(element, 'aria-current')
  const isSelected = said(element, 'aria-selected') === 'true' && said(element, 'role') !== 'option'
  return [
    ...(current === null || current === '' || current === 'false' ? [] : ['current']),
    ...(isSelected ? ['selected'] : []),
  ]
}

/** What is written on a control besides the value that assistive technology is told. */
function textBeside(element: HTMLElement, value: string): string {
  const text = (element.textContent ?? '').replace(/\s+/g, ' ').trim()
  return text === '' || text === value ? '' : ` ${text}`
}

function nameOf(element: HTMLElement): string {
  return (element.textContent ?? '').replace(/\s+/g, ' ').trim() || (said(element, 'aria-label') ?? '')
}

/** What assistive technology is told of a control besides its value: the name that only it is told, and its states. */
function stateText(element: HTMLElement): string {
  const { disabled, readOnly, required } = element as HTMLInputElement
  const aria = (name: string) => said(element, `aria-${name}`)
  const is = (name: string) => aria(name) === 'true'
  const states = [
    disabled === true || is('disabled') ? 'disabled' : '',
    readOnly === true || is('readonly') ? 'read-only' : '',
    required === true || is('required') ? 'required' : '',
    is('invalid') ? 'invalid' : '',
    is('pressed') ? 'pressed' : '',
    is('busy') ? 'busy' : '',
    ...markText(element),
  ].filter(Boolean)
  const name = aria('label') ?? ''
  const isNamed = name !== '' && (element.localName !== 'button' || (element.textContent ?? '').trim() !== '')
  return `${isNamed ? ` “${name}”` : ''}${states.length === 0 ? '' : ` (${states.join(', ')})`}`
}
