import { computeAccessibleName } from 'dom-accessibility-api'
import { deepActiveElement, shadowOf } from '../../dom/index.js'
import { areasIn } from './areas.js'
import { isEditable, isReadOnly } from './fields.js'
import { parentOf } from './drawn-in.js'
import { isHidden } from './hidden.js'
import { isBehindModal } from './layers.js'
import { said, saysInside } from './said.js'

export type ControlKind =
  | 'text field'
  | 'number field'
  | 'slider'
  | 'spin button'
  | 'checkbox'
  | 'switch'
  | 'radio button'
  | 'select'
  | 'list box'
  | 'grid'
  | 'combo box'
  | 'button'
  | 'file field'
  /** What hears the pointer and says by no role what it is. */
  | 'area'
  /** The component as a whole, where gestures of its own are named for it. */
  | 'component'

/** Where a person acts, named so that it is found again on another instance: the how-manieth control of its kind. */
export interface ControlRef {
  readonly kind: ControlKind
  readonly nth: number
  readonly label: string
}

/** The component itself, found by its tag; where it is no element, by what is drawn first. */
export function componentRef(tag: string): ControlRef {
  return { kind: 'component', nth: 0, label: tag }
}

export interface Control {
  readonly kind: ControlKind
  readonly element: HTMLElement
}

/** Every control inside a container in document order, through shadow roots and slots. */
export function controlsIn(container: ParentNode): Control[] {
  return elementsIn(container).flatMap((element): Control[] => {
    const kind = kindOf(element)
    if (kind === undefined || (kind === 'list box' && isPopupList(element))) return []
    return [{ kind, element: element as HTMLElement }]
  })
}

/** Every element inside a container, through shadow roots: of each what is in its root before what is slotted. */
export function elementsIn(container: ParentNode): Element[] {
  const found: Element[] = []
  const visitAll = (parent: ParentNode) => {
    for (let child = parent.firstElementChild; child !== null; child = child.nextElementSibling) {
      found.push(child)
      const shadow = shadowOf(child)
      if (shadow !== null) visitAll(shadow)
      visitAll(child)
    }
  }
  visitAll(container)
  return found
}

export function findControl(container: Element, { kind, nth, label }: ControlRef): HTMLElement | undefined {
  if (kind === 'component')
    return (container.getElementsByTagName(label)[0] ?? container.firstElementChild ?? undefined) as
      HTMLElement | undefined
  if (kind === 'area') return areasIn(container, isControl)[nth]
  const alike = controlsIn(container).filter((control) => control.kind === kind)
  const there = alike[nth]?.element
  if (label === '' || there === undefined || saysPlainly(there, label) || accessibleName(there) === label) return there
  // Others may have come or gone before it; one that says something else by now is found by its place.
  const named = alike.filter(({ element }) => accessibleName(element) === label && takesKeys(element))
  return named.length === 1 ? named[0]?.element : there
}

/** Whether it has a name by one of the common ways: to work out a name by all its rules has its price in an embedded DOM. */
function saysPlainly(element: HTMLElement, label: string): boolean {
  if (element.getAttribute('aria-label') === label || element.textContent?.trim() === label) return true
  const labels = (element as Partial<HTMLInputElement>).labels
  return labels?.[0]?.textContent?.trim() === label
}

/** The references of all controls that a person can operate now. */
export function controlRefs(container: ParentNode): { ref: ControlRef; element: HTMLElement }[] {
  const counts = new Map<ControlKind, number>()
  return controlsIn(container).map(({ kind, element }) => {
    const nth = counts.get(kind) ?? 0
    counts.set(kind, nth + 1)
    return { ref: { kind, nth, label: accessibleName(element) }, element }
  })
}

/** What else a person may try: places that hear the pointer, named by what is written there. */
export function areaRefs(container: ParentNode): { ref: ControlRef; element: HTMLElement }[] {
  return areasIn(container, isControl).map((element, nth) => ({
    ref: { kind: 'area', nth, label: accessibleName(element) || (element.textContent ?? '').trim().slice(0, 20) },
    element,
  }))
}

function isControl(element: Element): boolean {
  return kindOf(element) !== undefined
}

/** Whether a control says that a person can do something with it. */
export function isOperable(element: HTMLElement): boolean {
  return isReachable(element) && said(element, 'aria-disabled') !== 'true' && said(element, 'aria-readonly') !== 'true'
}

/** Whether a person's hands get to it: what only says that it is disabled still takes a click and a key. */
export function isReachable(element: HTMLElement): boolean {
  return takesKeys(element) && !isReadOnly(element)
}

/** A field that is read only takes the focus and hears keys. */
export function takesKeys(element: HTMLElement): boolean {
  return (
    (element as HTMLInputElement).disabled !== true &&
    element.isConnected &&
    !isShutOff(element) &&
    !isBehindModal(element)
  )
}

/** Whether something around it keeps everybody out; asked step by step, since a selector has its price. */
function isShutOff(element: Element): boolean {
  let inner: Element | undefined
  for (let one: Element | null = element; one !== null; inner = one, one = parentOf(one))
    if (
      one.hasAttribute('inert') ||
      (one.localName === 'fieldset' && one.hasAttribute('disabled') && one.contains(element)) ||
      (isFolded(one) && inner?.localName !== 'summary') ||
      (isHidden(one) && !(one === element && isOpenedByOthers(one)))
    )
      return true
  return false
}

/** A field that is styled away is still worked by what is drawn for it: its label, or what opens its dialog. */
function isOpenedByOthers(element: Element): boolean {
  const { type, labels } = element as Partial<HTMLInputElement>
  if (element.localName !== 'input' || element.hasAttribute('hidden')) return false
  return (
    type === 'file' ||
    ((type === 'checkbox' || type === 'radio') && [...(labels ?? [])].some((label) => !isHidden(label)))
  )
}

/** HTML Standard, section 4.11.1: closed, only its summary is there. */
export function isFolded(element: Element): boolean {
  return element.localName === 'details' && !element.hasAttribute('open')
}

/** What can be chosen in a select, in a list or a grid, or in the list that a combo box opens. */
export function optionsOf(control: HTMLElement): HTMLElement[] {
  if (control.localName === 'select') return [...(control as HTMLSelectElement).options]
  if (said(control, 'role') === 'grid') return cellsOf(control).filter(isReachable)
  const list = opensList(control) ? popupOf(control) : control
  return [...(list?.querySelectorAll<HTMLElement>('[role="option"]') ?? [])].filter(isReachable)
}

function cellsOf(grid: Element): HTMLElement[] {
  return [...grid.querySelectorAll<HTMLElement>('[role="gridcell"]')]
}

/** A grid whose cells hold controls is operated there; one of bare cells is itself what is operated. */
function isGridOfChoices(grid: Element): boolean {
  const cells = cellsOf(grid)
  return cells.length > 0 && cells.every((cell) => [...cell.querySelectorAll('*')].every((inner) => !isControl(inner)))
}

/** WAI-ARIA 1.2, sections 5.4 and 6.6.1: what opens a list to choose from. */
const OPENERS = '[role="combobox"], [aria-haspopup="listbox"]'

/** The same, without the price of a selector. */
function opensList(element: Element): boolean {
  return said(element, 'role') === 'combobox' || said(element, 'aria-haspopup') === 'listbox'
}

/** A combo box names the list that it opens; one that names none may draw it at the end of the page. */
function popupOf(control: HTMLElement): Element | undefined {
  const root = control.getRootNode() as ShadowRoot | Document
  const id = control.getAttribute('aria-controls') ?? control.getAttribute('aria-owns')
  const named = id === null ? null : (root.getElementById(id) ?? control.ownerDocument.getElementById(id))
  return (
    named ??
    root.querySelector('[role="listbox"]') ??
    control.ownerDocument.querySelector('[role="listbox"]') ??
    undefined
  )
}

/** Whether the focus is in the list that a combo box has opened: keys go there. */
export function isInItsList(control: HTMLElement): boolean {
  const active = deepActiveElement(control.ownerDocument)
  return active !== null && opensList(control) && popupOf(control)?.contains(active) === true
}

/** WAI-ARIA 1.2, section 6.6.1: what keys act on: what has the focus, or what that says is active in its place. */
export function actedOn({ ownerDocument }: HTMLElement): HTMLElement | null {
  const active = deepActiveElement(ownerDocument) as HTMLElement | null
  const id = active?.getAttribute('aria-activedescendant') ?? ''
  return id === '' ? active : ((active?.getRootNode() as Partial<Document>).getElementById?.(id) ?? active)
}

/** Whether a list is only there while a combo box is open. */
export function isPopupList(list: Element): boolean {
  const root = list.getRootNode() as ShadowRoot | Document
  return [...root.querySelectorAll<HTMLElement>(OPENERS)].some((one) => popupOf(one) === list)
}

function accessibleName(element: HTMLElement): string {
  // What computes names knows no names that are said inside.
  const own = saysInside(element) && !element.hasAttribute('aria-labelledby') ? said(element, 'aria-label') : null
  if (own !== null && own !== '') return own.trim()
  try {
    return computeAccessibleName(element).trim()
  } catch {
    return ''
  }
}

const INPUT_KINDS: Readonly<Record<string, ControlKind>> = {
  number: 'number field',
  range: 'slider',
  checkbox: 'checkbox',
  radio: 'radio button',
  file: 'file field',
  button: 'button',
  submit: 'button',
  reset: 'button',
  image: 'button',
}

/** WAI-ARIA 1.2, section 5.4: the roles of what a person operates. */
const ROLE_KINDS: Readonly<Record<string, ControlKind>> = {
  button: 'button',
  checkbox: 'checkbox',
  switch: 'switch',
  radio: 'radio button',
  slider: 'slider',
  spinbutton: 'spin button',
  listbox: 'list box',
  combobox: 'combo box',
  tab: 'button',
  menuitem: 'button',
  menuitemcheckbox: 'checkbox',
  menuitemradio: 'radio button',
  treeitem: 'button',
}

export function kindOf(element: Element): ControlKind | undefined {
  const role = said(element, 'role')
  switch (element.localName) {
    case 'input': {
      const { type } = element as HTMLInputElement
      if (role === 'combobox') return 'combo box'
      return type === 'hidden' ? undefined : (INPUT_KINDS[type] ?? 'text field')
    }
    case 'textarea':
      return 'text field'
    case 'select':
      return 'select'
    case 'summary':
      return element.parentElement?.localName === 'details' ? 'button' : undefined
    case 'button':
      if (opensList(element)) return 'combo box'
      return role === 'switch' || role === 'combobox' || role === 'checkbox' || role === 'radio'
        ? ROLE_KINDS[role]
        : 'button'
    default:
      break
  }
  if (isEditable(element) && !isEditable(element.parentElement)) return 'text field'
  if (role === 'grid') return isGridOfChoices(element) ? 'grid' : undefined
  return role === null ? undefined : ROLE_KINDS[role]
}
