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
  readonly owner: object
  readonly key: string
  readonly value: unknown
}

/**
 * Remembers what every page's code relies on as it is now. The answer puts back what has been replaced since, and names it: a component
 * that replaces something for all code spoils neither the rest of its own probe nor the next component.
 */
export function guardOf(view: Window & typeof globalThis): () => string[] {
  const scopes = [...new Set<Record<string, unknown>>([globalThis as never, view as never])]
  const watched: Watched[] = []
  const keys = new Map<object, number>()
  for (const scope of scopes) {
    for (const key of GLOBALS) if (key in scope) watched.push({ name: key, owner: scope, key, value: scope[key] })
    for (const [name, members] of Object.entries(MEMBERS)) {
      const prototype = (scope[name] as { prototype?: Record<string, unknown> } | undefined)?.prototype
      if (prototype === undefined || keys.has(prototype)) continue
      keys.set(prototype, CLOSED.includes(name) ? Reflect.ownKeys(prototype).length : -1)
      for (const key of members)
        watched.push({ name: `${name}.prototype.${key}`, owner: prototype, key, value: prototype[key] })
    }
  }
  const descriptors = watched.map(({ owner, key }) => Reflect.getOwnPropertyDescriptor(owner, key))
  const closed = [...keys]
    .filter(([, count]) => count >= 0)
    .map(([of, count]) => ({ of, count, own: Reflect.ownKeys(of) }))
  // What it needs itself is taken now, before anything can be replaced.
  const { defineProperty, deleteProperty, ownKeys } = Reflect
  return () => {
    const replaced: string[] = []
    let count = 0
    for (let at = 0; at < watched.length; at++) {
      const one = watched[at] as Watched
      if ((one.owner as Record<string, unknown>)[one.key] === one.value) continue
      const had = descriptors[at]
      if (had === undefined ? deleteProperty(one.owner, one.key) : defineProperty(one.owner, one.key, had))
        replaced[count++] = one.name
    }
    for (let at = 0; at < closed.length; at++) {
      const { of, count: before, own } = closed[at] as (typeof closed)[number]
      const now = ownKeys(of)
      if (now.length === before) continue
      for (let key = 0; key < now.length; key++) {
        const added = now[key] as string
        let isOwn = false
        for (let known = 0; known < own.length; known++) isOwn ||= own[known] === added
        if (!isOwn && deleteProperty(of, added)) replaced[count++] = `a name '${String(added)}' for all objects`
      }
    }
    return replaced
  }
}
