import { shadowOf } from '../dom/index.js'
import { isPopupList } from './controls.js'

/** What a person sees of a component, line by line; nothing of how it is built. */
export interface Picture {
  readonly lines: readonly string[]
  /** Lines of live regions, which may come and go by themselves. */
  readonly live: readonly string[]
}

export const EMPTY_PICTURE: Picture = { lines: [], live: [] }

/** Takes the picture of all that is inside a container, through open shadow roots and slots. */
export function pictureOf(container: Element): Picture {
  const walk = walkOver()
  visitAll(container, walk)
  flush(walk)
  return { lines: walk.lines, live: walk.live }
}

export function samePicture(one: Picture, other: Picture): boolean {
  return (
    sameLines(one.lines, other.lines) &&
    (one.live.length === 0 || other.live.length === 0 || sameLines(one.live, other.live))
  )
}

/** A picture on one line, for a ledger. */
export function pictureText(picture: Picture): string {
  return [...picture.lines, ...picture.live].join(' · ')
}

/** The lines of one picture that another has not, each as often as it is missing there. */
export function linesOnlyIn(picture: Picture, other: Picture): string[] {
  const left = [...other.lines, ...other.live]
  return [...picture.lines, ...picture.live].filter((line) => {
    const at = left.indexOf(line)
    if (at >= 0) left.splice(at, 1)
    return at < 0
  })
}

interface Walk {
  readonly lines: string[]
  readonly live: string[]
  /** Where a line goes that ends here. */
  into: string[]
  text: string
  /** Whether any style of a tree hides something, asked once a tree: computing styles for nothing takes most of the time of a probe. */
  readonly hides: Map<Node, boolean>
}

function walkOver(): Walk {
  const lines: string[] = []
  return { lines, live: [], into: lines, text: '', hides: new Map() }
}

function flush(walk: Walk): void {
  const text = walk.text.replace(/\s+/g, ' ').trim()
  if (text !== '') walk.into.push(text)
  walk.text = ''
}

const SILENT = new Set(['style', 'script', 'template', 'datalist', 'option', 'noscript', 'source', 'track'])
const BLOCKS = new Set([
  'address',
  'article',
  'aside',
  'blockquote',
  'dd',
  'details',
  'dialog',
  'div',
  'dl',
  'dt',
  'fieldset',
  'figcaption',
  'figure',
  'footer',
  'form',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'header',
  'hr',
  'legend',
  'li',
  'main',
  'nav',
  'ol',
  'p',
  'pre',
  'section',
  'summary',
  'table',
  'td',
  'th',
  'tr',
  'ul',
  'label',
  'output',
])

function visit(node: Node, walk: Walk): void {
  if (node.nodeType === 3) {
    walk.text += node.nodeValue ?? ''
    return
  }
  if (node.nodeType !== 1) return
  const element = node as HTMLElement
  const name = element.localName
  if (SILENT.has(name) || isHidden(element, walk) || comesAndGoes(element)) return
  const control = controlText(element)
  if (control !== undefined) {
    flush(walk)
    walk.into.push(control)
    return
  }
  const isBlock = BLOCKS.has(name) || name.includes('-')
  if (isBlock || name === 'br') flush(walk)
  const before = walk.into
  if (isLive(element)) {
    flush(walk)
    walk.into = walk.live
  }
  visitUnder(element, walk)
  if (isBlock || walk.into !== before) flush(walk)
  walk.into = before
}

/** What is drawn under an element: its shadow tree instead of its children, and what is slotted instead of a slot's own. */
function visitUnder(element: Element, walk: Walk): void {
  const shadow = shadowOf(element)
  if (shadow !== null) return visitAll(shadow, walk)
  const assigned = element.localName === 'slot' ? (element as HTMLSlotElement).assignedNodes() : []
  if (assigned.length === 0) visitAll(element, walk)
  for (const node of assigned) visit(node, walk)
}

function visitAll(parent: Node, walk: Walk): void {
  for (let node = parent.firstChild; node !== null; node = node.nextSibling) visit(node, walk)
}

/** What is shown only while something is open: whether it is open is no part of the picture. */
function comesAndGoes(element: HTMLElement): boolean {
  return element.hasAttribute('popover') || (element.getAttribute('role') === 'listbox' && isPopupList(element))
}

function isHidden(element: HTMLElement, walk: Walk): boolean {
  if (element.hasAttribute('hidden')) return true
  if (!mayHide(element, walk)) return false
  const style = element.ownerDocument.defaultView?.getComputedStyle(element)
  return style?.display === 'none' || style?.visibility === 'hidden'
}

const HIDING = /display\s*:\s*none|visibility\s*:\s*(?:hidden|collapse)/

function mayHide(element: HTMLElement, { hides }: Walk): boolean {
  const style = element.getAttribute('style')
  if (style !== null && HIDING.test(style)) return true
  const root = element.getRootNode() as ShadowRoot | Document
  let known = hides.get(root)
  if (known === undefined) hides.set(root, (known = mayHideIn(root)))
  return known
}

const hidingRoots = new WeakMap<Node, { children: number; hides: boolean }>()

function mayHideIn(root: ShadowRoot | Document): boolean {
  const children = root.childElementCount
  let known = hidingRoots.get(root)
  if (known === undefined || (known.children !== children && !known.hides))
    hidingRoots.set(root, (known = { children, hides: hidesSomething(root) }))
  return known.hides
}

function hidesSomething(root: ShadowRoot | Document): boolean {
  const written = [...root.querySelectorAll('style')].some((style) => HIDING.test(style.textContent ?? ''))
  const adopted = [...(root.adoptedStyleSheets ?? [])].some((sheet) =>
    [...sheet.cssRules].some((rule) => HIDING.test(rule.cssText)),
  )
  return written || adopted || root.querySelector('link[rel~="stylesheet"]') !== null
}

function isLive(element: Element): boolean {
  const role = element.getAttribute('role')
  return (
    role === 'alert' ||
    role === 'status' ||
    role === 'log' ||
    (element.hasAttribute('aria-live') && element.getAttribute('aria-live') !== 'off')
  )
}

/** A control as a person sees it: `[12]` a field, `(•)` a chosen radio button, `<More>` a button. */
function controlText(element: HTMLElement): string | undefined {
  const said = stateText(element)
  switch (element.localName) {
    case 'input':
      return `${inputText(element as HTMLInputElement)}${said}`
    case 'textarea': {
      const { value, placeholder } = element as HTMLTextAreaElement
      return `[${value === '' ? placeholder : value}]${said}`
    }
    case 'select':
      return `${selectText(element as HTMLSelectElement)}${said}`
    case 'button':
      return ariaText(element, said) ?? `<${nameOf(element)}>${said}`
    case 'img':
      return `image ${element.getAttribute('alt') ?? ''}`.trim()
    case 'progress':
    case 'meter':
      return `[${String((element as HTMLProgressElement).value)} of ${String((element as HTMLProgressElement).max)}]`
    default:
      return ariaText(element, said)
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
      return `[${[...(input.files ?? [])].map((file) => file.name).join(', ') || 'no file'}]`
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

function ariaText(element: HTMLElement, said: string): string | undefined {
  const aria = (name: string) => element.getAttribute(`aria-${name}`)
  switch (element.getAttribute('role')) {
    case 'slider':
    case 'spinbutton': {
      const value = aria('valuetext') ?? aria('valuenow')
      return value === null ? undefined : `[${value}]${textBeside(element, value)}${said}`
    }
    case 'checkbox':
    case 'switch':
      return `[${aria('checked') === 'true' ? 'x' : ' '}] ${nameOf(element)}${said}`
    case 'radio':
      return `(${aria('checked') === 'true' ? '•' : ' '}) ${nameOf(element)}${said}`
    case 'option':
      return `${aria('selected') === 'true' ? '›' : '·'} ${nameOf(element)}${said}`
    case 'combobox':
      return element.localName === 'input' ? undefined : `[${nameOf(element)} ▾]${said}`
    case 'button':
      return `<${nameOf(element)}>${said}`
    default:
      return undefined
  }
}

/** What is written on a control besides the value that assistive technology is told. */
function textBeside(element: HTMLElement, value: string): string {
  const text = (element.textContent ?? '').replace(/\s+/g, ' ').trim()
  return text === '' || text === value ? '' : ` ${text}`
}

function nameOf(element: HTMLElement): string {
  return (element.textContent ?? '').replace(/\s+/g, ' ').trim() || (element.getAttribute('aria-label') ?? '')
}

/** What assistive technology is told of a control besides its value: the name that only it is told, and its states. */
function stateText(element: HTMLElement): string {
  const { disabled, readOnly, required } = element as HTMLInputElement
  const aria = (name: string) => element.getAttribute(`aria-${name}`)
  const is = (name: string) => aria(name) === 'true'
  const states = [
    disabled === true || is('disabled') ? 'disabled' : '',
    readOnly === true || is('readonly') ? 'read-only' : '',
    required === true || is('required') ? 'required' : '',
    is('invalid') ? 'invalid' : '',
    is('pressed') ? 'pressed' : '',
    is('busy') ? 'busy' : '',
  ].filter(Boolean)
  const name = aria('label') ?? ''
  const isNamed = name !== '' && (element.localName !== 'button' || (element.textContent ?? '').trim() !== '')
  return `${isNamed ? ` “${name}”` : ''}${states.length === 0 ? '' : ` (${states.join(', ')})`}`
}

function sameLines(one: readonly string[], other: readonly string[]): boolean {
  return one.length === other.length && one.every((line, at) => line === other[at])
}
