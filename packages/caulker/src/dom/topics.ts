import type { Machine } from '../machine/index.js'

/** The event by which screens on one page hear each other; what is said is in its `detail`. */
const EVENT = 'caulker-topic'

interface Said {
  readonly topic: string
  readonly value: unknown
  readonly from: object
}

/** Hears what other mounted screens announce, and announces to them. */
export function joinTopics(machine: Machine, page: () => Document, hear: (topic: string, value: unknown) => void) {
  const own = {}
  let joined: Document | undefined
  const listener = (event: Event) => {
    const { topic, value, from } = (event as CustomEvent<Said>).detail
    if (from !== own) hear(topic, value)
  }
  const hears = machine.screens.some((screen) => screen.hears.size > 0)
  return {
    join() {
      if (!hears) return
      joined = page()
      joined.addEventListener(EVENT, listener)
    },
    announce(topic: string, value: unknown) {
      page().dispatchEvent(new CustomEvent<Said>(EVENT, { detail: { topic, value, from: own } }))
    },
    stop: () => joined?.removeEventListener(EVENT, listener),
  }
}
