import { printed, type ValueClause } from '../../contract/index.js'
import { leak, screenRule } from './rule.js'
import { isShared, type FittingView } from '../reading/screen-view.js'

/** Two fittings that edit one cell within other bounds. */
export const unequalBounds = screenRule({
  id: 'unequal-bounds',
  level: 'warning',
  title: 'Two fittings edit one cell within other bounds',
  why: 'What is entered in one is outside of the other: it is changed or marked there, and the person sees a value that they did not enter.',
  mend: 'Let both follow one cell for the bound, or give both the same.',
  leaking: `
import { contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { summary: 'A winch', properties: { most: { type: Type.Integer(), default: 9 } }, values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' } } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { bow: winch, stern: winch },
  bind: ({ cells }) => ({ bow: { turns: twoWay(cells.turns), most: 12 }, stern: { turns: twoWay(cells.turns), most: 20 } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { summary: 'A winch', properties: { most: { type: Type.Integer(), default: 9 } }, values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' } } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { bow: winch, stern: winch },
  bind: ({ cells }) => ({ bow: { turns: twoWay(cells.turns), most: 12 }, stern: { turns: twoWay(cells.turns), most: 12 } }),
})`,
  *find({ fittings, screen }) {
    const seen = new Map<string, [FittingView, ValueClause]>()
    for (const fitting of fittings) {
      // What is shown at times may take turns with the other.
      if (Object.hasOwn(screen.shown, fitting.name) || fitting.isLocked()) continue
      for (const [value, binding] of fitting.boundValues()) {
        if (!isShared(binding) || binding.source.row !== undefined) continue
        const before = seen.get(binding.source.name)
        if (before === undefined) seen.set(binding.source.name, [fitting, value])
        else
          for (const side of ['least', 'most'] as const) {
            const [other, its] = before
            const [here, there] = [constantBound(fitting, value, side), constantBound(other, its, side)]
            if (here !== undefined && there !== undefined && here !== there)
              yield leak(
                ['bind', fitting.name, value.name],
                `'${other.name}.${its.name}' takes at ${side} ${printed(there)}, '${fitting.name}.${value.name}' at ${side} ${printed(here)}, and both edit '${binding.source.name}'`,
              )
          }
      }
    }
  },
})

/** A bound that stays what it is: written in the contract, given as a constant or left at its default. */
function constantBound({ bindings, contract }: FittingView, value: ValueClause, side: 'least' | 'most'): unknown {
  const bound = value.bounds[side]
  const clause = typeof bound === 'string' ? (contract.properties[bound] ?? contract.values[bound]) : undefined
  if (typeof bound !== 'string' || clause === undefined) return bound
  const binding = bindings.get(clause.name)
  if (binding === undefined) return clause.kind === 'value' ? undefined : (clause.default ?? undefined)
  return binding.kind === 'constant' ? (binding.value ?? undefined) : undefined
}
