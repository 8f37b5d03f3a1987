/** What the code of every page relies on, and this probe with it. */
const GLOBALS = [
  'Array', 'Object', 'Map', 'Set', 'WeakMap', 'Promise', 'Symbol', 'JSON', 'Math', 'Date', 'Error', 'String', 'Number',
  'Event', 'CustomEvent', 'MutationObserver', 'console', 'document', 'customElements',
  'setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'queueMicrotask', 'requestAnimationFrame',
] // prettier-ignore
const MEMBERS: Readonly<Record<string, readonly string[]>> = {
  Array: ['map', 'filter', 'find', 'findIndex', 'forEach', 'flatMap', 'includes', 'some', 'every', 'join', 'push', 'slice', 'splice', 'sort'],
  Object: ['hasOwnProperty', 'toString'],
  Function: ['call', 'apply', 'bind'],
  String: ['includes', 'split', 'slice', 'replace', 'trim', 'startsWith'],
  Promise: ['then', 'catch', 'finally'],
  Map: ['get', 'set', 'has'],
  Set: ['add', 'has'],
  EventTarget: ['addEventListener', 'removeEventListener', 'dispatchEvent'],
  Event: ['preventDefault'],
  Node: ['appendChild', 'insertBefore', 'removeChild', 'replaceChild', 'getRootNode', 'contains'],
  Element: ['append', 'prepend', 'remove', 'replaceChildren', 'getAttribute', 'setAttribute', 'removeAttribute', 'hasAttribute', 'querySelector', 'querySelectorAll', 'matches', 'closest', 'attachShadow', 'getBoundingClientRect'],
  HTMLElement: ['focus', 'blur', 'click'],
  Document: ['createElement', 'querySelector', 'getElementById'],
} // prettier-ignore
/** A name that is added here turns up in every loop over the names of an object. */
const CLOSED = ['Object', 'Array']

interface Watched {
  readonly name: string
  readonly owner: Record<string, unknown>
  readonly key: string
  /** How it was defined when it had this value. */
  value: unknown
  had: PropertyDescriptor | undefined
}

interface Closed {
  readonly of: object
  keys: readonly PropertyKey[]
}

// What it needs itself is taken now, before anything can be replaced.
const { defineProperty, deleteProperty, getOwnPropertyDescriptor, ownKeys } = Reflect
const known = new WeakMap<object, { watched: readonly Watched[]; closed: readonly Closed[] }>()

/**
 * Remembers what every page's code relies on as it is now. The answer puts back what has been replaced since, and names it: a component
 * that replaces something for all code spoils neither the rest of its own probe nor the next component.
 */
export function guardOf(view: Window & typeof globalThis): () => string[] {
  const { watched, closed } = watchedIn(view)
  for (let at = 0; at < watched.length; at++) remember(watched[at] as Watched)
  for (let at = 0; at < closed.length; at++) (closed[at] as Closed).keys = ownKeys((closed[at] as Closed).of)
  return () => {
    const replaced: string[] = []
    let count = 0
    for (let at = 0; at < watched.length; at++) {
      const { name, owner, key, value, had } = watched[at] as Watched
      if (owner[key] === value) continue
      if (had === undefined ? deleteProperty(owner, key) : defineProperty(owner, key, had)) replaced[count++] = name
    }
    for (let at = 0; at < closed.length; at++) {
      const { of, keys } = closed[at] as Closed
      const now = ownKeys(of)
      for (let key = 0; now.length > keys.length && key < now.length; key++) {
        const added = now[key] as string
        let isOwn = false
        for (let own = 0; own < keys.length; own++) isOwn ||= keys[own] === added
        if (!isOwn && deleteProperty(of, added)) replaced[count++] = `a name '${String(added)}' for all objects`
      }
    }
    return replaced
  }
}

function remember(one: Watched): void {
  const value = one.owner[one.key]
  if (value === one.value) return
  one.value = value
  one.had = getOwnPropertyDescriptor(one.owner, one.key)
}

function watchedIn(view: Window & typeof globalThis): { watched: readonly Watched[]; closed: readonly Closed[] } {
  const before = known.get(view)
  if (before !== undefined) return before
  const watched: Watched[] = []
  const closed: Closed[] = []
  const seen = new Set<object>()
  for (const scope of new Set<Record<string, unknown>>([globalThis as never, view as never])) {
    const watch = (name: string, owner: Record<string, unknown>, key: string) =>
      watched.push({ name, owner, key, value: undefined, had: undefined })
    for (const key of GLOBALS) if (key in scope) watch(key, scope, key)
    for (const [name, members] of Object.entries(MEMBERS)) {
      const of = (scope[name] as { prototype?: Record<string, unknown> } | undefined)?.prototype
      if (of === undefined || seen.has(of)) continue
      seen.add(of)
      if (CLOSED.includes(name)) closed.push({ of, keys: [] })
      for (const key of members) watch(`${name}.prototype.${key}`, of, key)
    }
  }
  const made = { watched, closed }
  known.set(view, made)
  return made
}
