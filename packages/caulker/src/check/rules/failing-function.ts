import { leak, screenRule } from './rule.js'

/** A reckoned cell whose function throws from the start. */
export const failingFunction = screenRule({
  id: 'failing-function',
  level: 'error',
  title: 'A function throws from the start',
  why: 'The reckoned cell has no value when the screen is entered: what follows it stays empty, and everything computed from it fails as well.',
  mend: 'Let it give a value for what the cells hold at first, such as null for "not known yet".',
  leaking: `
import { contract, oneWay, reckon, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { properties: { code: { type: Type.Number() } }, values: { turns: { type: Type.Integer(), default: 0 } } })
const feetOf = (turns: number): number => { throw new Error('no chain of ' + turns) }
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  reckoned: ({ cells }) => ({ code: reckon([cells.turns], feetOf) }),
  bind: ({ cells, reckoned }) => ({ winch: { turns: twoWay(cells.turns), code: oneWay(reckoned.code) } }),
})`,
  mended: `
import { contract, oneWay, reckon, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { properties: { code: { type: Type.Number() } }, values: { turns: { type: Type.Integer(), default: 0 } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  reckoned: ({ cells }) => ({ code: reckon([cells.turns], (turns) => turns * 6) }),
  bind: ({ cells, reckoned }) => ({ winch: { turns: twoWay(cells.turns), code: oneWay(reckoned.code) } }),
})`,
  *find(view) {
    const failed = new Set<string>()
    for (const { name, from, threw } of view.firstReckoned()) {
      if (threw === undefined) continue
      failed.add(name)
      // What is computed from a failure fails by it.
      if (!from.some((one) => failed.has(one))) yield leak(['reckoned', name], `'${name}' throws: ${threw}`)
    }
  },
})
