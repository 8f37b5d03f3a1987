import { pointerParts, valueClauses, type AnyContract } from '../contract/index.js'

type Values = Readonly<Record<string, unknown>>

/**
 * What makes the events that an element sends its owner: each value at its place, what they carry along as it is then, and the flags as
 * the contract says them (JSON Pointer, RFC 6901; Event, DOM section 2.2).
 */
export function eventsFrom(contract: AnyContract, read: (name: string) => unknown) {
  return (event: string, payload: unknown, values: Values): Event => {
    const clause = contract.events[event]
    if (clause !== undefined)
      return new CustomEvent(event, { ...flagsOf([clause]), detail: withPlaces(payload, carriedBy(clause, read)) })
    const said = valueClauses(contract).filter(({ name }) => name in values)
    const places = said.flatMap((one) => [[one.payloadAt, values[one.name]] as const, ...carriedBy(one, read)])
    const isAsking = said.some(({ vetoEvent }) => vetoEvent === event)
    return new CustomEvent(event, {
      ...flagsOf(said),
      ...(isAsking ? { cancelable: true } : {}),
      detail: withPlaces(undefined, places),
    })
  }
}

type Flags = { readonly [K in 'bubbles' | 'composed' | 'cancelable']?: boolean | undefined }

function flagsOf(clauses: readonly Flags[]) {
  const is = (flag: keyof Flags) => clauses.some((clause) => clause[flag] === true)
  return { bubbles: is('bubbles'), composed: is('composed'), cancelable: is('cancelable') }
}

type Placed = readonly (readonly [place: string, value: unknown])[]

function carriedBy(
  { carries }: { readonly carries: Readonly<Record<string, string>> },
  read: (name: string) => unknown,
) {
  return Object.entries(carries).map(([place, name]) => [place, read(name)] as const)
}

/** The detail of an event with something more at its places; what stands outside of it is the element's own. */
function withPlaces(detail: unknown, places: Placed): unknown {
  return places.reduce((whole, [place, value]) => {
    const [head, ...path] = pointerParts(place) ?? []
    return head === 'detail' ? withAt(whole, path, value) : whole
  }, detail)
}

function withAt(whole: unknown, [head, ...rest]: readonly string[], value: unknown): unknown {
  if (head === undefined) return value
  const before = (whole ?? {}) as Record<string, unknown>
  return { ...before, [head]: withAt(before[head], rest, value) }
}
