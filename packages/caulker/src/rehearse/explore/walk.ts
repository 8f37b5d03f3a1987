import type { PendingCall } from '../../machine/index.js'
import type { Passage } from '../invariants/index.js'
import { BLANK, remembered, type Memory } from '../play/memory.js'
import type { Move } from '../play/move.js'
import { offers } from '../play/offers.js'
import { partAfter, type Purse } from '../play/purse.js'
import type { KeptPlay, Play } from '../play/play.js'
import type { MakeHost } from '../play/values.js'
import { identityOf, type Hash, type Summed } from './identity.js'

/** A state, with what is remembered of its trail and what may still be done on it. */
export interface Node {
  readonly kept: KeptPlay
  readonly summed: Summed
  /** Nothing where nobody asks what has been. */
  readonly memory: Memory | undefined
  readonly purse: Purse
}

/** Steps from one state to the next; the same move from the same state always leads to the same. */
export interface Walk {
  readonly play: Play
  root(purse: Purse): Node
  /** Has the mount itself judged, before anything was done. */
  mount(root: Node, judge: (passage: Passage) => void): void
  offers(node: Node): Move[]
  /** What a move leads to: to be looked at until the next one; {@link Walk.keep} keeps it. */
  go(node: Node, move: Move, judge?: (passage: Passage) => void): Node
  keep(node: Node): Node
  /** Writes what tells a state from others. */
  hash(node: Node, into: Hash): void
  frontOf(node: Node): number
  pendingIn(node: Node): readonly PendingCall[]
}

export function walkOver(play: Play, makeHost: MakeHost): Walk {
  const { plan } = play
  const { slots } = plan.machine
  const identity = identityOf(plan.machine)
  const mounting = play.stage.takeHappened()
  const begun = play.keep()

  return {
    play,
    root: (purse) => ({ kept: begun, summed: identity.sum(begun), memory: BLANK, purse }),
    mount: ({ kept }, judge) =>
      judge({
        happened: mounting,
        left: undefined,
        middle: kept,
        ran: [],
        answered: undefined,
        plan,
        move: undefined,
        before: kept,
        after: kept,
        memory: BLANK,
      }),
    offers: ({ kept, purse }) => offers(plan, kept, purse, makeHost),
    go(node, move, judge) {
      play.bring(node.kept)
      const played = play.perform(move)
      const after = play.look()
      const { happened, left, middle = node.kept, ran, answered } = played
      judge?.({
        happened,
        left,
        middle,
        ran,
        answered,
        plan,
        move,
        before: node.kept,
        after,
        memory: node.memory ?? BLANK,
      })
      return {
        kept: after,
        summed: identity.sum(after, node.summed),
        memory: node.memory && remembered(plan, node.memory, move, node.kept, played, after),
        purse: spent(node, move),
      }
    },
    keep(node) {
      const kept = play.keep()
      return { ...node, kept, summed: { ...node.summed, kept } }
    },
    hash: ({ summed, kept, memory, purse }, into) => identity.hash(summed, kept.focus, memory, purse, into),
    frontOf: ({ kept }) => kept.slots[slots.front] as number,
    pendingIn: ({ kept }) => kept.slots[slots.calls] as readonly PendingCall[],
  }

  function spent({ kept, purse }: Node, move: Move): Purse {
    const part = partAfter(plan, kept, purse, move)
    if ('edit' in move || 'set' in move) return { ...purse, edits: purse.edits - 1, part }
    return 'fail' in move || 'never' in move ? { ...purse, failures: purse.failures - 1, part } : purse
  }
}
