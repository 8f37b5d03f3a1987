import { readablesIn } from '../reading/given.js'
import type { ScreenView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A load that depends on what a person enters, and is not repeated when they do. */
export const askedOnce = screenRule({
  id: 'asked-once',
  level: 'warning',
  title: 'What was loaded does not follow what it was asked for with',
  why: 'A load asks when its screen is entered. The person then enters something else, and what is shown is still the answer to the first question.',
  mend: 'Ask again where it is edited: on: { …: [refresh(cells.…)] }.',
  leaking: `
import { contract, load, oneWay, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { berths: { effect: 'reads', takes: Type.Object({ pier: Type.String() }), gives: Type.Array(Type.String()) } })
const choice = contract('berth-choice', { summary: 'A berth', properties: { free: { type: Type.Array(Type.String()), default: [] } }, values: { pier: { type: Type.String(), reports: 'commit' } } })
export const berth = screen('berth', {
  cells: { pier: { type: Type.String(), initial: '' }, free: { type: Type.Array(Type.String()), initial: [] } },
  sources: { office },
  fittings: { choice },
  loads: ({ cells, sources }) => ({ free: load(sources.office.berths, { pier: cells.pier }) }),
  bind: ({ cells }) => ({ choice: { pier: twoWay(cells.pier), free: oneWay(cells.free) } }),
})`,
  mended: `
import { contract, load, oneWay, refresh, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { berths: { effect: 'reads', takes: Type.Object({ pier: Type.String() }), gives: Type.Array(Type.String()) } })
const choice = contract('berth-choice', { summary: 'A berth', properties: { free: { type: Type.Array(Type.String()), default: [] } }, values: { pier: { type: Type.String(), reports: 'commit' } } })
export const berth = screen('berth', {
  cells: { pier: { type: Type.String(), initial: '' }, free: { type: Type.Array(Type.String()), initial: [] } },
  sources: { office },
  fittings: { choice },
  loads: ({ cells, sources }) => ({ free: load(sources.office.berths, { pier: cells.pier }) }),
  actions: ({ cells }) => ({ ask: [refresh(cells.free)] }),
  bind: ({ cells, actions }) => ({ choice: { pier: twoWay(cells.pier), free: oneWay(cells.free), on: { 'pier-set': actions.ask } } }),
})`,
  *find(view) {
    for (const [name, { operation, given }] of Object.entries(view.screen.loads)) {
      if (isAskedAgain(view, name)) continue
      const edited = view.editedCells()
      const asked = readablesIn(given).flatMap((source) => [...view.cellsBehind(source)])
      // An answer that fills the very cells it was asked for with is a record that is being edited.
      const changing = asked.find((cell) => edited.has(cell) && cell !== name)
      if (changing !== undefined)
        yield leak(
          ['loads', name],
          `'${name}' is loaded from '${operation.source}.${operation.name}' with '${changing}', which the person edits here, and is not asked for again`,
          { mend: `Ask again where '${changing}' is edited: [refresh(cells.${name})].` },
        )
    }
  },
})

/** Whether any step writes it anew. */
function isAskedAgain(view: ScreenView, cell: string): boolean {
  return view.actions.some(({ all }) =>
    all.some(
      (step) =>
        (step.step === 'refresh' && step.cell.name === cell) || (step.step === 'call' && step.into?.name === cell),
    ),
  )
}
