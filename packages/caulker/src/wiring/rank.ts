import type { AnyCell, Reckoned } from './tokens.js'

/** Depth first, so that each stands after its inputs; what depends on itself is left out (it has no first value). */
export function inRankOrder(all: readonly Reckoned<unknown>[]): Reckoned<unknown>[] {
  const order: Reckoned<unknown>[] = []
  const state = new Map<Reckoned<unknown>, 'open' | 'done'>()
  const visit = (one: Reckoned<unknown> | AnyCell): void => {
    if (one.kind === 'cell') return
    const named = one.inputs === undefined ? all.find((other) => other.name === (one as Reckoned<unknown>).name) : one
    if (named === undefined || state.has(named)) return
    state.set(named, 'open')
    named.inputs.forEach(visit)
    state.set(named, 'done')
    order.push(named)
  }
  all.forEach(visit)
  return order
}
