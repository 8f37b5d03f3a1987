/** An event that reached an element, and what the element said of itself just then. */
export interface SeenEvent {
  readonly type: string
  readonly detail: unknown
  readonly bubbles: boolean
  readonly composed: boolean
  readonly cancelable: boolean
  /** Whether the element sent it itself, or something inside it. */
  readonly isOwn: boolean
  readonly read: Readonly<Record<string, unknown>>
}

/** Watches every event that reaches an element without knowing its name beforehand, until `stop` is called. */
export function watchEvents(
  element: HTMLElement,
  view: Window & typeof globalThis,
  read: () => Readonly<Record<string, unknown>>,
): { readonly seen: readonly SeenEvent[]; stop(): void } {
  const seen: SeenEvent[] = []
  const prototype = view.EventTarget.prototype
  const { dispatchEvent } = prototype
  const watched = function (this: EventTarget, event: Event): boolean {
    const hear = (heard: Event) => {
      if (heard !== event || isGesture(event, view)) return
      const { type, bubbles, composed, cancelable } = event
      seen.push({
        type,
        detail: (event as CustomEvent).detail,
        bubbles,
        composed,
        cancelable,
        isOwn: this === element,
        read: read(),
      })
    }
    element.addEventListener(event.type, hear)
    try {
      return dispatchEvent.call(this, event)
    } finally {
      element.removeEventListener(event.type, hear)
    }
  }
  prototype.dispatchEvent = watched
  return {
    seen,
    stop() {
      prototype.dispatchEvent = dispatchEvent
    },
  }
}

/** What a person's own hands set off; `input` and `change` tell of what came of it. */
function isGesture(event: Event, view: Window & typeof globalThis): boolean {
  if (event.type === 'input') return false
  return event instanceof view.UIEvent || event.type.startsWith('pointer') || event.type === 'paste'
}
