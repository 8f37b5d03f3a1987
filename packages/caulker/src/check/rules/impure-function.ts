import { messageOf } from '../../words/index.js'
import { equal } from '../../contract/index.js'
import { leak, screenRule } from './rule.js'

/** A reckoned cell whose function gives two answers to one question. */
export const impureFunction = screenRule({
  id: 'impure-function',
  level: 'warning',
  title: 'A function gives two answers to one question',
  why: 'What is shown depends on when it was computed: clock, chance or a counter goes into it, and no reset, no rehearsal and no test can bring it back.',
  mend: 'Compute from the inputs alone; hold what comes from outside in a cell.',
  leaking: `
import { contract, oneWay, reckon, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { properties: { code: { type: Type.Number() } }, values: { turns: { type: Type.Integer(), default: 0 } } })
let count = 0
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  reckoned: ({ cells }) => ({ code: reckon([cells.turns], (turns) => turns + count++) }),
  bind: ({ cells, reckoned }) => ({ winch: { turns: twoWay(cells.turns), code: oneWay(reckoned.code) } }),
})`,
  mended: `
import { contract, oneWay, reckon, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { properties: { code: { type: Type.Number() } }, values: { turns: { type: Type.Integer(), default: 0 } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  reckoned: ({ cells }) => ({ code: reckon([cells.turns], (turns) => turns + 7) }),
  bind: ({ cells, reckoned }) => ({ winch: { turns: twoWay(cells.turns), code: oneWay(reckoned.code) } }),
})`,
  *find(view) {
    for (const { name, inputs, compute } of view.firstReckoned()) {
      const [one, again] = [outcomeOf(compute, inputs), outcomeOf(compute, inputs)]
      if (!equal(one, again))
        yield leak(
          ['reckoned', name],
          `'${name}' comes to another value when it is computed again from the same inputs`,
        )
    }
  },
})

function outcomeOf(compute: (...inputs: readonly unknown[]) => unknown, inputs: readonly unknown[]): unknown {
  try {
    return compute(...inputs)
  } catch (thrown) {
    return `throws ${messageOf(thrown)}`
  }
}
