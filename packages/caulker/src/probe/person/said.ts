/** What elements say of themselves to assistive technology: by their attributes, or inside, by their ElementInternals. */

const insides = new WeakMap<Element, Said>()

type Said = Partial<Record<string, unknown>>

/** WAI-ARIA 1.2, section 10.1: by attribute, the property that says the same. */
const PROPERTIES: Readonly<Record<string, string>> = {
  role: 'role',
  'aria-checked': 'ariaChecked',
  'aria-current': 'ariaCurrent',
  'aria-description': 'ariaDescription',
  'aria-disabled': 'ariaDisabled',
  'aria-expanded': 'ariaExpanded',
  'aria-haspopup': 'ariaHasPopup',
  'aria-invalid': 'ariaInvalid',
  'aria-label': 'ariaLabel',
  'aria-live': 'ariaLive',
  'aria-multiline': 'ariaMultiLine',
  'aria-placeholder': 'ariaPlaceholder',
  'aria-pressed': 'ariaPressed',
  'aria-readonly': 'ariaReadOnly',
  'aria-required': 'ariaRequired',
  'aria-roledescription': 'ariaRoleDescription',
  'aria-selected': 'ariaSelected',
  'aria-valuemax': 'ariaValueMax',
  'aria-valuemin': 'ariaValueMin',
  'aria-valuenow': 'ariaValueNow',
  'aria-valuetext': 'ariaValueText',
}

/** Notes by what an element says of itself without an attribute. */
export function noteInside(element: Element, internals: object): void {
  insides.set(element, internals as Said)
}

/** The attribute; where it is not written, what the element says of itself inside (HTML, section 4.13.7.5). */
export function said(element: Element, name: string): string | null {
  const written = element.getAttribute(name)
  if (written !== null) return written
  const internals = insides.get(element)
  const own = internals?.[PROPERTIES[name] ?? '']
  return typeof own === 'string' ? own : null
}

/** Whether it says by anything but attributes what it is. */
export function saysInside(element: Element): boolean {
  return insides.has(element)
}

/** The texts that it says of itself inside. */
export function saidInside(element: Element): string[] {
  const internals = insides.get(element)
  return Object.values(PROPERTIES).flatMap((name) => {
    const own = name === 'role' ? undefined : internals?.[name]
    return typeof own === 'string' ? [own] : []
  })
}
