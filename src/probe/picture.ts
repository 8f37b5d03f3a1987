/** What a person sees of a component, line by line; nothing of how it is built. */
export interface Picture {
  readonly lines: readonly string[]
  /** Lines of live regions, which may come and go by themselves. */
  readonly live: readonly string[]
}

export const EMPTY_PICTURE: Picture = { lines: [], live: [] }

/** Takes the picture of all that is inside a container, through open shadow roots and slots. */
export function pictureOf(container: Element): Picture {
  const lines: string[] = []
  const live: string[] = []
  const walk: Walk = { text: '', into: lines, flush: () => undefined }
  walk.flush = () => {
    const text = walk.text.replace(/\s+/g, ' ').trim()
    if (text !== '') walk.into.push(text)
    walk.text = ''
  }
  for (const child of container.children) visit(child, walk, live)
  walk.flush()
  return { lines, live }
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
  text: string
  into: string[]
  flush(): void
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

function visit(node: Node, walk: Walk, live: string[]): void {
  if (node.nodeType === 3) {
    walk.text += node.nodeValue ?? ''
    return
  }
  if (node.nodeType !== 1) return
  const element = node as HTMLElement
  if (SILENT.has(element.localName) || isHidden(element)) return
  const control = controlText(element)
  if (control !== undefined) {
    walk.flush()
    walk.into.push(control)
    return
  }
  const isBlock = BLOCKS.has(element.localName) || element.localName.includes('-')
  if (isBlock || element.localName === 'br') walk.flush()
  const before = walk.into
  if (isLive(element)) {
    walk.flush()
    walk.into = live
  }
  for (const child of childrenOf(element)) visit(child, walk, live)
  if (isBlock || walk.into !== before) walk.flush()
  walk.into = before
}

/** What is drawn under an element: its shadow tree instead of its children, and what is slotted instead of a slot's own. */
function childrenOf(element: Element): Iterable<Node> {
  if (element.shadowRoot !== null) return element.shadowRoot.childNodes
  if (element.localName !== 'slot') return element.childNodes
  const assigned = (element as HTMLSlotElement).assignedNodes()
  return assigned.length > 0 ? assigned : element.childNodes
}

function isHidden(element: HTMLElement): boolean {
  if (element.hidden) return true
  if (!mayHide(element)) return false
  const { display, visibility } = element.ownerDocument.defaultView?.getComputedStyle(element) ?? {
    display: '',
    visibility: '',
  }
  return display === 'none' || visibility === 'hidden'
}

const HIDING = /display\s*:\s*none|visibility\s*:\s*(?:hidden|collapse)/

const hidingRoots = new WeakMap<Node, { children: number; hides: boolean }>()

/** Whether any style that reaches the element hides something: computing styles for nothing takes most of the time of a probe. */
function mayHide(element: HTMLElement): boolean {
  if (HIDING.test(element.getAttribute('style') ?? '')) return true
  const root = element.getRootNode() as ShadowRoot | Document
  const children = root.childNodes.length
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
      return `<${nameOf(element)}>${said}`
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
      return value === null ? undefined : `[${value}]${said}`
    }
    case 'checkbox':
    case 'switch':
      return `[${aria('checked') === 'true' ? 'x' : ' '}] ${nameOf(element)}${said}`
    case 'radio':
      return `(${aria('checked') === 'true' ? '•' : ' '}) ${nameOf(element)}${said}`
    case 'option':
      return `${aria('selected') === 'true' ? '›' : '·'} ${nameOf(element)}${said}`
    case 'button':
      return `<${nameOf(element)}>${said}`
    default:
      return undefined
  }
}

function nameOf(element: HTMLElement): string {
  return (element.textContent ?? '').replace(/\s+/g, ' ').trim() || (element.getAttribute('aria-label') ?? '')
}

function stateText(element: HTMLElement): string {
  const states = [
    (element as HTMLInputElement).disabled === true || element.getAttribute('aria-disabled') === 'true'
      ? 'disabled'
      : '',
    (element as HTMLInputElement).readOnly === true ? 'read-only' : '',
    element.getAttribute('aria-invalid') === 'true' ? 'invalid' : '',
    element.getAttribute('aria-pressed') === 'true' ? 'pressed' : '',
  ].filter(Boolean)
  return states.length === 0 ? '' : ` (${states.join(', ')})`
}

function sameLines(one: readonly string[], other: readonly string[]): boolean {
  return one.length === other.length && one.every((line, at) => line === other[at])
}
