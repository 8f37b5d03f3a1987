import { deepActiveElement } from '../../dom/index.js'
import { findControl } from './controls.js'
import { isPlaced, type Gesture, type Placed } from './gestures.js'
import { choose, pick } from './choosing.js'
import { createEditor } from './editor.js'
import { createKeyboard } from './keyboard.js'
import { isInReach } from './operate.js'
import { createPointer } from './pointer.js'

/** A person at one component: acts on it with events in the platform's order, and performs the default actions that scripts cannot set off. */
export interface Person {
  /** Returns why the gesture could not be made, or nothing. */
  act(gesture: Gesture): string | undefined | Promise<string | undefined>
}

type Acts = {
  [D in Placed['do']]: (element: HTMLElement, gesture: Gesture & { readonly do: D }) => string | undefined | void
}

export function personAt(container: HTMLElement): Person {
  const view = container.ownerDocument.defaultView as Window & typeof globalThis
  const editor = createEditor(view, container)
  const keyboard = createKeyboard(view, editor)
  const pointer = createPointer(view, editor)
  const field = (element: HTMLElement) => element as HTMLInputElement
  const acts: Acts = {
    type: (element, { text }) => editor.type(field(element), text),
    paste: (element, { text }) => editor.paste(field(element), text),
    compose: (element, { text }) => editor.compose(field(element), text),
    fill: (element, { text }) => editor.fill(field(element), text),
    insert: (element, { text, from, to }) => editor.insert(field(element), text, from, to),
    caret: (element, { at }) => editor.caret(field(element), at),
    enter: (element) => keyboard.enter(field(element)),
    key: (element, { key }) => keyboard.press(element, key),
    hold: (element) => pointer.hold(element),
    hover: (element) => pointer.hover(element),
    press: (element) => pointer.press(element),
    drag: (element, { from, to }) => pointer.drag(element, from, to, 'release'),
    grab: (element, { from, to }) => pointer.drag(element, from, to, 'keep'),
    choose: (element, { option }) => choose(view, element, option, { editor, pointer }),
    pick: (element, { file }) => pick(view, field(element), file, editor),
  }

  function act(gesture: Gesture): string | undefined {
    if (gesture.do === 'leave') {
      editor.end()
      return void deepActiveElement(container.ownerDocument)?.blur()
    }
    if (gesture.do === 'move') return void pointer.moveOn()
    if (!isPlaced(gesture)) return void pointer.end(gesture.do)
    const element = findControl(container, gesture.on)
    if (element === undefined) return `there is no ${gesture.on.kind} any more`
    if (!isInReach(element, gesture)) return `the ${gesture.on.kind} cannot be operated now`
    const make = acts[gesture.do] as (on: HTMLElement, made: Gesture) => string | undefined | void
    return make(element, gesture) ?? undefined
  }

  return { act }
}
