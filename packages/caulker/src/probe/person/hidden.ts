import { shadowOf } from '../../dom/index.js'

/** Which elements of a tree may be hidden, or shown though they say otherwise, by a style; to compute one for nothing has its price. */
export interface Hiding {
  /** Selectors of what is not drawn. */
  readonly hides: readonly string[]
  /** Selectors of what is drawn in some way of its own. */
  readonly draws: readonly string[]
}

/** Any element: of a style that cannot be read, or whose rules stand within others. */
const ANY = '*'

/** HTML Standard, sections 4.11.4, 6.1 and 6.12: whether an element itself is not drawn, by what it says or by the styles of its tree. */
export function isHidden(element: Element, hiding = hidingIn(element.getRootNode())): boolean {
  const isClosed = saysItIsHidden(element)
  const isStyled = isClosed ? matchesSome(element, hiding.draws) : isStyledAway(element, hiding)
  if (!isStyled) return isClosed
  const style = element.ownerDocument.defaultView?.getComputedStyle(element)
  return style?.display === 'none' || /^(?:hidden|collapse)$/.test(style?.visibility ?? '')
}

function saysItIsHidden(element: Element): boolean {
  if (!element.hasAttributes()) return element.localName === 'dialog'
  return (
    element.hasAttribute('hidden') ||
    (element.localName === 'dialog' && !element.hasAttribute('open')) ||
    isPutAway(element)
  )
}

/** Where there are no popovers, none is ever put away. */
function isPutAway(element: Element): boolean {
  return element.hasAttribute('popover') && 'popover' in element && !element.matches(':popover-open')
}

const AWAY = /display\s*:\s*(?:none|var)|visibility\s*:\s*(?:hidden|collapse|var)/

function isStyledAway(element: Element, hiding: Hiding): boolean {
  return (
    AWAY.test(element.getAttribute('style') ?? '') ||
    matchesSome(element, hiding.hides) ||
    hidesFrom(shadowOf(element), ':host') ||
    hidesFrom(element.assignedSlot?.getRootNode() ?? null, '::slotted')
  )
}

/** CSS Scoping, section 3: a tree has rules for its host, and for what is slotted into it. */
function hidesFrom(tree: Node | null, selector: string): boolean {
  return tree !== null && hidingIn(tree).hides.some((one) => one.includes(selector))
}

function matchesSome(element: Element, selectors: readonly string[]): boolean {
  return selectors.some((selector) => selector === ANY || matches(element, selector))
}

/** A selector that cannot be asked here may fit. */
function matches(element: Element, selector: string): boolean {
  try {
    return element.matches(selector)
  } catch {
    return true
  }
}

interface Known extends Hiding {
  readonly children: number
  readonly adopted: readonly CSSStyleSheet[]
  readonly written: readonly { readonly style: Element; readonly text: string }[]
}

const known = new WeakMap<Node, Known>()

/** Where an embedded DOM gives a sheet to read: one for all styles of one text, until somebody asks for the style's own. */
export const READ_SHEET = Symbol.for('caulker.sheet to read')
type Style = (HTMLStyleElement | HTMLLinkElement) & { readonly [READ_SHEET]?: CSSStyleSheet | null }

/** The sheet of a style, to be read and not written. */
export function sheetOf(style: Element): CSSStyleSheet | null {
  return READ_SHEET in style ? ((style as Style)[READ_SHEET] ?? null) : (style as Style).sheet
}

/** What the styles of a tree hide; read again only where its styles are others. */
export function hidingIn(root: Node): Hiding {
  const tree = root as ShadowRoot | Document
  const before = known.get(tree)
  if (before !== undefined && isAsBefore(tree, before)) return before
  const written = [...tree.querySelectorAll('style, link[rel~="stylesheet"]')]
  const sheets = written.map(sheetOf)
  const adopted = [...(tree.adoptedStyleSheets ?? [])]
  const now: Known = {
    children: tree.childElementCount,
    adopted,
    written: written.map((style) => ({ style, text: style.textContent ?? '' })),
    ...selectorsOf([...sheets, ...adopted].flatMap(rulesOf)),
  }
  known.set(tree, now)
  return now
}

function isAsBefore(tree: ShadowRoot | Document, { children, adopted, written }: Known): boolean {
  const sheets = tree.adoptedStyleSheets ?? []
  return (
    tree.childElementCount === children &&
    sheets.length === adopted.length &&
    adopted.every((sheet, at) => sheet === sheets[at]) &&
    written.every(({ style, text }) => style.isConnected && style.textContent === text)
  )
}

interface Rule {
  readonly selector: string
  readonly style: { readonly display: string; readonly cssText: string }
}

function selectorsOf(rules: readonly Rule[]): Hiding {
  const of = (isWanted: (style: Rule['style']) => boolean) => [
    ...new Set(rules.flatMap(({ selector, style }) => (isWanted(style) ? [selector] : []))),
  ]
  return {
    hides: of(({ cssText }) => AWAY.test(cssText)),
    draws: of(({ display }) => display !== '' && display !== 'none'),
  }
}

/** A rule that may do anything to anything. */
const UNKNOWN: Rule = { selector: ANY, style: { display: 'block', cssText: 'display: none' } }

/** The rules of a sheet, those that hold only at times among them. */
function rulesOf(sheet: CSSStyleSheet | null | undefined): Rule[] {
  try {
    return sheet === null || sheet === undefined ? [] : [...sheet.cssRules].flatMap((rule) => rulesIn(rule, undefined))
  } catch {
    // CSSOM, section 6.1.1: a sheet of another origin cannot be read.
    return [UNKNOWN]
  }
}

function rulesIn(rule: CSSRule, around: string | undefined): Rule[] {
  const { selectorText, style, cssRules, styleSheet } = rule as Partial<CSSStyleRule & CSSImportRule>
  if (styleSheet !== undefined) return rulesOf(styleSheet)
  // CSS Nesting, section 3: what stands within another rule is selected by both.
  const selector = around === undefined ? selectorText : ANY
  const own = selector !== undefined && style !== undefined ? [{ selector, style }] : []
  return [...own, ...[...(cssRules ?? [])].flatMap((inner) => rulesIn(inner, selector ?? around))]
}
