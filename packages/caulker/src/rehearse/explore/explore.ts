import type { Wiring } from '../../machine/index.js'
import { endInReach, invariants, ownInvariant, repeatable } from '../invariants/index.js'
import type { Move } from '../play/move.js'
import { playOf } from '../play/play.js'
import { boundsOf, type Bounds, type ExploreOptions } from './bounds.js'
import { watchEnds, type EndsInReach } from './ends.js'
import { createFindings, type FoundLeak } from './findings.js'
import { createTrails } from './trails.js'
import { noteTransitions } from './transitions.js'
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
  const { machine, rules } = play.plan
  const walk = walkOver(play, options.makeHost ?? (() => []))
  const ends = watchEnds(wiring, walk)
  const transitions = noteTransitions()
  const findings = createFindings([...invariants, ...rules.map(ownInvariant)])
  const root = walk.root({ edits: bounds.edits, failures: bounds.failures, part: -1 })
  const trails = createTrails(walk, root, (state) =>
    findings.tell(repeatable, { subject: machine.name, says: UNLIKE }, () => trails.to(state)),
  )
  const nameOf = (node: Node) => machine.screens[walk.frontOf(node)]?.name ?? ''
  let [passages, cut, behind, depth] = [0, 0, 0, 0]
  let ended: Explored['ended'] = 'all-seen'
  /** The state that is looked at, and the first that lies deeper. */
  let [state, deeper] = [0, 1]

  const isWanted = () =>
    options.progress?.({ states: trails.count, left: trails.count - state, depth, leaks: findings.count }) !== false

  /** Looks at what one move leads to. */
  function pass(node: Node, move: Move): void {
    let isBehind = false
    const next = walk.go(node, move, (passage) => {
      isBehind = findings.judge(passage, () => [...trails.to(state), move])
    })
    transitions.note(state, nameOf(node), move, nameOf(next))
    if (isBehind) behind++
    else if (walk.pendingIn(next).length > bounds.pending) cut++
    else trails.reach(next, state, move)
  }

  walk.mount(root, (passage) => findings.judge(passage, () => []))
  for (; state < trails.count; state++) {
    if (state === deeper) {
      depth++
      deeper = trails.count
    }
    if (depth >= bounds.moves || trails.count >= bounds.states) ended = 'at-the-bound'
    else if (state === 0 && !isWanted()) ended = 'stopped'
    if (ended !== 'all-seen') break
    const node = trails.nodeOf(state)
    ends?.note(state, node)
    for (const move of walk.offers(node)) {
      if (++passages % SAID === 0 && !isWanted()) {
        ended = 'stopped'
        break
      }
      pass(node, move)
    }
  }
  const left = trails.count - state + cut
  const { dead = [], ...reach } = ended === 'stopped' ? {} : (ends?.judge(() => !isWanted()) ?? {})
  for (const one of dead) {
    const screen = nameOf(trails.nodeOf(one))
    findings.tell(endInReach, { subject: screen, says: NO_END(screen) }, () => trails.to(one))
  }

  return {
    states: trails.count,
    passages,
    depth,
    behind,
    ended: ended === 'all-seen' && cut > 0 ? 'at-the-bound' : ended,
    left,
    bounds,
    leaks: findings.shortestFirst(),
    ends: 'asked' in reach ? (reach as EndsInReach) : undefined,
    transitions: transitions
      .firsts()
      .map(({ transition, state: at, move }) => ({ transition, trail: [...trails.to(at), move] })),
  }
}

const UNLIKE =
  'the same moves, played twice, do not lead to the same: a function of the wiring keeps something to itself, or looks at the clock or at chance'
const NO_END = (screen: string) =>
  `from here on no end can be reached any more, whatever is done on ${screen} and although everything is answered`
