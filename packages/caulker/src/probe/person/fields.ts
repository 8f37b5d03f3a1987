const UNTYPED = ['checkbox', 'radio', 'button', 'submit', 'reset', 'file', 'image']

const WHOLE_AT_ONCE = ['date', 'time', 'month', 'week', 'datetime-local']

/** Fields that take a text as a whole, whatever is struck. */
export function isWhole(type: string): boolean {
  return [...WHOLE_AT_ONCE, 'color', 'range'].includes(type)
}

/** Fields whose whole value is there with one stroke or one pick: a browser tells of the change together with the input. */
export function changesAtOnce(type: string | undefined): boolean {
  return WHOLE_AT_ONCE.includes(type ?? '')
}

/** Whether a person edits a text in it. */
export function isTextual(element: HTMLElement): element is HTMLInputElement {
  return (
    element.localName === 'textarea' ||
    isEditable(element) ||
    (element.localName === 'input' && !UNTYPED.includes((element as HTMLInputElement).type))
  )
}

/** HTML Standard, section 4.10.5.1: a box, a slider or a colour knows no such state. */
export function isReadOnly(element: HTMLElement): boolean {
  const { readOnly, type } = element as HTMLInputElement
  return readOnly === true && isTextual(element) && type !== 'range' && type !== 'color'
}

/** Whether letters of it can be selected: not in a date, a number or a colour. */
export function hasSelection(field: HTMLInputElement): boolean {
  return typeof field.selectionStart === 'number'
}

/** HTML Standard, section 6.8.1: an element whose text a person edits; an embedded DOM knows it by its attribute only. */
export function isEditable(element: Element | null): boolean {
  if (element === null) return false
  const written = element.getAttribute('contenteditable')
  return (
    (element as HTMLElement).isContentEditable === true || ['', 'true', 'plaintext-only'].includes(written ?? 'false')
  )
}

export function textOf(field: HTMLInputElement): string {
  return isFreeText(field) ? (field.textContent ?? '') : field.value
}

/** What stands in it, where it is a field of any make. */
export function contentOf(element: HTMLElement | undefined): string | undefined {
  if (element === undefined) return undefined
  return isTextual(element) ? textOf(element) : 'value' in element ? String(element.value) : undefined
}

/** An editable element that is no field holds its text itself. */
export function isFreeText(element: HTMLElement): boolean {
  return element.localName !== 'input' && element.localName !== 'textarea'
}

/** A change that is final at once, as native controls tell of it. */
export function tellChange(view: Window & typeof globalThis, control: HTMLElement): void {
  control.dispatchEvent(new view.Event('input', { bubbles: true, composed: true }))
  control.dispatchEvent(new view.Event('change', { bubbles: true }))
}
