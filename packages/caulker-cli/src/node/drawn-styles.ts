import Specificity from '@bramus/specificity'
import { hidingIn, parentOf, READ_SHEET, sheetOf } from 'caulker/inside/probe'

type View = Window & typeof globalThis
type Drawn = 'display' | 'visibility'

/** What may say by itself, and not by its name alone, that it is not drawn. */
const SAYS = '[hidden], [popover], dialog, [type="hidden"]'

/**
 * Whether an element is drawn, as a browser would compute it: an embedded DOM knows no styles of shadow trees, and computes all of a
 * style where only this is asked. Conditions such as those on media never hold there. What else is asked of a style is computed as before.
 */
export function installDrawnStyles(view: View): void {
  giveSheets(view)
  const computed = view.getComputedStyle.bind(view)
  const byTag = new Map<string, string>()
  const drawn = { display: (element: Element) => displayOf(element), visibility: visibilityOf }

  function displayOf(element: Element): string {
    const own = ownValue(element, 'display')
    if (own !== undefined) return own
    const { localName } = element
    if (localName.includes('-') || element.matches(SAYS)) return computed(element).display
    const known = byTag.get(localName) ?? computed(view.document.createElement(localName)).display
    byTag.set(localName, known)
    return known
  }

  view.getComputedStyle = (element, pseudo) => {
    if (pseudo !== undefined && pseudo !== null) return computed(element, pseudo)
    let known: CSSStyleDeclaration | undefined
    const whole = () => (known ??= computed(element))
    const valueOf = (name: string) =>
      name === 'display' || name === 'visibility' ? drawn[name](element) : whole().getPropertyValue(name)
    return new Proxy({} as CSSStyleDeclaration, {
      get(_, name) {
        if (name === 'getPropertyValue') return valueOf
        if (name === 'display' || name === 'visibility') return drawn[name](element)
        const value = Reflect.get(whole(), name, whole()) as unknown
        return typeof value === 'function' ? (value.bind(whole()) as unknown) : value
      },
    })
  }
}

/** Each style element of a shadow tree has its sheet; to be read there is one for all of the same text, for thousands are mounted. */
function giveSheets({ HTMLStyleElement: { prototype }, CSSStyleSheet, ShadowRoot }: View): void {
  const own = Object.getOwnPropertyDescriptor(prototype, 'sheet')
  const read = new WeakMap<Element, { readonly text: string; readonly sheet: CSSStyleSheet }>()
  const shared = new Map<string, CSSStyleSheet>()
  const parsed = (text: string) => {
    const sheet = new CSSStyleSheet()
    sheet.replaceSync(text)
    return sheet
  }
  Object.defineProperty(prototype, 'sheet', {
    configurable: true,
    get(this: HTMLStyleElement): CSSStyleSheet | null {
      if (!(this.getRootNode() instanceof ShadowRoot)) return own?.get?.call(this) as CSSStyleSheet | null
      const text = this.textContent ?? ''
      const before = read.get(this)
      if (before?.text === text) return before.sheet
      const sheet = parsed(text)
      read.set(this, { text, sheet })
      return sheet
    },
  })
  Object.defineProperty(prototype, READ_SHEET, {
    configurable: true,
    get(this: HTMLStyleElement): CSSStyleSheet | null {
      if (read.has(this) || !(this.getRootNode() instanceof ShadowRoot)) return this.sheet
      const text = this.textContent ?? ''
      const known = shared.get(text) ?? parsed(text)
      shared.set(text, known)
      return known
    },
  })
}

/** CSS Display, section 4: it is inherited. */
function visibilityOf(element: Element): string {
  for (let one: Element | null = element; one !== null; one = parentOf(one)) {
    const own = ownValue(one, 'visibility')
    if (own !== undefined) return own
  }
  return 'visible'
}

/** CSS Cascading and Inheritance, section 6: the important, then what is written on it, then the most specific, then the last. */
function ownValue(element: Element, name: Drawn): string | undefined {
  const root = element.getRootNode() as ShadowRoot | Document
  const { hides, draws } = hidingIn(root)
  const inline = (element as HTMLElement).hasAttribute('style')
    ? (element as HTMLElement).style.getPropertyValue(name)
    : ''
  const written = inline === '' ? undefined : inline
  if (hides.length === 0 && draws.length === 0) return written
  const ranked = rulesOf(root)
    .filter(({ selectorText, style }) => style.getPropertyValue(name) !== '' && fits(element, selectorText))
    .map(({ selectorText, style }) => ({
      value: style.getPropertyValue(name),
      isImportant: style.getPropertyPriority(name) === 'important',
      specificity: Specificity.max(...Specificity.calculate(selectorText)),
    }))
    .sort((one, other) => Specificity.compare(one.specificity, other.specificity))
  return ranked.findLast((one) => one.isImportant)?.value ?? written ?? ranked.at(-1)?.value
}

function rulesOf(root: ShadowRoot | Document): CSSStyleRule[] {
  const written = [...root.querySelectorAll('style')].map(sheetOf)
  return [...written, ...((root.adoptedStyleSheets as CSSStyleSheet[] | undefined) ?? [])].flatMap((sheet) =>
    [...(sheet?.cssRules ?? [])].filter((rule): rule is CSSStyleRule => 'selectorText' in rule),
  )
}

/** A selector that the embedded DOM does not know fits nothing. */
function fits(element: Element, selector: string): boolean {
  try {
    return element.matches(selector)
  } catch {
    return false
  }
}
