import { deepActiveElement } from '../../dom/index.js'
import { changesAtOnce, hasSelection, isFreeText, isReadOnly, isTextual, isWhole, textOf } from './fields.js'

/** The text that a person is editing: in which field, and what was last committed there. */
export interface Editor {
  /** Gives an element the focus; a text field that had it is left. */
  focus(element: HTMLElement): void
  /** Tells of the change, where there is one: the edit has come to an end. */
  commit(): void
  /** The field is left. */
  end(): void
  type(field: HTMLInputElement, text: string): void
  paste(field: HTMLInputElement, text: string): void
  compose(field: HTMLInputElement, text: string): void
  fill(field: HTMLInputElement, text: string): void
  insert(field: HTMLInputElement, text: string, from: number, to: number): string | undefined
  caret(field: HTMLInputElement, at: number): void
  /** Sends a key; returns whether its default action is left to be done. */
  key(element: HTMLElement, name: 'keydown' | 'keyup', value: string): boolean
}

export function createEditor(view: Window & typeof globalThis, container: HTMLElement): Editor {
  /** Its text when its last change was committed, and as the person's last key left it. */
  let editing: { field: HTMLInputElement; committed: string; left: string } | undefined
  let isTyping = false
  let isStriking = false

  /** A component may take the focus away itself at a key: the browser tells of the change before it tells of that (HTML, section 6.6.4). */
  function leftByItself(event: Event): void {
    const [field] = event.composedPath()
    if (isStriking && !isTyping && field === editing?.field) end()
  }
  container.addEventListener('blur', leftByItself, true)

  function focus(element: HTMLElement): void {
    if (deepActiveElement(element.ownerDocument) === element) {
      // A component may have drawn the field anew, and given the new one the focus itself.
      if (isTextual(element) && editing?.field !== element && editing?.field.isConnected !== true) begin(element)
      return
    }
    if (editing !== undefined && editing.field !== element) {
      end()
      deepActiveElement(element.ownerDocument)?.blur()
    }
    element.focus()
    if (isTextual(element)) begin(element)
  }

  function begin(field: HTMLInputElement): void {
    editing = { field, committed: textOf(field), left: textOf(field) }
  }

  function commit(): void {
    if (editing === undefined || textOf(editing.field) === editing.committed) return
    const { field } = editing
    editing.committed = textOf(field)
    field.dispatchEvent(new view.Event('change', { bubbles: true }))
    // What a script writes upon it is no edit of the person's, and brings no other change.
    if (editing?.field === field) editing = { field, committed: textOf(field), left: textOf(field) }
  }

  /** What a script has written since the last key is no edit of the person's: the browser tells of no change. */
  function end(): void {
    if (editing !== undefined && textOf(editing.field) === editing.left) commit()
    editing = undefined
  }

  /** Where a script has written the field since the last key, an edit counts from what stands there now. */
  function edit(field: HTMLInputElement, how: () => void): void {
    focus(field)
    if (editing?.field === field && textOf(field) !== editing.left) editing.committed = textOf(field)
    isTyping = true
    try {
      how()
    } finally {
      isTyping = false
    }
    if (editing?.field === field) editing.left = textOf(field)
  }

  /** Select all, then type: each character is a key, an insertion unless it is prevented, and an `input` event. */
  function type(field: HTMLInputElement, text: string): void {
    edit(field, () => {
      if (text !== '') return typeKeys(field, '', '', text)
      if (key(field, 'keydown', 'Backspace')) replace(field, '', 'deleteContentBackward', null)
      key(field, 'keyup', 'Backspace')
    })
  }

  function insert(field: HTMLInputElement, text: string, from: number, to: number): string | undefined {
    const before = textOf(field)
    if (to > before.length) return `the ${field.localName} has no letter ${to}`
    edit(field, () => {
      select(field, from, to)
      typeKeys(field, before.slice(0, from), before.slice(to), text)
    })
    return undefined
  }

  function typeKeys(field: HTMLInputElement, head: string, tail: string, text: string): void {
    const isAtOnce = isWhole(field.type) || (field.type === 'number' && !/^\d+$/.test(text))
    const strokes = isAtOnce ? [text] : [...text]
    let typed = head
    for (const [at, stroke] of strokes.entries()) {
      const next = handedTo(field)
      if (at > 0 && next !== undefined) return goOnIn(next, strokes.slice(at).join(''))
      if (field.maxLength >= 0 && typed.length + stroke.length + tail.length > field.maxLength) break
      const wanted = typed + stroke + tail
      if (key(field, 'keydown', stroke) && replace(field, wanted, 'insertText', stroke)) {
        const now = currentText(field, wanted)
        typed = now.endsWith(tail) ? now.slice(0, now.length - tail.length) : now
        if (tail !== '') select(field, typed.length, typed.length)
      }
      key(field, 'keyup', stroke)
    }
  }

  /** The other field to which a component has moved the focus in the middle of typing. */
  function handedTo(field: HTMLInputElement): HTMLInputElement | undefined {
    const active = deepActiveElement(field.ownerDocument)
    return active !== null && active !== field && isTextual(active) && editing?.field === field ? active : undefined
  }

  /** Keys go to where the focus is. */
  function goOnIn(field: HTMLInputElement, text: string): void {
    commit()
    const stands = textOf(field)
    editing = { field, committed: stands, left: stands }
    const [from, to] = hasSelection(field) ? [field.selectionStart ?? 0, field.selectionEnd ?? 0] : [0, stands.length]
    typeKeys(field, stands.slice(0, from), stands.slice(to), text)
    if (editing?.field === field) editing.left = textOf(field)
  }

  /** A component may rewrite what is typed while it is typed; the next character goes behind what stands there. */
  function currentText(field: HTMLInputElement, wanted: string): string {
    const shown = textOf(field)
    return shown === '' && field.type === 'number' ? wanted : shown
  }

  function paste(field: HTMLInputElement, text: string): void {
    edit(field, () => {
      if (!field.dispatchEvent(pasteEvent(view, text))) return
      const fitting = field.maxLength >= 0 ? text.slice(0, field.maxLength) : text
      replace(field, fitting, 'insertFromPaste', fitting)
    })
  }

  /** UI Events, section 3.8: the text changes while it is composed, and each of its `input` events says so. */
  function compose(field: HTMLInputElement, text: string): void {
    edit(field, () => {
      composition(field, 'compositionstart', '')
      // No more is composed than fits.
      const fitting = field.maxLength >= 0 ? text.slice(0, field.maxLength) : text
      for (let length = 1; length <= fitting.length; length++) {
        const data = fitting.slice(0, length)
        composition(field, 'compositionupdate', data)
        replace(field, data, 'insertCompositionText', data, true)
      }
      composition(field, 'compositionend', fitting)
    })
  }

  function composition(field: HTMLElement, name: string, data: string): void {
    field.dispatchEvent(new view.CompositionEvent(name, { bubbles: true, composed: true, cancelable: true, data }))
  }

  /** The browser fills in the field in which somebody is: no key is pressed, and the change is final. */
  function fill(field: HTMLInputElement, text: string): void {
    focus(field)
    const fitting = field.maxLength >= 0 ? text.slice(0, field.maxLength) : text
    if (textOf(field) === fitting) return
    write(field, fitting)
    field.dispatchEvent(new view.Event('input', { bubbles: true, composed: true }))
    field.dispatchEvent(new view.Event('change', { bubbles: true }))
    if (editing?.field === field) editing = { field, committed: textOf(field), left: textOf(field) }
  }

  /** Replacing a text by itself is no edit that a component could be asked to tell from none. */
  function replace(
    field: HTMLInputElement,
    text: string,
    inputType: string,
    data: string | null,
    isComposing = false,
  ): boolean {
    if (textOf(field) === text) return true
    if (isReadOnly(field)) return false
    const said = { bubbles: true, composed: true, inputType, data, isComposing }
    if (!field.dispatchEvent(new view.InputEvent('beforeinput', { ...said, cancelable: !isComposing }))) return false
    const before = textOf(field)
    write(field, text)
    if (textOf(field) !== before) field.dispatchEvent(new view.InputEvent('input', said))
    if (changesAtOnce(field.type) && textOf(field) !== before) commit()
    return true
  }

  /** Through the prototype, as the browser does: a component may have put an accessor of its own on the field. */
  function write(field: HTMLInputElement, text: string): void {
    if (isFreeText(field)) {
      field.textContent = text
      return
    }
    const { prototype } = field.localName === 'textarea' ? view.HTMLTextAreaElement : view.HTMLInputElement
    Object.getOwnPropertyDescriptor(prototype, 'value')?.set?.call(field, text)
  }

  function caret(field: HTMLInputElement, at: number): void {
    focus(field)
    select(field, at, at)
  }

  function key(element: HTMLElement, name: 'keydown' | 'keyup', value: string): boolean {
    const struck = new view.KeyboardEvent(name, {
      key: value,
      code: codeOf(value),
      keyCode: numberOf(value),
      bubbles: true,
      composed: true,
      cancelable: true,
    })
    isStriking = true
    try {
      return element.dispatchEvent(struck)
    } finally {
      isStriking = false
    }
  }

  return { focus, commit, end, type, paste, compose, fill, insert, caret, key }
}

/** UI Events, section 3.7.3: the physical key, as it lies on the usual board. */
function codeOf(key: string): string {
  if (key === ' ') return 'Space'
  if (/^\d$/.test(key)) return `Digit${key}`
  return /^[a-z]$/i.test(key) ? `Key${key.toUpperCase()}` : key.length > 1 ? key : ''
}

/** UI Events, section 8.3: the number that older code asks for. */
function numberOf(key: string): number {
  return NUMBERS[key] ?? (key.length === 1 ? key.toUpperCase().charCodeAt(0) : 0)
}

const NUMBERS: Readonly<Record<string, number>> = {
  Backspace: 8,
  Enter: 13,
  Escape: 27,
  PageUp: 33,
  PageDown: 34,
  End: 35,
  Home: 36,
  ArrowLeft: 37,
  ArrowUp: 38,
  ArrowRight: 39,
  ArrowDown: 40,
}

/** HTML Standard, section 4.10.6: only some fields have a selection that scripts can set. */
function select(field: HTMLInputElement, from: number, to: number): void {
  if (hasSelection(field)) field.setSelectionRange(from, to)
}

/** Where the platform has no clipboard event the same is said with a plain one. */
function pasteEvent(view: Window & typeof globalThis, text: string): Event {
  const said = { bubbles: true, composed: true, cancelable: true }
  if (view.ClipboardEvent !== undefined && view.DataTransfer !== undefined) {
    const clipboardData = new view.DataTransfer()
    clipboardData.setData('text/plain', text)
    return new view.ClipboardEvent('paste', { ...said, clipboardData })
  }
  const getData = (type: string) => (type === 'text' || type === 'text/plain' ? text : '')
  return Object.assign(new view.Event('paste', said), { clipboardData: { getData, types: ['text/plain'], files: [] } })
}
