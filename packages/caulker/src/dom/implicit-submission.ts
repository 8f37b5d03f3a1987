import { isLine } from './text-entry.js'

const SUBMITS = 'button:not([type=button], [type=reset]), input[type=submit], input[type=image]'

/**
 * Enter in a field of one line inside an element submits the form around the element, as it does in a field of the form itself (HTML,
 * section 4.10.21.2): through the first button that submits, or without one where there is no other line to fill.
 */
export function submitByEnter(event: KeyboardEvent, form: HTMLFormElement | null | undefined): void {
  const field = event.composedPath()[0] as HTMLInputElement | undefined
  if (event.key !== 'Enter' || event.isComposing || event.defaultPrevented) return
  if (form == null || field === undefined || !isLine(field) || field.form !== null) return
  const controls = [...form.elements]
  const button = controls.find((control) => control.matches(SUBMITS)) as HTMLButtonElement | undefined
  if (button === undefined && controls.some(isLine)) return
  event.preventDefault()
  // What was typed is reported first.
  field.blur()
  field.focus()
  if (button === undefined) form.requestSubmit()
  else button.click()
}
