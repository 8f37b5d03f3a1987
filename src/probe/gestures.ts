import { printed } from '../contract/index.js'
import { deepActiveElement } from '../dom/index.js'
import { findControl, isOperable, type ControlRef } from './controls.js'
import { chooseFiles } from './file-field.js'

/** What a person does, as plain data: it can be listed, shrunk and played again. */
export type Gesture =
  | { readonly do: 'type'; readonly on: ControlRef; readonly text: string }
  | { readonly do: 'leave' }
  /** Puts the caret behind some character, as a click into the text does. */
  | { readonly do: 'caret'; readonly on: ControlRef; readonly at: number }
  | { readonly do: 'enter'; readonly on: ControlRef }
  | { readonly do: 'press'; readonly on: ControlRef }
  | { readonly do: 'key'; readonly on: ControlRef; readonly key: 'ArrowUp' | 'ArrowDown' }
  | { readonly do: 'choose'; readonly on: ControlRef; readonly option: number }
  | { readonly do: 'pick'; readonly on: ControlRef; readonly file: File }

/** Whether a gesture ends an edit: afterwards nothing is unfinished. */
export function commits(gesture: Gesture): boolean {
  return gesture.do !== 'type' && gesture.do !== 'caret'
}

/** A gesture in words, for a ledger. */
export function gestureText(gesture: Gesture): string {
  if (gesture.do === 'leave') return 'leave the field'
  const where = `the ${gesture.on.kind}${gesture.on.label === '' ? (gesture.on.nth === 0 ? '' : ` ${gesture.on.nth + 1}`) : ` “${gesture.on.label}”`}`
  switch (gesture.do) {
    case 'type':
      if (gesture.on.kind === 'slider') return `move ${where} to ${gesture.text}`
      return gesture.text === '' ? `empty ${where}` : `type ${printed(gesture.text, 30)} into ${where}`
    case 'caret':
      return `put the caret behind letter ${gesture.at} of ${where}`
    case 'enter':
      return `press Enter in ${where}`
    case 'press':
      return `${gesture.on.kind === 'button' ? 'press' : 'click'} ${where}`
    case 'key':
      return `press ${gesture.key === 'ArrowUp' ? 'Arrow up' : 'Arrow down'} in ${where}`
    case 'choose':
      return `choose option ${gesture.option + 1} of ${where}`
    case 'pick':
      return `choose ${gesture.file.name} in ${where}`
  }
}

/** A person at one component: acts on it with events in the platform's order, and performs the default actions that scripts cannot set off. */
export interface Person {
  /** Returns why the gesture could not be made, or nothing. */
  act(gesture: Gesture): string | undefined
}

export function personAt(container: HTMLElement): Person {
  const view = container.ownerDocument.defaultView as Window & typeof globalThis
  /** The text field being edited, its text when its last change was committed, and as the person's last key left it. */
  let editing: { field: HTMLInputElement; committed: string; left: string } | undefined

  function act(gesture: Gesture): string | undefined {
    if (gesture.do === 'leave') return leave()
    const element = findControl(container, gesture.on)
    if (element === undefined) return `there is no ${gesture.on.kind} any more`
    if (!isOperable(element)) return `the ${gesture.on.kind} cannot be operated now`
    switch (gesture.do) {
      case 'type':
        return type(element as HTMLInputElement, gesture.text)
      case 'caret':
        return caret(element as HTMLInputElement, gesture.at)
      case 'enter':
        return enter(element as HTMLInputElement)
      case 'press':
        return press(element)
      case 'key':
        return arrow(element as HTMLInputElement, gesture.key)
      case 'choose':
        return choose(element as HTMLSelectElement, gesture.option)
      case 'pick':
        return pick(element as HTMLInputElement, gesture.file)
    }
  }

  function focus(element: HTMLElement): void {
    if (deepActiveElement(element.ownerDocument) === element) return
    if (editing !== undefined && editing.field !== element) leave()
    element.focus()
    if (isTextual(element)) editing = { field: element, committed: textOf(element), left: textOf(element) }
  }

  /**
   * Select all, then type: each character is a key, an insertion unless it is prevented, and an `input` event.
   * Where a script has written the field since, an edit counts from what stands there now.
   */
  function type(field: HTMLInputElement, text: string): undefined {
    focus(field)
    if (editing?.field === field && textOf(field) !== editing.left) editing.committed = textOf(field)
    if (text === '') {
      if (key(field, 'keydown', 'Backspace')) replace(field, '', 'deleteContentBackward', null)
      key(field, 'keyup', 'Backspace')
    } else typeKeys(field, text)
    if (editing?.field === field) editing.left = textOf(field)
  }

  function typeKeys(field: HTMLInputElement, text: string): void {
    const isWhole = ['date', 'time', 'month', 'week', 'datetime-local', 'color', 'range'].includes(field.type)
    const strokes = isWhole || (field.type === 'number' && !/^\d+$/.test(text)) ? [text] : [...text]
    let typed = ''
    for (const stroke of strokes) {
      if (field.maxLength >= 0 && typed.length + stroke.length > field.maxLength) break
      const wanted = typed + stroke
      if (key(field, 'keydown', stroke) && replace(field, wanted, 'insertText', stroke))
        typed = currentText(field, wanted)
      key(field, 'keyup', stroke)
    }
  }

  /** A component may rewrite what is typed while it is typed; the next character goes behind what stands there. */
  function currentText(field: HTMLInputElement, wanted: string): string {
    const shown = textOf(field)
    return shown === '' && field.type === 'number' ? wanted : shown
  }

  /** Replacing a text by itself is no edit that a component could be asked to tell from none. */
  function replace(field: HTMLInputElement, text: string, inputType: string, data: string | null): boolean {
    if (textOf(field) === text) return true
    const allowed = field.dispatchEvent(
      new view.InputEvent('beforeinput', { bubbles: true, composed: true, cancelable: true, inputType, data }),
    )
    if (!allowed) return false
    const before = textOf(field)
    write(field, text)
    if (textOf(field) === before) return true
    field.dispatchEvent(new view.InputEvent('input', { bubbles: true, composed: true, inputType, data }))
    return true
  }

  /** Through the prototype, as the browser does: a component may have put an accessor of its own on the field. */
  function write(field: HTMLInputElement, text: string): void {
    if (isFreeText(field)) {
      field.textContent = text
      return
    }
    const prototype =
      field.localName === 'textarea' ? view.HTMLTextAreaElement.prototype : view.HTMLInputElement.prototype
    Object.getOwnPropertyDescriptor(prototype, 'value')?.set?.call(field, text)
  }

  function commitText(): void {
    if (editing === undefined || textOf(editing.field) === editing.committed) return
    const { field } = editing
    editing.committed = textOf(field)
    field.dispatchEvent(new view.Event('change', { bubbles: true }))
    if (editing?.field === field) editing.left = textOf(field)
  }

  function caret(field: HTMLInputElement, at: number): undefined {
    focus(field)
    field.setSelectionRange?.(at, at)
  }

  function leave(): undefined {
    commitText()
    editing = undefined
    deepActiveElement(container.ownerDocument)?.blur()
  }

  function enter(field: HTMLInputElement): undefined {
    focus(field)
    if (key(field, 'keydown', 'Enter')) {
      commitText()
      submitImplicitly(field)
    }
    key(field, 'keyup', 'Enter')
  }

  /** HTML Standard, section 4.10.22.2: the default button is clicked; without one the form is submitted. */
  function submitImplicitly(field: HTMLInputElement): void {
    const form = field.form
    if (form === null || form === undefined || field.localName === 'textarea') return
    const button = [...form.elements].find((one) => ['submit', 'image'].includes((one as HTMLInputElement).type)) as
      HTMLButtonElement | undefined
    if (button !== undefined) button.click()
    else form.requestSubmit()
  }

  function press(element: HTMLElement): undefined {
    const pointer = (name: string) =>
      element.dispatchEvent(new view.MouseEvent(name, { bubbles: true, composed: true, cancelable: true, button: 0 }))
    pointer('pointerdown')
    if (pointer('mousedown')) focus(element)
    pointer('pointerup')
    pointer('mouseup')
    element.click()
  }

  function arrow(field: HTMLInputElement, name: 'ArrowUp' | 'ArrowDown'): undefined {
    focus(field)
    const isNative = field.type === 'number' || field.type === 'range'
    if (key(field, 'keydown', name) && isNative) {
      const before = field.value
      if (name === 'ArrowUp') field.stepUp()
      else field.stepDown()
      if (field.value !== before) {
        field.dispatchEvent(new view.Event('input', { bubbles: true, composed: true }))
        commitText()
      }
    }
    key(field, 'keyup', name)
  }

  function choose(select: HTMLSelectElement, option: number): string | undefined {
    if (option >= select.options.length) return `the select has no option ${option + 1}`
    focus(select)
    if (select.selectedIndex === option) return undefined
    select.selectedIndex = option
    select.dispatchEvent(new view.Event('input', { bubbles: true, composed: true }))
    select.dispatchEvent(new view.Event('change', { bubbles: true }))
    return undefined
  }

  function pick(field: HTMLInputElement, file: File): undefined {
    focus(field)
    if (!chooseFiles(field, [file])) return
    field.dispatchEvent(new view.Event('input', { bubbles: true, composed: true }))
    field.dispatchEvent(new view.Event('change', { bubbles: true }))
  }

  function key(element: HTMLElement, name: 'keydown' | 'keyup', value: string): boolean {
    return element.dispatchEvent(
      new view.KeyboardEvent(name, { key: value, bubbles: true, composed: true, cancelable: true }),
    )
  }

  return { act }
}

function isTextual(element: HTMLElement): element is HTMLInputElement {
  return (
    element.localName === 'textarea' ||
    element.isContentEditable ||
    (element.localName === 'input' &&
      !['checkbox', 'radio', 'button', 'submit', 'reset', 'file', 'image'].includes((element as HTMLInputElement).type))
  )
}

function textOf(field: HTMLInputElement): string {
  return isFreeText(field) ? (field.textContent ?? '') : field.value
}

/** An editable element that is no field holds its text itself. */
function isFreeText(element: HTMLElement): boolean {
  return element.localName !== 'input' && element.localName !== 'textarea'
}
