import { deepActiveElement } from './focus.js'

/** Fields whose text is built up key by key (HTML, section 4.10.5.1). */
const TEXT_ENTRIES = ['text', 'search', 'email', 'tel', 'url', 'password', 'number', 'date', 'time', 'month', 'week']

export function isTextEntry(target: EventTarget | null | undefined): target is HTMLInputElement {
  const field = target as Partial<HTMLInputElement> | null | undefined
  if (field?.localName === 'textarea' || field?.isContentEditable === true) return true
  return isLine(field)
}

/** A field of one line, where Enter means that one is done. */
export function isLine(field: Partial<HTMLInputElement> | null | undefined): boolean {
  return field?.localName === 'input' && TEXT_ENTRIES.includes(field.type ?? '')
}

/** A text that is filled in from elsewhere, while nobody is in the field, is no typing. */
export function isTypedInto(target: EventTarget | null | undefined): boolean {
  return isTextEntry(target) && deepActiveElement(target.ownerDocument) === target
}
