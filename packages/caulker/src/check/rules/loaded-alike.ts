import { equal } from '../../contract/index.js'
import { isHeldOutside, type ScreenView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** One answer that is kept in two cells. */
export const loadedAlike = screenRule({
  id: 'loaded-alike',
  level: 'warning',
  title: 'Two cells are loaded with one question',
  why: 'Each asks for itself, and each may be answered at another time: two parts of the screen show two states of one list.',
  mend: 'Load it once, and bind both places to it.',
  leaking: `
import { contract, load, oneWay, screen, source, Type } from 'caulker'
const loft = source('rope-loft', { ropes: { effect: 'reads', gives: Type.Array(Type.String()) } })
const board = contract('rope-board', { properties: { ropes: { type: Type.Array(Type.String()), default: [] } } })
const list = { type: Type.Array(Type.String()), initial: [] }
export const ropes = screen('ropes', {
  cells: { ropes: list, again: list },
  sources: { loft },
  fittings: { left: board, right: board },
  loads: ({ sources }) => ({ ropes: load(sources.loft.ropes), again: load(sources.loft.ropes) }),
  bind: ({ cells }) => ({ left: { ropes: oneWay(cells.ropes) }, right: { ropes: oneWay(cells.again) } }),
})`,
  mended: `
import { contract, load, oneWay, screen, source, Type } from 'caulker'
const loft = source('rope-loft', { ropes: { effect: 'reads', gives: Type.Array(Type.String()) } })
const board = contract('rope-board', { properties: { ropes: { type: Type.Array(Type.String()), default: [] } } })
export const ropes = screen('ropes', {
  cells: { ropes: { type: Type.Array(Type.String()), initial: [] } },
  sources: { loft },
  fittings: { left: board, right: board },
  loads: ({ sources }) => ({ ropes: load(sources.loft.ropes) }),
  bind: ({ cells }) => ({ left: { ropes: oneWay(cells.ropes) }, right: { ropes: oneWay(cells.ropes) } }),
})`,
  *find(view) {
    const loads = Object.entries(view.screen.loads).filter(([cell]) => isOnlyLoaded(view, cell))
    for (const [at, [cell, { operation, given }]] of loads.entries()) {
      const alike = loads.slice(0, at).find(([, one]) => equal(one.operation, operation) && equal(one.given, given))
      if (alike !== undefined)
        yield leak(
          ['loads', cell],
          `'${alike[0]}' and '${cell}' are both loaded from '${operation.source}.${operation.name}' with one question`,
          { mend: `Load '${alike[0]}' alone, and bind it in both places.` },
        )
    }
  },
})

/** What is edited, set or kept elsewhere is made something else of: one of the two may stand for how it was. */
function isOnlyLoaded(view: ScreenView, cell: string): boolean {
  const steps = view.actions.flatMap(({ all }) => all)
  const isSet = steps.some((step) => (step.step === 'set' || step.step === 'clear') && step.cell.name === cell)
  return !isSet && !view.editedCells().has(cell) && !isHeldOutside(view, cell)
}
