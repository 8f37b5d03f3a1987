import { equal, valueAt, type TSchema } from '../../contract/index.js'
import { type Step, type Steps } from '../../wiring/index.js'
import { membersOf } from '../reading/given.js'
import type { ScreenView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A list that goes on showing an entry which was taken away where it is kept, or without one that was added there. */
export const staleList = screenRule({
  id: 'stale-list',
  level: 'warning',
  title: 'A list is changed where it is kept, and not asked for again',
  why: 'The entry that was taken away stays on the screen, or the one that was added does not come: the person does it once more.',
  mend: 'Refresh the list in then, or set it to what is left.',
  leaking: `
import { call, contract, load, oneWay, rowsOf, screen, source, Type } from 'caulker'
const rope = Type.Object({ id: Type.String(), name: Type.String() })
const office = source('rope-loft', { ropes: { effect: 'reads', gives: Type.Array(rope) }, drop: { effect: 'removes', key: 'id', takes: Type.Object({ id: Type.String() }) } })
const line = contract('rope-line', { summary: 'A rope', properties: { name: { type: Type.String(), default: '' } }, events: { drop: {} } })
export const loft = screen('loft', {
  cells: { ropes: { type: Type.Array(rope), initial: [] } },
  sources: { office },
  fittings: { line },
  rows: ({ cells }) => ({ line: rowsOf(cells.ropes, 'id') }),
  loads: ({ sources }) => ({ ropes: load(sources.office.ropes) }),
  actions: ({ sources, row }) => ({ drop: [call(sources.office.drop, { id: row.line.id })] }),
  bind: ({ row, actions }) => ({ line: { name: oneWay(row.line.name), on: { drop: actions.drop } } }),
})`,
  mended: `
import { call, contract, load, oneWay, refresh, rowsOf, screen, source, Type } from 'caulker'
const rope = Type.Object({ id: Type.String(), name: Type.String() })
const office = source('rope-loft', { ropes: { effect: 'reads', gives: Type.Array(rope) }, drop: { effect: 'removes', key: 'id', takes: Type.Object({ id: Type.String() }) } })
const line = contract('rope-line', { summary: 'A rope', properties: { name: { type: Type.String(), default: '' } }, events: { drop: {} } })
export const loft = screen('loft', {
  cells: { ropes: { type: Type.Array(rope), initial: [] } },
  sources: { office },
  fittings: { line },
  rows: ({ cells }) => ({ line: rowsOf(cells.ropes, 'id') }),
  loads: ({ sources }) => ({ ropes: load(sources.office.ropes) }),
  actions: ({ cells, sources, row }) => ({ drop: [call(sources.office.drop, { id: row.line.id }, { then: [refresh(cells.ropes)] })] }),
  bind: ({ row, actions }) => ({ line: { name: oneWay(row.line.name), on: { drop: actions.drop } } }),
})`,
  *find(view) {
    for (const { at, action, all } of view.actions)
      for (const step of all) {
        const operation = step.step === 'call' ? view.operation(step.operation) : undefined
        if (step.step !== 'call' || operation === undefined) continue
        const { source, name } = step.operation
        const isAdded = operation.effect === 'creates' && operation.gives !== undefined
        if (operation.effect !== 'removes' && !isAdded) continue
        const lists = isAdded ? listsOfType(view, source, operation.gives) : listsBy(view, source, step.given)
        for (const list of lists)
          if (!isSeenTo(view, list, action.steps))
            yield leak(
              at,
              `'${source}.${name}' ${isAdded ? 'adds an entry, and' : 'takes an entry away, and'} '${list}' ${isAdded ? 'goes on without it' : 'goes on showing it'}`,
              {
                mend: `Say then: [refresh(cells.${list})].`,
              },
            )
      }
  },
})

/** The lists that are loaded from a source, and whose entries have a member by which one is taken away. */
function listsBy(view: ScreenView, source: string, given: unknown): string[] {
  const members = Object.keys(membersOf(given))
  return loadedFrom(view, source).filter((cell) => {
    const entry = valueAt(view.cells.get(cell)?.type, ['items', 'properties'])
    return members.some((one) => Object.hasOwn((entry ?? {}) as object, one))
  })
}

/** The lists that are loaded from a source, and whose entries are what it gives for a new one. */
function listsOfType(view: ScreenView, source: string, gives: TSchema | undefined): string[] {
  return loadedFrom(view, source).filter((cell) => equal(valueAt(view.cells.get(cell)?.type, ['items']), gives))
}

function loadedFrom({ screen }: ScreenView, source: string): string[] {
  return Object.entries(screen.loads).flatMap(([cell, { operation }]) => (operation.source === source ? [cell] : []))
}

/** Whether the list is written or asked for again beside it, after it, or by who hears of it; or the person goes elsewhere. */
function isSeenTo(view: ScreenView, list: string, steps: Steps): boolean {
  const heard = Object.values(view.screen.hears).flatMap((one) => one.steps)
  return [...onSuccess([...steps, ...heard])].some(
    (step) =>
      step.step === 'go' ||
      step.step === 'back' ||
      ((step.step === 'set' || step.step === 'clear' || step.step === 'refresh') && step.cell.name === list) ||
      (step.step === 'call' && step.into?.name === list),
  )
}

/** What is done where all goes well: a list that is asked for after a failure is not asked for after this. */
function* onSuccess(steps: Steps): Iterable<Step> {
  for (const step of steps) {
    yield step
    if (step.step === 'call' || step.step === 'save') yield* onSuccess(step.then)
  }
}
