import { kindOf } from '../person/controls.js'
import { said, saysInside } from '../person/said.js'
import { isLive } from './live.js'

/** How a line begins that nobody sees. */
export const ANNOUNCED = 'announced: '

const LABELLED = ['input', 'select', 'textarea']

/** What assistive technology is told of a control that nobody sees there: `slider “Pitch”, 0 to 40`. */
export function announced(element: HTMLElement): string {
  // Asked for at once: in an embedded DOM each question has its price, and most controls have few attributes.
  const has = element.getAttributeNames()
  const isInside = saysInside(element)
  const attribute = (name: string) =>
    isInside ? said(element, name) : has.includes(name) ? element.getAttribute(name) : null
  const name = nameFromElsewhere(element, attribute)
  return `${ANNOUNCED}${attribute('role') ?? kindOf(element) ?? element.localName}${name === '' ? '' : ` “${name}”`}${range(element, attribute)}`
}

/** The name that only assistive technology is told of what stands around others: a group, a list, a landmark. */
export function groupName(element: HTMLElement): string | undefined {
  const name = element.getAttribute('aria-label')
  return name ? `${ANNOUNCED}${element.getAttribute('role') ?? element.localName} “${name}”` : undefined
}

type Ask = (name: string) => string | null

/** Accessible Name and Description Computation 1.2, section 4.3.2, for names that stand somewhere else. */
function nameFromElsewhere(element: HTMLElement, attribute: Ask): string {
  const ids = (attribute('aria-labelledby') ?? '').split(/\s+/).filter(Boolean)
  if (ids.length > 0) {
    const root = element.getRootNode() as Document | ShadowRoot
    const referred = ids.map((id) => root.getElementById(id)).filter((one) => one !== null)
    if (referred.length > 0) return textOf(referred)
  }
  const spoken = attribute('aria-label')
  if (spoken) return spoken
  const labels = LABELLED.includes(element.localName) ? [...((element as HTMLInputElement).labels ?? [])] : []
  return labels.length > 0 ? textOf(labels) : (attribute('title') ?? '')
}

/** What a live region says comes and goes by itself, and is no name. */
function textOf(elements: readonly HTMLElement[]): string {
  return elements
    .filter((one) => !isLive(one))
    .map((one) => one.textContent ?? '')
    .join(' ')
    .replace(/\s+/g, ' ')
    .trim()
}

/** How far a slider goes is seen; how far any other field goes, and a control by its role, is only said. */
function range(element: HTMLElement, attribute: Ask): string {
  const isField = element.localName === 'input' && attribute('type') !== 'range'
  const [from, to] = isField
    ? [attribute('min'), attribute('max')]
    : [attribute('aria-valuemin'), attribute('aria-valuemax')]
  return from || to ? `, ${from || '…'} to ${to || '…'}` : ''
}
