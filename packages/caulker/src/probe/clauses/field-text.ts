import { controlRefs, findControl, type ControlRef } from '../person/controls.js'
import { isField } from '../subject/subject.js'

/** Reads what stands in a field, for a look at the component. */
export function fieldText(on: ControlRef): (container: HTMLElement) => string | undefined {
  return (container) => (findControl(container, on) as HTMLInputElement | undefined)?.value
}

/** What stands in each field. */
export function fieldTexts(container: HTMLElement): { readonly ref: ControlRef; readonly text: string }[] {
  return controlRefs(container).flatMap(({ ref, element }) =>
    isField(ref) && 'value' in element ? [{ ref, text: String(element.value) }] : [],
  )
}
