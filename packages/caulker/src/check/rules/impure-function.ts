import { messageOf } from '../../words/index.js'
import { equal, samplesOf } from '../../contract/index.js'
import type { ScreenView } from '../reading/screen-view.js'
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
      const changed = changedBy(view, name)
      if (changed !== undefined)
        yield leak(['reckoned', name], `'${name}' changes what '${changed}' holds while it is computed`, {
          mend: 'Work on a copy: […list].sort(), {…record}.',
        })
    }
  },
})

/** The cell, of those that hold a list or a record, into which the function writes. */
function changedBy(view: ScreenView, reckoned: string): string | undefined {
  const { compute, from } = view.firstReckoned().find(({ name }) => name === reckoned)!
  return from.find((cell, at) => {
    const samples = samplesOf(view.cells.get(cell)?.type ?? {}).filter(isHolder)
    return samples
      .flatMap((sample) => (Array.isArray(sample) ? [sample, sample.toReversed()] : [sample]))
      .some((sample) => {
        const given = from.map((one, place) => (place === at ? structuredClone(sample) : view.cells.get(one)?.initial))
        outcomeOf(compute, given)
        return !equal(given[at], sample)
      })
  })
}

/** What structuredClone takes, of what a type can say: lists and plain records. */
function isHolder(value: unknown): boolean {
  return (
    Array.isArray(value) ||
    (typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype)
  )
}

function outcomeOf(compute: (...inputs: readonly unknown[]) => unknown, inputs: readonly unknown[]): unknown {
  try {
    return compute(...inputs)
  } catch (thrown) {
    return `throws ${messageOf(thrown)}`
  }
}
