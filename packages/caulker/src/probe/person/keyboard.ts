import { bring } from '../../contract/index.js'
import { deepActiveElement, isInside } from '../../dom/index.js'
import { isInItsList } from './controls.js'
import type { Key } from './gestures.js'
import type { Editor } from './editor.js'
import { isReadOnly, isTextual, tellChange } from './fields.js'
import { closeTop } from './layers.js'

/** Keys at a control, with what the browser does for a native one. */
export interface Keyboard {
  /** Returns why it cannot be pressed there, or nothing. */
  press(element: HTMLElement, key: Key): string | undefined
  /** Enter in a field ends the edit and submits its form. */
  enter(field: HTMLInputElement): void
}

export function createKeyboard(view: Window & typeof globalThis, editor: Editor): Keyboard {
  function press(element: HTMLElement, key: Key): string | undefined {
    if (!isInItsList(element)) editor.focus(element)
    const target = focusedIn(element)
    if (target === undefined) return 'it cannot be given the focus'
    if (editor.key(target, 'keydown', key)) actionOf(target, key)?.()
    editor.key(target, 'keyup', key)
    return undefined
  }

  /** HTML Standard, sections 4.10.5.1, 6.8 and 6.10: what the browser does at a key, where no script has prevented it. */
  function actionOf(element: HTMLElement, key: Key): (() => void) | undefined {
    const field = element as HTMLInputElement
    if (key === 'Escape') return () => closeTop(element)
    if (element.localName === 'select') return () => moveChoice(element as never as HTMLSelectElement, key)
    if (element.localName === 'button') return key === 'Enter' || key === ' ' ? () => element.click() : undefined
    if (element.localName !== 'input' || isReadOnly(element)) return undefined
    switch (field.type) {
      case 'number':
        return key === 'ArrowUp' || key === 'ArrowDown' ? () => step(field, key === 'ArrowUp' ? 1 : -1) : undefined
      case 'range':
        return () => slide(field, key)
      case 'radio':
        return key === ' ' ? () => element.click() : () => moveRadio(field, key)
      case 'checkbox':
        return key === ' ' ? () => element.click() : undefined
      default:
        return undefined
    }
  }

  function step(field: HTMLInputElement, by: number): void {
    // HTML Standard, section 4.10.5.3.8: a field of any step has none of its own; a browser then goes by one, up to its ends.
    const [least, most] = [Number(field.min || -Infinity), Number(field.max || Infinity)]
    const next = Math.min(Math.max(Number(field.value) + by, least), most)
    if (field.step === 'any') changed(field, () => (field.value = String(next)))
    else changed(field, () => (by > 0 ? field.stepUp(by) : field.stepDown(-by)))
  }

  function slide(field: HTMLInputElement, key: Key): void {
    const [least, most] = [Number(field.min || 0), Number(field.max || 100)]
    if (least > most) return
    const page = Math.max(1, Math.round((most - least) / 10 / strideOf(field)))
    const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: page, PageDown: -page }[key as string]
    if (by !== undefined) return step(field, by)
    const end = key === 'Home' ? least : key === 'End' ? most : undefined
    const limits = { least, most, step: strideOf(field), ordered: false, gap: 0 }
    if (end !== undefined) changed(field, () => (field.value = String(bring(end, limits))))
  }

  function changed(field: HTMLInputElement, change: () => void): void {
    const before = field.value
    change()
    if (field.value === before) return
    field.dispatchEvent(new view.Event('input', { bubbles: true, composed: true }))
    if (isTextual(field)) editor.commit()
  }

  function moveRadio(field: HTMLInputElement, key: Key): void {
    const by = DIRECTIONS[key] ?? 0
    const group = [...(field.getRootNode() as ParentNode).querySelectorAll<HTMLInputElement>('input[type="radio"]')]
    const others = group.filter((one) => one.name === field.name && one.form === field.form && !one.disabled)
    const next = others[(others.indexOf(field) + by + others.length) % others.length]
    if (by === 0 || field.name === '' || next === undefined || next === field) return
    next.focus()
    next.click()
  }

  function moveChoice(select: HTMLSelectElement, key: Key): void {
    const last = select.options.length - 1
    const to = key === 'Home' ? 0 : key === 'End' ? last : Math.min(last, select.selectedIndex + (DIRECTIONS[key] ?? 0))
    if (to < 0 || to === select.selectedIndex) return
    select.selectedIndex = to
    tellChange(view, select)
  }

  function enter(field: HTMLInputElement): void {
    editor.focus(field)
    if (editor.key(field, 'keydown', 'Enter')) {
      editor.commit()
      submitImplicitly(field)
    }
    editor.key(field, 'keyup', 'Enter')
  }

  return { press, enter }
}

/** Keys go to what has the focus: the control itself, or one of its parts that takes it over, its open list among them. */
export function focusedIn(element: HTMLElement): HTMLElement | undefined {
  const active = deepActiveElement(element.ownerDocument)
  if (active !== null && (isInside(active, element) || isInItsList(element))) return active as HTMLElement
  const part = element.querySelector<HTMLElement>('[tabindex="0"]')
  part?.focus()
  return part !== null && deepActiveElement(element.ownerDocument) === part ? part : undefined
}

function strideOf({ step }: HTMLInputElement): number {
  return Number(step) > 0 ? Number(step) : 1
}

const DIRECTIONS: Partial<Record<Key, number>> = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }

/** HTML Standard, section 4.10.22.2: the default button is clicked; without one the form is submitted. */
function submitImplicitly({ form, localName }: HTMLInputElement): void {
  if (form === null || form === undefined || localName === 'textarea') return
  const button = [...form.elements].find((one) => ['submit', 'image'].includes((one as HTMLInputElement).type)) as
    HTMLButtonElement | undefined
  if (button !== undefined) button.click()
  else form.requestSubmit()
}
