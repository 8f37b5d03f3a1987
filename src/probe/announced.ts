import { kindOf } from './controls.js'
import { isLive } from './live.js'

/** What assistive technology is told of a control that nobody sees there: `slider “Pitch”, 0 to 40`. */
export function announced(element: HTMLElement): string {
  const role = element.getAttribute('role') ?? kindOf(element) ?? element.localName
  const name = nameFromElsewhere(element)
  return `announced: ${role}${name === '' ? '' : ` “${name}”`}${range(element)}`
}

/** Accessible Name and Description Computation 1.2, section 4.3.2, for names that stand somewhere else. */
function nameFromElsewhere(element: HTMLElement): string {
  const root = element.getRootNode() as Document | ShadowRoot
  const ids = (element.getAttribute('aria-labelledby') ?? '').split(/\s+/).filter(Boolean)
  const referred = ids.map((id) => root.getElementById(id)).filter((one) => one !== null)
  if (referred.length > 0) return textOf(referred)
  const spoken = element.getAttribute('aria-label')
  if (spoken) return spoken
  const labels = [...((element as HTMLInputElement).labels ?? [])]
  return labels.length > 0 ? textOf(labels) : (element.getAttribute('title') ?? '')
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

function range(element: HTMLElement): string {
  const { min, max, type } = element as HTMLInputElement
  const ends =
    element.localName === 'input' && type !== 'range'
      ? [min, max]
      : [element.getAttribute('aria-valuemin') ?? '', element.getAttribute('aria-valuemax') ?? '']
  return ends.some(Boolean) ? `, ${ends[0] || '…'} to ${ends[1] || '…'}` : ''
}
