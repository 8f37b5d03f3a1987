import { said } from '../person/said.js'
import { shadowOf } from '../../dom/index.js'
import { ANNOUNCED, announced, groupName } from './announced.js'
import { controlText, markText } from './control-text.js'
import { isFolded, isPopupList } from '../person/controls.js'
import { hidingIn, isHidden, type Hiding } from '../person/hidden.js'
import { isLive } from './live.js'

/** What a person sees of a component, line by line, and what assistive technology is told of it; nothing of how it is built. */
export interface Picture {
  readonly lines: readonly string[]
  /** What is announced of each control besides what is seen: its role, its name, and how far it goes. */
  readonly announced: readonly string[]
  /** Lines of live regions, which may come and go by themselves. */
  readonly live: readonly string[]
}

export const EMPTY_PICTURE: Picture = { lines: [], announced: [], live: [] }

/** Takes the picture of all that is inside a container, through open shadow roots and slots. */
export function pictureOf(container: Element): Picture {
  const walk = walkOver()
  visitAll(container, walk)
  flush(walk)
  return { lines: walk.lines, announced: walk.announced, live: walk.live }
}

export function samePicture(one: Picture, other: Picture): boolean {
  return sameLines(one.announced, other.announced) && looksSame(one, other)
}

/** Whether a person who sees it sees no difference. */
export function looksSame(one: Picture, other: Picture): boolean {
  return (
    sameLines(one.lines, other.lines) &&
    (one.live.length === 0 || other.live.length === 0 || sameLines(one.live, other.live))
  )
}

/** A picture on one line, for a ledger. */
export function pictureText(picture: Picture): string {
  return [...picture.lines, ...picture.live].join(' · ')
}

/** Everything that is seen or announced. */
export function allLines({ lines, announced: said, live }: Picture): string[] {
  return [...lines, ...said, ...live]
}

/** Lines in words: what is shown, then what is announced. */
export function linesText(lines: readonly string[]): string {
  const said = lines.filter((line) => line.startsWith(ANNOUNCED))
  const shown = lines.filter((line) => !line.startsWith(ANNOUNCED))
  return [
    ...(shown.length > 0 || said.length === 0 ? [`shown ${shown.join(' · ')}`] : []),
    ...(said.length > 0 ? [`announced ${said.map((line) => line.slice(ANNOUNCED.length)).join(' · ')}`] : []),
  ].join(', and ')
}

/** The lines of one picture that another has not, each as often as it is missing there. */
export function linesOnlyIn(picture: Picture, other: Picture): string[] {
  const left = allLines(other)
  return allLines(picture).filter((line) => {
    const at = left.indexOf(line)
    if (at >= 0) left.splice(at, 1)
    return at < 0
  })
}

interface Walk {
  readonly lines: string[]
  readonly announced: string[]
  readonly live: string[]
  /** Where a line goes that ends here. */
  into: string[]
  text: string
  /** What the styles of the tree that is walked now may hide; asked once a tree. */
  hiding: Hiding | undefined
}

function walkOver(): Walk {
  const lines: string[] = []
  return { lines, announced: [], live: [], into: lines, text: '', hiding: undefined }
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
  // Without any attribute it is no control by its role, nothing live, and nothing that comes and goes.
  const isBare = !element.hasAttributes()
  if (SILENT.has(name) || (!isBare && comesAndGoes(element))) return
  if (isHidden(element, (walk.hiding ??= hidingIn(element.getRootNode())))) {
    // A hidden file field is opened by something else: what its dialog offers is seen then.
    if (isFileField(element)) walk.announced.push(`${ANNOUNCED}a file dialog of ${element.accept || 'all files'}`)
    return
  }
  const control = controlText(element)
  if (control !== undefined) {
    flush(walk)
    walk.into.push(control)
    walk.announced.push(announced(element))
    return
  }
  const isBlock = BLOCKS.has(name) || name.includes('-')
  if (isBlock || name === 'br') flush(walk)
  const before = walk.into
  if (!isBare && isLive(element)) {
    flush(walk)
    walk.into = walk.live
  }
  const group = isBare ? undefined : groupName(element)
  if (group !== undefined) walk.announced.push(group)
  visitUnder(element, walk)
  if (!isBare)
    walk.text += markText(element)
      .map((mark) => ` (${mark})`)
      .join('')
  if (isBlock || walk.into !== before) flush(walk)
  walk.into = before
}

function isFileField(element: HTMLElement): element is HTMLInputElement {
  return element.localName === 'input' && (element as HTMLInputElement).type === 'file'
}

/** What is drawn under an element: its shadow tree instead of its children, and what is slotted instead of a slot's own. */
function visitUnder(element: Element, walk: Walk): void {
  const shadow = shadowOf(element)
  if (shadow !== null) return inTree(walk, () => visitAll(shadow, walk))
  if (isFolded(element)) {
    const summary = element.querySelector(':scope > summary')
    return void (summary === null || visit(summary, walk))
  }
  const assigned = element.localName === 'slot' ? (element as HTMLSlotElement).assignedNodes() : []
  if (assigned.length === 0) visitAll(element, walk)
  if (assigned.length > 0) inTree(walk, () => assigned.forEach((node) => visit(node, walk)))
}

/** What is walked meanwhile stands in a tree of its own, with its own styles. */
function inTree(walk: Walk, walkIt: () => void): void {
  const before = walk.hiding
  walk.hiding = undefined
  walkIt()
  walk.hiding = before
}

function visitAll(parent: Node, walk: Walk): void {
  for (let node = parent.firstChild; node !== null; node = node.nextSibling) visit(node, walk)
}

/** What is shown only while something is open: whether it is open is no part of the picture. */
function comesAndGoes(element: HTMLElement): boolean {
  return said(element, 'role') === 'listbox' && isPopupList(element)
}

/** What is drawn, without what assistive technology alone is told beside it: of `[2 of 5] ★★☆☆☆` the stars. */
export function drawnLines({ lines }: Picture): string[] {
  return lines.map((line) => line.replace(/^\[\d[^\]]*\] (?=[^“(])/, ''))
}

function sameLines(one: readonly string[], other: readonly string[]): boolean {
  return one.length === other.length && one.every((line, at) => line === other[at])
}
