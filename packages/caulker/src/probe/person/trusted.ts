import { findControl, isInItsList, optionsOf } from './controls.js'
import { focusedIn } from './keyboard.js'
import { isPlaced, type EntersText, type Gesture } from './gestures.js'
import { hasSelection, isEditable } from './fields.js'
import { personAt, type Person } from './index.js'
import { isInReach } from './operate.js'

/** One thing for the browser's own input: a key by its name, a text by one of its ways in, a click, or a drag from place to place. */
export type HandAct =
  | { readonly key: string }
  | { readonly strike: string }
  | { readonly compose: string }
  | { readonly paste: string }
  | { readonly click: readonly [number, number] }
  | { readonly drag: readonly (readonly [number, number])[] }

/** Hands that act through the browser's own input, where something outside the page lends them. */
export type Hands = (acts: readonly HandAct[]) => Promise<void>

/**
 * A person whose clicks, keys, drags, pastes and compositions come from the browser itself. What it has no input for, such as a chosen file, is done
 * as {@link personAt} does it.
 */
export function trustedPersonAt(container: HTMLElement, hands: Hands): Person {
  const synthetic = personAt(container)
  /** A field whose text was set as a whole: no browser knows that it has changed when it is left. */
  let setAsWhole: HTMLElement | undefined

  async function act(gesture: Gesture): Promise<string | undefined> {
    if (gesture.do === 'leave') return leave()
    if (!isPlaced(gesture) || ['hold', 'grab', 'hover'].includes(gesture.do)) return synthetic.act(gesture)
    const element = findControl(container, gesture.on)
    if (setAsWhole !== undefined && setAsWhole !== element) await leave()
    if (element === undefined) return `there is no ${gesture.on.kind} any more`
    if (!isInReach(element, gesture)) return `the ${gesture.on.kind} cannot be operated now`
    element.scrollIntoView({ block: 'center' })
    switch (gesture.do) {
      case 'press':
        return clicked(element)
      case 'choose': {
        const option = optionsOf(element)[gesture.option]
        if (element.localName === 'select') return synthetic.act(gesture)
        return option === undefined ? `there is no option ${gesture.option + 1}` : clicked(option)
      }
      case 'drag':
        return dragged(element, [gesture.from, gesture.to])
      case 'key':
        if (!isInItsList(element)) element.focus()
        focusedIn(element)
        return void (await hands([{ key: gesture.key === ' ' ? 'Space' : gesture.key }]))
      case 'enter':
        if (setAsWhole === element) return synthetic.act(gesture)
        element.focus()
        return void (await hands([{ key: 'Enter' }]))
      case 'type':
      case 'insert':
      case 'paste':
      case 'compose':
        return isStruck(element, gesture) ? struck(element as HTMLInputElement, gesture) : whole(element, gesture)
      default:
        return whole(element, gesture)
    }
  }

  async function leave(): Promise<string | undefined> {
    setAsWhole = undefined
    return synthetic.act({ do: 'leave' })
  }

  async function whole(element: HTMLElement, gesture: Gesture): Promise<string | undefined> {
    setAsWhole = element
    return synthetic.act(gesture)
  }

  async function clicked(element: HTMLElement): Promise<string | undefined> {
    return dragged(element, [[0.5, 0.5]])
  }

  async function dragged(
    element: HTMLElement,
    points: readonly (readonly [number, number])[],
  ): Promise<string | undefined> {
    const { left, top, width, height } = element.getBoundingClientRect()
    if (width === 0 || height === 0) return 'it has no size, so that no pointer gets to it'
    const places = points.map(([x, y]) => [left + width * x, top + height * y] as const)
    const [first] = places
    const isOnePlace = first !== undefined && places.every(([x, y]) => x === first[0] && y === first[1])
    await hands([isOnePlace ? { click: first } : { drag: places }])
    return undefined
  }

  async function struck(field: HTMLInputElement, gesture: EntersText): Promise<undefined> {
    field.focus()
    // The same text once more is no edit, although a browser tells of it as of one.
    if (gesture.do !== 'insert' && gesture.text !== '' && gesture.text === textIn(field)) return
    if (gesture.do === 'insert') field.setSelectionRange(gesture.from, gesture.to)
    else if (isEditable(field)) field.ownerDocument.getSelection()?.selectAllChildren(field)
    else field.select()
    await hands([entered(gesture)])
  }

  return { act }
}

function textIn(field: HTMLInputElement): string {
  return (isEditable(field) ? field.textContent : field.value) ?? ''
}

function entered({ do: way, text }: EntersText): HandAct {
  if (text === '') return { key: 'Backspace' }
  return way === 'paste' ? { paste: text } : way === 'compose' ? { compose: text } : { strike: text }
}

/** Dates, colours and sliders are set as a whole, since no two browsers take the same keys for them; so is a part of an editable text. */
function isStruck(element: HTMLElement, { do: way }: EntersText): boolean {
  return (
    (isEditable(element) && way !== 'insert') ||
    hasSelection(element as HTMLInputElement) ||
    (element as HTMLInputElement).type === 'number'
  )
}
