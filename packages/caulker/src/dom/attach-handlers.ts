import { CaulkerError, hint } from '../words/index.js'
import type { Handler, HandlerTable } from '../wiring/index.js'

/** What is attached already, so that a second call attaches nothing twice. */
const attached = new WeakMap<Node, Map<HandlerTable, { stop(): void }>>()

/** Events that do not bubble are caught on their way down (DOM Standard, section 2.9). */
const NOT_BUBBLING = [
  'focus',
  'blur',
  'mouseenter',
  'mouseleave',
  'pointerenter',
  'pointerleave',
  'load',
  'error',
  'scroll',
]

/**
 * Attaches a table of handlers to an element: one listener a type at its root, however often what is inside is drawn again or the
 * element is moved; a table that is attached already is not attached twice.
 *
 * Throws a {@link CaulkerError} `unknown-command` where the table names a command that the contract does not have.
 *
 * @param root where the listeners go: the open shadow root, else the element itself; give a closed root here
 * @example
 * ```ts
 * import { contract, handlers } from 'caulker'
 * import { attachHandlers } from 'caulker/dom'
 * const winch = contract('chain-winch', { commands: { release: {} } })
 * const table = handlers(winch, [{ event: 'click', at: '.release', does: 'release' }])
 * let released = 0
 * const element = Object.assign(document.createElement('chain-winch'), { release: () => released++ })
 * element.innerHTML = '<button class="release"></button>'
 * attachHandlers(element, table)
 * attachHandlers(element, table)
 * element.querySelector('button')?.click()
 * console.assert(released === 1)
 * ```
 */
export function attachHandlers(
  element: Element,
  table: HandlerTable,
  root: Element | ShadowRoot = element.shadowRoot ?? element,
): { stop(): void } {
  const before = attached.get(root)?.get(table)
  if (before !== undefined) return before
  const commands = Object.keys(table.contract.commands)
  for (const { does } of table.lines)
    if (typeof does === 'string' && !commands.includes(does))
      throw new CaulkerError(
        'unknown-command',
        `'${table.contract.tag}' has no command '${does}'${hint(does, commands)}`,
      )

  const stops = [...new Set(table.lines.map(({ event }) => event))].map((type) => {
    const lines = table.lines.filter(({ event }) => event === type)
    const listener = (event: Event) => lines.forEach((line) => handle(element, root, line, event))
    const capture = NOT_BUBBLING.includes(type)
    root.addEventListener(type, listener, capture)
    return () => root.removeEventListener(type, listener, capture)
  })
  const attachment = {
    stop() {
      stops.forEach((stop) => stop())
      attached.get(root)?.delete(table)
    },
  }
  attached.set(root, (attached.get(root) ?? new Map<HandlerTable, { stop(): void }>()).set(table, attachment))
  return attachment
}

function handle(element: Element, root: Node, { at, does }: Handler, event: Event): void {
  const hit = at === undefined ? element : hitBy(event, root, at)
  if (hit === undefined) return
  if (typeof does === 'function') does(event as never, hit as never)
  else (element as never as Record<string, () => void>)[does]?.()
}

/** The innermost element inside the root that was hit and that the selector matches. */
function hitBy(event: Event, root: Node, at: string): Element | undefined {
  const path = event.composedPath()
  const inside = path.slice(0, Math.max(0, path.indexOf(root)))
  return inside.find((node): node is Element => (node as Partial<Element>).matches?.(at) === true)
}
