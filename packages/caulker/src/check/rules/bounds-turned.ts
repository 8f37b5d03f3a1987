import { limitsOf, printed, valueClauses } from '../../contract/index.js'
import { firstGiven, isHeldOutside, type FittingView, type ScreenView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A fitting whose bounds are given crosswise. */
export const boundsTurned = screenRule({
  id: 'bounds-turned',
  level: 'error',
  title: 'A field is given a least that is above its most',
  why: 'Nothing lies between them: whatever the person enters, the least comes back.',
  mend: 'Bind the lower end as the least, and the upper end as the most.',
  leaking: `
import { contract, oneWay, screen, Type } from 'caulker'
const winch = contract('chain-winch', { properties: { least: { type: Type.Integer(), default: 0 }, most: { type: Type.Integer(), default: 12 } }, values: { turns: { type: Type.Integer(), default: 6, bounds: { least: 'least', most: 'most' } } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 6 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { least: 24, most: 2, turns: oneWay(cells.turns, { showOnly: true }) } }),
})`,
  mended: `
import { contract, oneWay, screen, Type } from 'caulker'
const winch = contract('chain-winch', { properties: { least: { type: Type.Integer(), default: 0 }, most: { type: Type.Integer(), default: 12 } }, values: { turns: { type: Type.Integer(), default: 6, bounds: { least: 'least', most: 'most' } } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 6 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { least: 2, most: 24, turns: oneWay(cells.turns, { showOnly: true }) } }),
})`,
  *find(view) {
    for (const fitting of view.fittings)
      for (const value of valueClauses(fitting.contract)) {
        const { least, most } = limitsOf(value, (name) => firstBound(view, fitting, name))
        const isGiven = [value.bounds.least, value.bounds.most].some(
          (name) => typeof name === 'string' && fitting.bindings.has(name),
        )
        // Bounds that cross in the contract itself are the affair of another rule.
        if (!isGiven || least === undefined || most === undefined || typeof least !== typeof most || least <= most)
          continue
        yield leak(
          [
            'bind',
            fitting.name,
            ...[value.bounds.least, value.bounds.most].filter((name) => typeof name === 'string'),
          ].slice(0, 3),
          `'${fitting.name}.${value.name}' is given ${printed(least)} as its least and ${printed(most)} as its most`,
        )
      }
  },
})

/** Of a bound that is loaded or held elsewhere nothing is known yet. */
function firstBound(view: ScreenView, fitting: FittingView, name: string): unknown {
  const binding = fitting.bindings.get(name)
  const behind = binding === undefined || binding.kind === 'constant' ? [] : [...view.cellsBehind(binding.source)]
  const isOpen = behind.some((cell) => isHeldOutside(view, cell) || view.screen.loads[cell] !== undefined)
  return isOpen ? undefined : firstGiven(view, fitting, name)
}
