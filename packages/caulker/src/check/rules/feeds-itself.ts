import { equal, printed, samplesOf } from '../../contract/index.js'
import { isPayload } from '../../wiring/index.js'
import { leak, screenRule, type Leak } from './rule.js'
import type { FittingView, ScreenView } from '../reading/screen-view.js'
import { recomputed } from '../reading/recomputed.js'

/** A report that sets the cell from which the reported value is computed, so that each edit is computed once more. */
export const feedsItself = screenRule({
  id: 'feeds-itself',
  level: 'error',
  title: 'An edit is computed into another value',
  why: 'What the person enters is put where it is computed from: the field shows something else than was typed, and each further edit moves it on.',
  mend: 'Hold what is entered in the cell, bind it with twoWay, and compute the other value from it.',
  leaking: `
import { contract, oneWay, payload, reckon, screen, set, Type } from 'caulker'
const length = contract('keel-length', { summary: 'A length', values: { metres: { type: Type.Number(), default: 0 } } })
export const quote = screen('quote', {
  cells: { feet: { type: Type.Number(), initial: 30 } },
  fittings: { length },
  reckoned: ({ cells }) => ({ metres: reckon([cells.feet], (feet) => feet * 0.3048) }),
  bind: ({ cells, reckoned }) => ({ length: { metres: oneWay(reckoned.metres), on: { 'metres-set': [set(cells.feet, payload())] } } }),
})`,
  mended: `
import { contract, oneWay, reckon, screen, twoWay, Type } from 'caulker'
const length = contract('keel-length', { summary: 'A length', values: { metres: { type: Type.Number(), default: 0 } } })
const board = contract('quote-board', { summary: 'A board', properties: { feet: { type: Type.Number(), default: 0 } } })
export const quote = screen('quote', {
  cells: { metres: { type: Type.Number(), initial: 9 } },
  fittings: { length, board },
  reckoned: ({ cells }) => ({ feet: reckon([cells.metres], (metres) => metres / 0.3048) }),
  bind: ({ cells, reckoned }) => ({ length: { metres: twoWay(cells.metres) }, board: { feet: oneWay(reckoned.feet) } }),
})`,
  *find(view) {
    for (const fitting of view.fittings) yield* computedAgain(view, fitting)
  },
})

function* computedAgain(view: ScreenView, fitting: FittingView): Iterable<Leak> {
  for (const [value, binding] of fitting.boundValues()) {
    if (binding.kind !== 'one-way' || binding.source.kind !== 'reckoned') continue
    const from = view.cellsBehind(binding.source)
    for (const step of fitting.handlers.get(value.event)?.steps ?? []) {
      if (step.step !== 'set' || !isPayload(step.value) || step.value.at !== '' || !from.has(step.cell.name)) continue
      const moved = movedOn(view, binding.source.name, step.cell.name)
      if (moved !== undefined)
        yield leak(
          ['bind', fitting.name, value.name],
          `'${fitting.name}.${value.name}' shows '${binding.source.name}', which is computed from '${step.cell.name}', and its report sets '${step.cell.name}': ${printed(moved.entered)} entered shows ${printed(moved.shown)}`,
        )
    }
  }
}

/** A value that is computed into another when it is entered; one that only makes it right, such as a trim, settles at once. */
function movedOn(view: ScreenView, reckoned: string, cell: string): { entered: unknown; shown: unknown } | undefined {
  const type = view.cells.get(cell)?.type
  for (const entered of type === undefined ? [] : samplesOf(type)) {
    const once = recomputed(view, reckoned, cell, entered)
    const twice = once === undefined ? undefined : recomputed(view, reckoned, cell, once.value)
    if (once !== undefined && twice !== undefined && !equal(once.value, twice.value))
      return { entered, shown: once.value }
  }
  return undefined
}
