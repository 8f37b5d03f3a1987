import { equal, printed, valueAt } from '../../contract/index.js'
import { allSteps, isPayload, type Steps } from '../../wiring/index.js'
import { failures, isReadable } from '../reading/given.js'
import { isHeldOutside, sharedBy, type ScreenView } from '../reading/screen-view.js'
import { letsGo } from '../reading/wiped.js'
import { leak, screenRule, type Leak } from './rule.js'

/** A cell that is set for a call, and that only one of its two answers sets back; or by its failure, and never again. */
export const neverLetGo = screenRule({
  id: 'never-let-go',
  level: 'warning',
  title: 'What is set for a call is set back by one of its answers only',
  why: 'The office does not answer, and the screen stays locked, or says that it is sending, until it is loaded again; or it goes on saying what went wrong once all is well.',
  mend: 'Set it back under then and under fails; or follow states.sending, which the screen keeps by itself.',
  leaking: `
import { call, contract, oneWay, screen, set, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const text = contract('yard-text', { summary: 'A text', properties: { shut: { type: Type.Boolean(), default: false } }, values: { text: { type: Type.String() } }, events: { send: {} }, locks: { disabled: 'shut' } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' }, isBusy: { type: Type.Boolean(), initial: false } },
  fittings: { name: text },
  sources: { office },
  actions: ({ cells, sources }) => ({ book: [set(cells.isBusy, true), call(sources.office.book, { name: cells.name }, { then: [set(cells.isBusy, false)] })] }),
  bind: ({ cells, actions }) => ({ name: { text: twoWay(cells.name), shut: oneWay(cells.isBusy), on: { send: actions.book } } }),
})`,
  mended: `
import { call, contract, oneWay, screen, set, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const text = contract('yard-text', { summary: 'A text', properties: { shut: { type: Type.Boolean(), default: false } }, values: { text: { type: Type.String() } }, events: { send: {} }, locks: { disabled: 'shut' } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' }, isBusy: { type: Type.Boolean(), initial: false } },
  fittings: { name: text },
  sources: { office },
  actions: ({ cells, sources }) => ({ book: [set(cells.isBusy, true), call(sources.office.book, { name: cells.name }, { then: [set(cells.isBusy, false)], fails: [set(cells.isBusy, false)] })] }),
  bind: ({ cells, actions }) => ({ name: { text: twoWay(cells.name), shut: oneWay(cells.isBusy), on: { send: actions.book } } }),
})`,
  *find(view) {
    yield* saidForGood(view)
    for (const { at, action } of view.actions)
      for (const { cell, held, then, fails } of heldForCalls(action.steps)) {
        const [given, failed] = [setsBack(then, cell, held), setsBack(fails, cell, held)]
        // What it is at first is no state to come back from.
        const isWiped = equal(held, view.cells.get(cell)?.initial)
        if (given !== failed && !isWiped && !isSetElsewhere(view, cell, action.steps))
          yield leak(
            at,
            `'${cell}' is set to ${printed(held)} for a call, and stays so where that ${given ? 'fails' : 'succeeds'}`,
          )
      }
  },
})

/** What a failure sets, and nothing ever sets back: it is still said once all is well. */
function* saidForGood(view: ScreenView): Iterable<Leak> {
  const all = view.actions.flatMap(({ all }) => all)
  for (const { at, action } of view.actions)
    for (const fails of failures(at, action.steps))
      for (const failing of fails) {
        if (failing.step !== 'set' || failing.cell.row !== undefined || isReadable(failing.value)) continue
        const { name } = failing.cell
        const others = all.filter((one) => one !== failing && letsGo(one, name))
        const clause = view.cells.get(name)
        const isWiped = equal(failing.value, clause?.initial)
        // A flag may open for good what helps from then on, such as whom to ring up.
        const isFlag = valueAt(clause?.type, ['type']) === 'boolean'
        if (others.length === 0 && !isWiped && !isFlag && !isHeldElsewhere(view, name))
          yield leak(at, `'${name}' is set where a call fails, and nothing ever sets it back`, {
            mend: `Clear '${name}' when it is tried again; or show states.problem(), which goes by itself.`,
          })
      }
}

interface HeldForCall {
  readonly cell: string
  readonly held: unknown
  readonly then: Steps
  readonly fails: Steps
}

/** The cells that are set to a constant before or beside a call in one list of steps. */
function heldForCalls(steps: Steps): HeldForCall[] {
  const set = steps.flatMap((step) =>
    step.step === 'set' && step.cell.row === undefined && isConstant(step.value)
      ? [{ cell: step.cell.name, held: step.value }]
      : [],
  )
  return steps.flatMap((step) =>
    step.step === 'call' || step.step === 'save'
      ? set.map((one) => ({ ...one, then: step.then, fails: step.fails }))
      : [],
  )
}

function isConstant(value: unknown): boolean {
  return !isPayload(value) && !isReadable(value)
}

function setsBack(steps: Steps, cell: string, held: unknown): boolean {
  return [...allSteps(steps)].some((step) => letsGo(step, cell) && !(step.step === 'set' && equal(step.value, held)))
}

/** A person, its owner or the journey around it may let it go. */
function isHeldElsewhere(view: ScreenView, cell: string): boolean {
  const isBound = view.fittings.some((fitting) => sharedBy(fitting).includes(cell))
  return isBound || isHeldOutside(view, cell)
}

/** The same, or another event. */
function isSetElsewhere(view: ScreenView, cell: string, steps: Steps): boolean {
  return (
    isHeldElsewhere(view, cell) ||
    view.actions.some(({ action, all }) => action.steps !== steps && all.some((step) => letsGo(step, cell)))
  )
}
