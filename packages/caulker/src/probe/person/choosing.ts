import { chooseFiles } from '../../dom/index.js'
import { optionsOf } from './controls.js'
import type { Editor } from './editor.js'
import { tellChange } from './fields.js'
import type { Pointer } from './pointer.js'

type View = Window & typeof globalThis

/** Chooses an option: of a native select as the browser does, of any other list by clicking it. */
export function choose(
  view: View,
  element: HTMLElement,
  at: number,
  { editor, pointer }: { editor: Editor; pointer: Pointer },
): string | undefined {
  const option = optionsOf(element)[at]
  if (option === undefined) return `there is no option ${at + 1}`
  if (element.localName !== 'select') return void pointer.press(option)
  const select = element as HTMLSelectElement
  editor.focus(select)
  if (select.multiple) (option as HTMLOptionElement).selected = !(option as HTMLOptionElement).selected
  else if (select.selectedIndex === at) return undefined
  else select.selectedIndex = at
  tellChange(view, select)
  return undefined
}

export function pick(view: View, field: HTMLInputElement, file: File, editor: Editor): void {
  editor.focus(field)
  // The browser makes a new object of a file each time that it is chosen.
  const chosen = new view.File([file], file.name, { type: file.type, lastModified: file.lastModified })
  if (chooseFiles(field, [chosen])) tellChange(view, field)
}
