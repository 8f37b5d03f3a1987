import { equal } from '../../contract/index.js'
import type { Wiring } from '../../machine/index.js'
import {
  endInReach,
  happensIn,
  invariants,
  ownInvariant,
  repeatable,
  type Invariant,
  type Leaking,
  type Passage,
} from '../invariants/index.js'
import type { Move } from '../play/move.js'
import { playOf } from '../play/play.js'
import { boundsOf, type Bounds, type ExploreOptions } from './bounds.js'
import { watchEnds, type EndsInReach } from './ends.js'
import type { Hash } from './identity.js'
import { moveNumbers } from './move-numbers.js'
import { noteTransitions } from './transitions.js'
import { createVisited } from './visited.js'
import { walkOver, type Node } from './walk.js'

/** Everything that was found out about one wiring. */
export interface Explored {
  readonly states: number
  /** How many moves were looked at. */
  readonly passages: number
  /** The longest trail that was looked at. */
  readonly depth: number
  /** Whether all states within the bounds were seen, or what stopped it. */
  readonly ended: 'all-seen' | 'at-the-bound' | 'stopped'
  /** How many states were not gone on from. */
  readonly left: number
  /** How many moves leaked, so that what comes after them was not looked at. */
  readonly behind: number
  readonly bounds: Bounds
  readonly leaks: readonly FoundLeak[]
  readonly ends: EndsInReach | undefined
  /** The moves to every transition that was passed over, by a shortest trail. */
  readonly transitions: readonly { readonly transition: string; readonly trail: readonly Move[] }[]
}

export interface FoundLeak extends Leaking {
  readonly invariant: Invariant
  readonly trail: readonly Move[]
}

/** How many states are kept while they wait; how often one of them is played again all the same, to see that it comes out alike. */
const MOST_KEPT = 4000
const CHECKED = 32
/** How often it is said how far it has come, in moves: a wide screen has many in one state. */
const SAID = 200

/**
 * Looks at everything that a person, the owner, the sources and time can do with a screen or journey over ideal components, breadth
 * first, so that the first trail to a leak is a shortest one.
 *
 * Throws a {@link CaulkerError} `bad-argument` for what is no wiring.
 *
 * @param options the bounds: `edits` (2), `failures` (1), `pending` calls (3) and `moves` (40) of a trail, and `states` (200,000)
 * @example
 * ```ts
 * import { contract, explore, screen, set, payload, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slack: {} } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   actions: ({ cells }) => ({ take: [set(cells.turns, payload())], slack: [set(cells.turns, 0)] }),
 *   bind: ({ actions }) => ({ winch: { on: { 'turns-set': actions.take, slack: actions.slack } } }),
 * })
 * const { leaks } = explore(slip)
 * console.assert(leaks[0]?.invariant.id === 'shown-is-held' && leaks[0].trail.length === 3)
 * ```
 */
export function explore(wiring: Wiring, options: ExploreOptions = {}): Explored {
  const bounds = boundsOf(options)
  const play = playOf(wiring, options.initial)
  const { plan } = play
  const { machine } = plan
  const watching = [...invariants, ...plan.rules.map(ownInvariant)]
  const walk = walkOver(play, options.makeHost ?? (() => []))
  const ends = watchEnds(wiring, walk)
  const visited = createVisited()
  const numbers = moveNumbers()
  const transitions = noteTransitions()
  const hash: Hash = { high: 0, low: 0 }
  const leaks: FoundLeak[] = []
  const known = new Set<string>()
  let [passages, cut, behind, depth] = [0, 0, 0, 0]
  let ended: Explored['ended'] = 'all-seen'
  /** The state that is looked at. */
  let state = 0

  const root = walk.root({ edits: bounds.edits, failures: bounds.failures, part: -1 })
  /** The states that wait and were kept when they were found; of the others the trail is played again. */
  const waiting = new Map<number, Node>()
  /** The trail to the state that is looked at, with what stood at each of its states. */
  const path: { state: number; node: Node }[] = []

  const nameOf = (node: Node) => machine.screens[walk.frontOf(node)]?.name ?? ''

  function trailTo(state: number): Move[] {
    const trail: Move[] = []
    for (let at = state; visited.parentOf(at) >= 0; at = visited.parentOf(at))
      trail.push(numbers.at(visited.moveOf(at)))
    return trail.reverse()
  }

  function tell(invariant: Invariant, leak: Leaking, trail: () => readonly Move[]): void {
    const key = `${invariant.id} ${leak.subject}`
    if (known.has(key)) return
    known.add(key)
    leaks.push({ ...leak, invariant, trail: trail() })
  }

  /** Gives whether something leaked that has passed: what comes after it would only tell the same once more. */
  function judge(passage: Passage, trail: () => readonly Move[]): boolean {
    let isBehind = false
    for (const one of watching)
      if (happensIn(one, passage))
        for (const leak of one.judge(passage)) {
          tell(one, leak, trail)
          isBehind ||= one.watches !== 'everything'
        }
    return isBehind
  }

  /** What stood at a state: its trail is played again from the last state that is still known. */
  function nodeOf(state: number): Node {
    const near = waiting.get(state)
    waiting.delete(state)
    if (near !== undefined && state >= CHECKED && state % CHECKED !== 0) return near
    const missing: number[] = []
    for (let at = state; at >= 0; at = visited.parentOf(at)) {
      const place = path.findIndex((one) => one.state === at)
      if (place >= 0) {
        path.length = place + 1
        break
      }
      missing.unshift(at)
    }
    if (missing.at(0) === 0) path.length = 0
    for (const next of missing) {
      const last = path.at(-1)
      const node = last === undefined ? root : walk.keep(walk.go(last.node, numbers.at(visited.moveOf(next))))
      walk.hash(node, hash)
      const isSame =
        near === undefined ||
        next !== state ||
        near.kept.slots.every((held, slot) => isAlike(held, node.kept.slots[slot]))
      if (!isSame || !visited.hashIs(next, hash.high, hash.low))
        tell(repeatable, { subject: machine.name, says: UNLIKE }, () => trailTo(next))
      path.push({ state: next, node })
    }
    return (path.at(-1) as { node: Node }).node
  }

  walk.hash(root, hash)
  visited.add(hash.high, hash.low, -1)
  walk.mount(root, (passage) => judge(passage, () => []))

  const say = () =>
    options.progress?.({ states: visited.count, left: visited.count - state, depth, leaks: leaks.length }) !== false
  let levelEnd = 1
  for (; state < visited.count; state++) {
    if (state === levelEnd) {
      depth++
      levelEnd = visited.count
    }
    if (depth >= bounds.moves || visited.count >= bounds.states) ended = 'at-the-bound'
    else if (state === 0 && !say()) ended = 'stopped'
    if (ended !== 'all-seen') break
    const node = nodeOf(state)
    ends?.note(state, node)
    for (const move of walk.offers(node)) {
      if (++passages % SAID === 0 && !say()) {
        ended = 'stopped'
        break
      }
      let isBehind = false
      const next = walk.go(node, move, (passage) => {
        isBehind = judge(passage, () => [...trailTo(state), move])
      })
      transitions.note(state, nameOf(node), move, nameOf(next))
      if (isBehind) {
        behind++
        continue
      }
      if (walk.pendingIn(next).length > bounds.pending) {
        cut++
        continue
      }
      walk.hash(next, hash)
      const made = visited.add(hash.high, hash.low, state)
      if (made < 0) continue
      visited.reachedBy(made, numbers.of(move))
      if (waiting.size < MOST_KEPT) waiting.set(made, walk.keep(next))
    }
  }
  const left = visited.count - state + cut
  const { dead = [], ...reach } = ended === 'stopped' ? {} : (ends?.judge(() => !say()) ?? {})
  for (const one of dead) tell(endInReach, { subject: nameAt(one), says: NO_END(nameAt(one)) }, () => trailTo(one))

  function nameAt(one: number): string {
    return nameOf(nodeOf(one))
  }

  return {
    states: visited.count,
    passages,
    depth,
    behind,
    ended: ended === 'all-seen' && cut > 0 ? 'at-the-bound' : ended,
    left,
    bounds,
    leaks: leaks.sort((one, other) => one.trail.length - other.trail.length),
    ends: 'asked' in reach ? (reach as EndsInReach) : undefined,
    transitions: transitions
      .firsts()
      .map(({ transition, state: at, move }) => ({ transition, trail: [...trailTo(at), move] })),
  }
}

/** What is only computed tells no state from another, and has to come out alike all the same. */
function isAlike(one: unknown, other: unknown): boolean {
  return one === other || equal(one, other)
}

const UNLIKE =
  'the same moves, played twice, do not lead to the same: a function of the wiring keeps something to itself, or looks at the clock or at chance'
const NO_END = (screen: string) =>
  `from here on no end can be reached any more, whatever is done on ${screen} and although everything is answered`
