import { controlRefs, findControl, type ControlRef } from '../person/controls.js'
import { contentOf } from '../person/fields.js'
import { isField } from '../subject/subject.js'

/** Reads what stands in a field, for a look at the component. */
export function fieldText(on: ControlRef): (container: HTMLElement) => string | undefined {
  return (container) => contentOf(findControl(container, on))
}

/** What stands in each field. */
export function fieldTexts(container: HTMLElement): { readonly ref: ControlRef; readonly text: string }[] {
  return controlRefs(container).flatMap(({ ref, element }) => {
    const text = isField(ref) ? contentOf(element) : undefined
    return text === undefined ? [] : [{ ref, text }]
  })
}
