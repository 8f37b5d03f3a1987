import { equal, isHost } from '../../contract/index.js'
import { FLAGS } from '../stage/around.js'
import { changedIn, type Observation } from './observe.js'
import type { SeenEvent } from './watch.js'

/** The event that tells of a member, as it was seen to. */
export interface Report {
  readonly event: string
  readonly payloadAt: string
  readonly reports: 'edit' | 'commit'
}

/** The event that came each time a member changed: one that carries the new value before one that only says so. */
export function reportOf(name: string, observations: readonly Observation[]): Report | undefined {
  const changing = observations.filter((one) => changedIn(one).includes(name))
  const types = [...new Set(changing.flatMap(({ events }) => events.flat().map(({ type }) => type)))]
  const candidates = types.flatMap((type) => {
    const places = changing.map((one) => placeIn(lastOf(one, type), name, one.after[name]))
    const [payloadAt] = places
    const isAlways = payloadAt !== undefined && places.every((place) => place === payloadAt)
    return isAlways ? [{ event: type, payloadAt, reports: whenOf(type, changing) }] : []
  })
  return candidates.sort((one, other) => rank(other, name) - rank(one, name))[0]
}

/** What an event was seen to be, each time: how far it flies, and which names its detail carries beside the one at a place. */
export function seenOf(
  { event, payloadAt }: Pick<Report, 'event' | 'payloadAt'>,
  names: readonly string[],
  observations: readonly Observation[],
): object {
  const sent = observations.flatMap(({ events }) => events.flat()).filter(({ type, isOwn }) => type === event && isOwn)
  if (sent.length === 0) return {}
  const flags = FLAGS.filter((flag) => sent.every((one) => one[flag]))
  const carried = names.filter((name) => `/detail/${name}` !== payloadAt && sent.every((one) => carriesName(one, name)))
  return {
    ...Object.fromEntries(flags.map((flag) => [flag, true])),
    ...(carried.length === 0 ? {} : { carries: Object.fromEntries(carried.map((name) => [`/detail/${name}`, name])) }),
  }
}

function carriesName({ detail, read }: SeenEvent, name: string): boolean {
  return (
    typeof detail === 'object' &&
    detail !== null &&
    Object.hasOwn(detail, name) &&
    equal((detail as Record<string, unknown>)[name], read[name])
  )
}

function lastOf({ events }: Observation, type: string): SeenEvent | undefined {
  return events.flat().findLast((event) => event.type === type)
}

/** Where in an event the new value stands, as a JSON Pointer from the event. */
function placeIn(event: SeenEvent | undefined, name: string, value: unknown): string | undefined {
  if (event === undefined) return undefined
  const inDetail = pointerTo(event.detail, value, name)
  if (inDetail !== undefined) return `/detail${inDetail}`
  return event.isOwn && equal(event.read[name], value) ? `/target/${name}` : undefined
}

function pointerTo(holder: unknown, value: unknown, name: string): string | undefined {
  if (equal(holder, value)) return ''
  if (typeof holder !== 'object' || holder === null || isHost(holder)) return undefined
  const members = Object.entries(holder).filter(([, one]) => equal(one, value))
  const best = members.find(([key]) => key === name) ?? members.find(([key]) => key === 'value') ?? members[0]
  return best === undefined ? undefined : `/${best[0].replace(/~/g, '~0').replace(/\//g, '~1')}`
}

/** Where some edit took several gestures, and nothing came before the last of them, it is told at its end. */
function whenOf(type: string, changing: readonly Observation[]): Report['reports'] {
  const isEarly = ({ events, gestures }: Observation) =>
    gestures.length > 1 && events[0]?.some((event) => event.type === type) === true
  const long = changing.filter(({ gestures }) => gestures[0]?.do === 'type')
  return long.length > 0 && !long.some(isEarly) ? 'commit' : 'edit'
}

function rank({ event, payloadAt, reports }: Report, name: string): number {
  return (
    (payloadAt.startsWith('/detail') ? 4 : 0) +
    (event.toLowerCase().includes(name.toLowerCase()) ? 2 : 0) +
    (reports === 'edit' ? 1 : 0)
  )
}
