import { checkOf, clauseOf, printed, typeText, type AnyContract } from '../contract/index.js'

/** Looks at what goes down to a component and comes up from it; says what is wrong, once for each place. */
export interface TypeWatch {
  told(who: string, contract: AnyContract, changes: Readonly<Record<string, unknown>>): void
  heard(who: string, contract: AnyContract, event: string, payload: unknown): void
}

/** The shipped build has none. */
let watch: TypeWatch | undefined

export function typeWatch(): TypeWatch | undefined {
  return watch
}

/** Turns the look at types on: for development, where a wrong one is to be seen at once. */
export function watchTypes(say: (message: string) => void): void {
  const said = new Set<string>()
  const once = (place: string, message: string) => {
    if (said.has(place)) return
    said.add(place)
    say(message)
  }
  watch = {
    told(who, contract, changes) {
      for (const [name, value] of Object.entries(changes)) {
        const clause = clauseOf(contract, name)
        if (clause === undefined || value === undefined || checkOf(clause.type)(value)) continue
        once(
          `${who} ${name}`,
          `${who}: '${name}' of <${contract.tag}> is told ${printed(value, 60)}, and its type is ${typeText(clause.type)}`,
        )
      }
    },
    heard(who, contract, event, payload) {
      const value = Object.values(contract.values).find((one) => one.event === event)
      const type = value?.type ?? contract.events[event]?.payload
      if (type === undefined || value?.payloadAt.startsWith('/detail/') === false || checkOf(type)(payload)) return
      if (Object.values(contract.values).filter((one) => one.event === event).length > 1) return
      once(
        `${who} ${event}`,
        `${who}: <${contract.tag}> reports ${printed(payload, 60)} by '${event}', and its type is ${typeText(type)}`,
      )
    },
  }
}
