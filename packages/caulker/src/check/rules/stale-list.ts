import { equal, valueAt } from '../../contract/index.js'
import type { AnyOperation, OperationClause, Step, Steps } from '../../wiring/index.js'
import { membersOf } from '../reading/given.js'
import { operationNamed, type ScreenView } from '../reading/screen-view.js'
import { sentBy } from '../reading/sends.js'
import { leak, screenRule, type Leak } from './rule.js'

/** A list that goes on showing an entry which was taken away or changed where it is kept, or without one that was added there. */
export const staleList = screenRule({
  id: 'stale-list',
  level: 'warning',
  title: 'A list is changed where it is kept, and not asked for again',
  why: 'The entry that was taken away stays on the screen, or the one that was added or changed does not come: the person does it once more.',
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
        if (step.step === 'call') yield* leftBehind(view, at, step.operation, step.given, action.steps)
        if (step.step === 'save' && step.to !== undefined)
          yield* leftBehind(view, at, step.to, step.given, action.steps)
      }
    const { submit } = view.screen
    if (submit === undefined) return
    const given = sentBy(view, submit.sends)
    yield* leftBehind(view, ['submit'], operationNamed(submit.to), given, submit.then)
  },
})

interface Change {
  readonly does: string
  readonly shows: string
  /** Whether the entries of a list are what an operation makes, changes or takes away. */
  concerns(entry: Entry, operation: OperationClause, given: unknown): boolean
}

interface Entry {
  readonly type: unknown
  readonly members: readonly string[]
  readonly isEdited: boolean
}

const CHANGES: Readonly<Record<OperationClause['effect'], Change | undefined>> = {
  reads: undefined,
  creates: {
    does: 'adds an entry',
    shows: 'goes on without it',
    concerns: ({ type }, { gives }) => gives !== undefined && equal(type, gives),
  },
  removes: {
    does: 'takes an entry away',
    shows: 'goes on showing it',
    concerns: ({ members }, _operation, given) => Object.keys(membersOf(given)).some((one) => members.includes(one)),
  },
  updates: {
    does: 'changes an entry',
    shows: 'goes on showing it as it was',
    // By its key it is the same record; a list that the person edits shows already what they entered.
    concerns: ({ members, isEdited }, { key }, given) =>
      !isEdited &&
      key !== undefined &&
      members.includes(key) &&
      Object.keys(membersOf(given)).some((one) => one !== key && members.includes(one)),
  },
}

function* leftBehind(
  view: ScreenView,
  at: readonly string[],
  ref: AnyOperation,
  given: unknown,
  steps: Steps,
): Iterable<Leak> {
  const operation = view.operation(ref)
  const change = operation && CHANGES[operation.effect]
  if (operation === undefined || change === undefined) return
  for (const list of loadedFrom(view, ref.source))
    if (change.concerns(entryOf(view, list), operation, given) && !isSeenTo(view, list, steps))
      yield leak(at, `'${ref.source}.${ref.name}' ${change.does}, and '${list}' ${change.shows}`, {
        mend: `Say then: [refresh(cells.${list})].`,
      })
}

function entryOf(view: ScreenView, list: string): Entry {
  const type = valueAt(view.cells.get(list)?.type, ['items'])
  const members = Object.keys((valueAt(type, ['properties']) ?? {}) as object)
  return { type, members, isEdited: view.editedCells().has(list) }
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
