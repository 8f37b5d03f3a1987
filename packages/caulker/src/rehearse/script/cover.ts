import type { Wiring } from '../../machine/index.js'
import type { Explored } from '../explore/explore.js'
import { nameOfWiring } from '../play/name.js'
import { transitionsOf } from './transitions-of.js'
import type { Script } from './model.js'

/** Scripts that together pass over every transition that was met, and how many that are. */
export interface Cover {
  readonly scripts: readonly Script[]
  readonly passed: number
  readonly all: number
}

/**
 * The fewest of the shortest trails that pass over every transition: the longest first, each only where it passes over something that
 * those before it have not.
 */
export function coveringScripts(wiring: Wiring, { transitions }: Pick<Explored, 'transitions'>): Cover {
  const all = new Set(transitions.map(({ transition }) => transition))
  const open = new Set(all)
  const chosen: { trail: (typeof transitions)[number]['trail']; passes: readonly string[] }[] = []
  const candidates = transitions
    .map(({ trail }) => ({ trail, passes: transitionsOf(wiring, trail) }))
    .sort((one, other) => other.trail.length - one.trail.length)
  while (open.size > 0) {
    let best: (typeof candidates)[number] | undefined
    let most = 0
    for (const candidate of candidates) {
      const fresh = new Set(candidate.passes.filter((one) => open.has(one))).size
      if (fresh > most) [best, most] = [candidate, fresh]
    }
    if (best === undefined) break
    chosen.push(best)
    for (const one of best.passes) open.delete(one)
  }
  return {
    scripts: chosen.map(({ trail, passes }, at) => ({
      kind: 'script',
      title: `${nameOfWiring(wiring)} ${at + 1}: ${passes.at(-1) ?? 'nothing'}`,
      of: nameOfWiring(wiring),
      steps: trail,
    })),
    passed: all.size - open.size,
    all: all.size,
  }
}
