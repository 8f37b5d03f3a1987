import { equal } from '../../contract/index.js'
import type { Move } from '../play/move.js'
import type { Hash } from './identity.js'
import { moveNumbers } from './move-numbers.js'
import { createVisited } from './visited.js'
import type { Node, Walk } from './walk.js'

/** The states that were found, each with the trail by which it was reached first. */
export interface Trails {
  readonly count: number
  /** Takes a state that a move has led to, unless it was seen before. */
  reach(node: Node, parent: number, move: Move): void
  /** What stands at a state, which is looked at after those that were found before it. */
  nodeOf(state: number): Node
  to(state: number): Move[]
}

/** How many states are kept while they wait; how often one of them is played again all the same, to see that it comes out alike. */
const MOST_KEPT = 16_000
const CHECKED = 32

/** @param unlike is told of a state to which the same moves, played once more, do not lead */
export function createTrails(walk: Walk, root: Node, unlike: (state: number) => void): Trails {
  const visited = createVisited()
  const numbers = moveNumbers()
  const hash: Hash = { high: 0, low: 0 }
  /** The states that wait and were kept when they were found; of the others the trail is played again. */
  const waiting = new Map<number, Node>()
  /** The trail to the state that is looked at, with what stood at each of its states. */
  const path: { state: number; node: Node }[] = []

  walk.hash(root, hash)
  visited.add(hash.high, hash.low, -1)

  /** The states on the way to one, from the last whose node is still on the path. */
  function missingTo(state: number): number[] {
    const missing: number[] = []
    for (let at = state; at >= 0; at = visited.parentOf(at)) {
      const place = path.findIndex((one) => one.state === at)
      if (place >= 0) {
        path.length = place + 1
        return missing
      }
      missing.unshift(at)
    }
    path.length = 0
    return missing
  }

  return {
    get count() {
      return visited.count
    },
    reach(node, parent, move) {
      walk.hash(node, hash)
      const made = visited.add(hash.high, hash.low, parent)
      if (made < 0) return
      visited.reachedBy(made, numbers.of(move))
      if (waiting.size < MOST_KEPT) waiting.set(made, walk.keep(node))
    },
    nodeOf(state) {
      const near = waiting.get(state)
      waiting.delete(state)
      if (near !== undefined && state >= CHECKED && state % CHECKED !== 0) return near
      for (const next of missingTo(state)) {
        const last = path.at(-1)
        const node = last === undefined ? root : walk.keep(walk.go(last.node, numbers.at(visited.moveOf(next))))
        walk.hash(node, hash)
        const isSame = near === undefined || next !== state || isAlike(near, node)
        if (!isSame || !visited.hashIs(next, hash.high, hash.low)) unlike(next)
        path.push({ state: next, node })
      }
      return (path.at(-1) as { node: Node }).node
    },
    to(state) {
      const trail: Move[] = []
      for (let at = state; visited.parentOf(at) >= 0; at = visited.parentOf(at))
        trail.push(numbers.at(visited.moveOf(at)))
      return trail.reverse()
    },
  }
}

/** What is only computed tells no state from another, and has to come out alike all the same. */
function isAlike({ kept: one }: Node, { kept: other }: Node): boolean {
  return one.slots.every((held, slot) => held === other.slots[slot] || equal(held, other.slots[slot]))
}
