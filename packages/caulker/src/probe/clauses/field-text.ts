import type { Given } from '../../mount/index.js'
import { controlRefs, findControl, type ControlRef } from '../person/controls.js'
import { contentOf } from '../person/fields.js'
import { gesture } from '../stage/trail.js'
import { isField, type Subject } from '../subject/subject.js'

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

/** What a field shows to who is in it: a unit may be left out there. */
export function textInside(subject: Subject, given: Given, on: ControlRef): Promise<string | undefined> {
  return subject.lookAfter(given, [gesture({ do: 'caret', on, at: 0 })], fieldText(on))
}
