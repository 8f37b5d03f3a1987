import { computeAccessibleName } from 'dom-accessibility-api'

export type ControlKind =
  'text field' | 'number field' | 'slider' | 'checkbox' | 'radio button' | 'select' | 'button' | 'file field'

/** Where a person acts, named so that it is found again on another instance: the how-manieth control of its kind. */
export interface ControlRef {
  readonly kind: ControlKind
  readonly nth: number
  readonly label: string
}

export interface Control {
  readonly kind: ControlKind
  readonly element: HTMLElement
}

/** Every control inside a container in document order, through open shadow roots and slots. */
export function controlsIn(container: ParentNode): Control[] {
  const found: Control[] = []
  const visit = (element: Element) => {
    const kind = kindOf(element)
    if (kind !== undefined) found.push({ kind, element: element as HTMLElement })
    if (element.shadowRoot !== null) visitAll(element.shadowRoot)
    visitAll(element)
  }
  const visitAll = (parent: ParentNode) => {
    for (let child = parent.firstElementChild; child !== null; child = child.nextElementSibling) visit(child)
  }
  visitAll(container)
  return found
}

export function findControl(container: ParentNode, { kind, nth }: ControlRef): HTMLElement | undefined {
  return controlsIn(container).filter((control) => control.kind === kind)[nth]?.element
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

export function isOperable(element: HTMLElement): boolean {
  const { disabled, readOnly } = element as HTMLInputElement
  return (
    disabled !== true &&
    readOnly !== true &&
    element.getAttribute('aria-disabled') !== 'true' &&
    element.isConnected &&
    !element.closest('[hidden], [inert], fieldset[disabled]')
  )
}

function accessibleName(element: HTMLElement): string {
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

function kindOf(element: Element): ControlKind | undefined {
  switch (element.localName) {
    case 'input': {
      const { type } = element as HTMLInputElement
      return type === 'hidden' ? undefined : (INPUT_KINDS[type] ?? 'text field')
    }
    case 'textarea':
      return 'text field'
    case 'select':
      return 'select'
    case 'button':
      return 'button'
    default:
      break
  }
  if ((element as HTMLElement).isContentEditable && !(element.parentElement?.isContentEditable ?? false))
    return 'text field'
  const role = element.getAttribute('role')
  if (role === 'button') return 'button'
  return role === 'checkbox' || role === 'switch' ? 'checkbox' : role === 'radio' ? 'radio button' : undefined
}
