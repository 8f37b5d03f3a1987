import { placesIn } from './areas.js'
import { isReachable } from './controls.js'
import type { Point } from './gestures.js'
import { parentOf } from './drawn-in.js'
import type { Editor } from './editor.js'
import { closeBeside } from './layers.js'

/** A mouse over a component. */
export interface Pointer {
  press(element: HTMLElement): void
  /** Comes over an element and leaves it again, and never goes down. */
  hover(element: HTMLElement): void
  /** Goes down on an element and stays down. */
  hold(element: HTMLElement): void
  /** Goes up beside everything, or is taken away by the browser. */
  end(how: 'release' | 'cancel'): void
  /** Moves on from where it is down, over whatever lies there by then. */
  moveOn(): void
  drag(element: HTMLElement, from: Point, to: Point, how: 'release' | 'keep'): string | undefined
}

/** How many moves a drag is made of, and how far each of those that follow goes, in pixels. */
const MOVES = 4
const STRIDE = 9

interface Spot {
  readonly clientX: number
  readonly clientY: number
}

const NOWHERE: Spot = { clientX: 0, clientY: 0 }

export function createPointer(view: Window & typeof globalThis, editor: Editor): Pointer {
  function press(element: HTMLElement): void {
    const wasThere = isReachable(element)
    const isGone = () => wasThere && !isReachable(element)
    const at = middleOf(element)
    withCapture(view, () => {
      const isMouse = goDown(element, element, at)
      if (isGone()) return
      send(element, 'pointerup', at)
      if (isMouse) send(element, 'mouseup', at)
    })
    // UI Events, section 3.5: what is taken away while the button is down is not clicked.
    if (isGone()) return
    closeBeside(element)
    // Where nothing is laid out there is no place to say; what is drawn in SVG has no such method.
    if (at === NOWHERE && 'click' in element) element.click()
    else send(element, 'click', { ...at, detail: 1 })
  }

  /** Pointer Events, section 11: who takes it for itself that the pointer goes down keeps the mouse events and the focus away. */
  function goDown(at: Element, element: HTMLElement, said: MouseEventInit): boolean {
    if (!send(at, 'pointerdown', said)) return false
    if (send(at, 'mousedown', said)) editor.focus(element)
    return true
  }

  /** Where the pointer is down, what it is captured by, and whether mouse events go with it. */
  let down: { element: HTMLElement; captor: Element | undefined; at?: Spot; isMouse: boolean } | undefined
  /** Where it went up, and whether the browser took it away: a finger that scrolls is no mouse any more. */
  let up: { at: Spot; isMouse: boolean } | undefined

  function hold(element: HTMLElement): void {
    withCapture(view, (held) => {
      const at = middleOf(element)
      const isMouse = goDown(element, element, { ...at, buttons: 1 })
      down = { element, captor: held(), at, isMouse }
    })
  }

  /** Of a pointer that was taken away no mouse events were sent in the first place. */
  function kinds(): readonly ('pointer' | 'mouse')[] {
    return up?.isMouse === false ? ['pointer'] : ['pointer', 'mouse']
  }

  function moveOn(): void {
    const { clientX, clientY } = down?.at ?? up?.at ?? NOWHERE
    for (let step = 1; step <= MOVES; step++) {
      const where = {
        clientX: clientX + STRIDE * step,
        clientY: clientY + STRIDE * step,
        buttons: down === undefined ? 0 : 1,
      }
      const over = down?.captor?.isConnected === true ? down.captor : view.document.body
      send(over, 'pointermove', where)
      if ((down ?? up)?.isMouse !== false) send(over, 'mousemove', where)
    }
  }

  /** Pointer Events, section 4.3: over and out bubble; enter and leave do not, and are sent to all that is come over or left. */
  function pass(element: HTMLElement, relatedTarget: Element, [bubbling, other]: readonly [string, string]): void {
    const around = aroundIn(element, relatedTarget)
    for (const kind of kinds()) {
      send(element, `${kind}${bubbling}`, { relatedTarget })
      for (const one of other === 'enter' ? [...around].reverse() : around)
        send(one, `${kind}${other}`, { bubbles: false, composed: false, relatedTarget })
    }
  }

  /** An element and all that it stands in, innermost first, through shadow roots. */
  function aroundIn(element: Element, end: Element): Element[] {
    const around: Element[] = []
    let one: Element | null = element
    while (one !== null && one !== end) {
      around.push(one)
      one = parentOf(one)
    }
    return around
  }

  function hover(element: HTMLElement): void {
    const beside = view.document.body
    pass(element, beside, ['over', 'enter'])
    for (const part of new Set([element, ...placesIn(element).slice(0, MOST_PARTS)])) {
      if (part !== element) pass(part, element, ['over', 'enter'])
      for (const kind of kinds()) send(part, `${kind}move`, middleOf(part))
      if (part !== element) pass(part, element, ['out', 'leave'])
    }
    pass(element, beside, ['out', 'leave'])
  }

  /** Pointer Events, section 10: what has captured the pointer hears its end; else what lies under it, which is something else by then. */
  function end(how: 'release' | 'cancel'): void {
    const beside = view.document.body
    const from = down
    down = undefined
    if (from === undefined) return
    up = { at: from.at ?? NOWHERE, isMouse: how === 'release' }
    const captor = from.captor?.isConnected === true ? from.captor : undefined
    if (how === 'cancel') {
      send(captor ?? (from.element.isConnected ? from.element : beside), 'pointercancel')
      if (captor !== undefined) send(captor, 'lostpointercapture')
      return
    }
    if (captor === undefined && from.element.isConnected) pass(from.element, beside, ['out', 'leave'])
    send(captor ?? beside, 'pointerup')
    if (captor !== undefined) send(captor, 'lostpointercapture')
    if (from.isMouse) send(beside, 'mouseup')
  }

  function drag(element: HTMLElement, from: Point, to: Point, how: 'release' | 'keep'): string | undefined {
    const box = element.getBoundingClientRect()
    if (box.width === 0 || box.height === 0) return 'nothing is laid out here, so that nothing can be dragged'
    const at = (part: number) => ({
      clientX: box.left + box.width * (from[0] + (to[0] - from[0]) * part),
      clientY: box.top + box.height * (from[1] + (to[1] - from[1]) * part),
    })
    withCapture(view, (held) => {
      const start = under(element, at(0))
      const isMouse = goDown(start, element, { ...at(0), buttons: 1 })
      for (let move = 1; move <= MOVES; move++) {
        const where = at(move / MOVES)
        const over = held() ?? under(element, where)
        send(over, 'pointermove', { ...where, buttons: 1 })
        if (isMouse) send(over, 'mousemove', { ...where, buttons: 1 })
      }
      if (how === 'keep') return void (down = { element, captor: held(), at: at(1), isMouse })
      const end = held() ?? under(element, at(1))
      send(end, 'pointerup', at(1))
      if (held() !== undefined) send(end, 'lostpointercapture', at(1))
      if (isMouse) send(end, 'mouseup', at(1))
      if (end === start) send(end, 'click', at(1))
    })
    return undefined
  }

  function send(element: Element, name: string, said: MouseEventInit = {}): boolean {
    const Made = name.startsWith('pointer') ? (view.PointerEvent ?? view.MouseEvent) : view.MouseEvent
    return element.dispatchEvent(
      new Made(name, {
        bubbles: true,
        composed: true,
        cancelable: true,
        button: 0,
        pointerId: 1,
        isPrimary: true,
        ...said,
      } as never),
    )
  }

  return { hover, press, hold, moveOn, end, drag }
}

/** Over how much of what is drawn in an element a pointer passes on its way. */
const MOST_PARTS = 9

/** Where a pointer comes down on an element that is laid out. */
function middleOf(element: Element): Spot {
  const { left, top, width, height } = element.getBoundingClientRect()
  return width === 0 || height === 0 ? NOWHERE : { clientX: left + width / 2, clientY: top + height / 2 }
}

/** What of an element is drawn at a place; itself, where something else lies above. */
function under(element: HTMLElement, { clientX, clientY }: { clientX: number; clientY: number }): Element {
  const root = element.getRootNode() as Document | ShadowRoot
  const found = root.elementFromPoint?.(clientX, clientY) ?? element
  return element.contains(found) ? found : element
}

/** A pointer that no hardware moves cannot be captured: for as long as one gesture lasts, the capture is remembered here instead. */
function withCapture(view: Window & typeof globalThis, act: (held: () => Element | undefined) => void): void {
  let held: Element | undefined
  const stands = {
    setPointerCapture(this: Element) {
      held = this
    },
    releasePointerCapture() {
      held = undefined
    },
    hasPointerCapture(this: Element) {
      return held === this
    },
  }
  const prototype = view.Element.prototype
  const before = Object.keys(stands).map((name) => [name, Object.getOwnPropertyDescriptor(prototype, name)] as const)
  for (const [name, value] of Object.entries(stands))
    Object.defineProperty(prototype, name, { value, configurable: true, writable: true })
  try {
    act(() => held)
  } finally {
    for (const [name, descriptor] of before)
      if (descriptor === undefined) Reflect.deleteProperty(prototype, name)
      else Object.defineProperty(prototype, name, descriptor)
  }
}
