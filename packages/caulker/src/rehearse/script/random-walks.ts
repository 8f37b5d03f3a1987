import type { Wiring } from '../../machine/index.js'
import { transitionText } from '../explore/transitions.js'
import { walkOver } from '../explore/walk.js'
import type { Move } from '../play/move.js'
import { nameOfWiring } from '../play/name.js'
import { playOf } from '../play/play.js'
import type { MakeHost } from '../play/values.js'
import type { Script } from './model.js'

export interface RandomWalks {
  readonly walks: number
  /** The same seed gives the same walks. */
  readonly seed: number
  readonly makeHost: MakeHost
}

/** How long a walk goes on, and what may happen on it: more than an exploration of everything can take in. */
const MOST_MOVES = 30
const PURSE = { edits: 12, failures: 3, part: -1 }

/** Walks at random through what a person, the owner, the sources and time can do, each from the mount; a kind of move is as likely as another. */
export async function randomWalks(wiring: Wiring, { walks, seed, makeHost }: RandomWalks): Promise<Script[]> {
  if (walks === 0) return []
  const { nat, sample } = await import('fast-check')
  const walk = walkOver(playOf(wiring), makeHost)
  const chance = sample(nat(), { seed, numRuns: walks * MOST_MOVES * 2 }).values()
  const oneOf = <T>(all: readonly T[]): T => all[(chance.next().value ?? 0) % all.length] as T

  function trail(): Move[] {
    const moves: Move[] = []
    let node = walk.root(PURSE)
    while (moves.length < MOST_MOVES) {
      // A walk is about everything, whatever it began with.
      const offered = walk.offers({ ...node, purse: { ...node.purse, part: -1 } })
      if (offered.length === 0) break
      const kind = oneOf([...new Set(offered.map(kindOf))])
      const move = oneOf(offered.filter((one) => kindOf(one) === kind))
      moves.push(move)
      node = walk.keep(walk.go(node, move))
    }
    return moves
  }

  const of = nameOfWiring(wiring)
  return Array.from({ length: walks }, (_, at): Script => ({
    kind: 'script',
    title: `${of}, random walk ${at + 1}`,
    of,
    steps: trail(),
    isWalk: true,
  }))
}

const kindOf = (move: Move): string => transitionText('', move, '')
