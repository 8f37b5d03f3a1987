import { isPayload, type AnyCell } from '../../wiring/index.js'
import { membersOf, readablesIn } from '../reading/given.js'
import type { FittingView, ScreenView } from '../reading/screen-view.js'
import { leak, screenRule, type Leak } from './rule.js'

/** A draft that nothing saves. */
export const draftNeverSaved = screenRule({
  id: 'draft-never-saved',
  level: 'error',
  title: 'A draft is never saved',
  why: 'The person edits a copy, and nothing on the screen ever writes it back: the edit is lost when the screen is left.',
  mend: 'Save it in an action, such as that of a button; or bind it with twoWay, which needs no saving.',
  leaking: `
import { contract, draft, screen, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { note },
  bind: ({ cells }) => ({ note: { text: draft(cells.text) } }),
})`,
  mended: `
import { contract, draft, save, screen, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { note },
  actions: ({ fittings }) => ({ keep: [save(fittings.note)] }),
  bind: ({ cells, actions }) => ({ note: { text: draft(cells.text), on: { done: actions.keep } } }),
})`,
  *find(view) {
    const saved = new Set(
      view.actions.flatMap(({ all }) => all.flatMap((step) => (step.step === 'save' ? [step.fitting.name] : []))),
    )
    for (const fitting of view.fittings)
      for (const [name, binding] of fitting.bindings)
        if (binding.kind === 'draft' && !saved.has(fitting.name))
          yield leak(
            ['bind', fitting.name, name],
            `'${fitting.name}.${name}' edits a draft of '${binding.source.name}', and nothing saves it`,
          )
    yield* savedWithoutIt(view)
  },
})

/** A save that sends something else: the copy is taken for saved, and has gone nowhere. */
function* savedWithoutIt(view: ScreenView): Iterable<Leak> {
  for (const { at, all } of view.actions)
    for (const step of all) {
      if (step.step !== 'save' || step.to === undefined || step.given === undefined) continue
      const fitting = view.fittings.find(({ name }) => name === step.fitting.name)
      const drafted = fitting === undefined ? [] : draftsOf(fitting)
      // What is carried may be the copy itself.
      const carries = [step.given, ...Object.values(membersOf(step.given))].some(isPayload)
      if (!carries && drafted.length > 0 && !drafted.some((cell) => isGiven(view, step.given, cell)))
        yield leak(
          at,
          `saves the draft of '${step.fitting.name}' to '${step.to.source}.${step.to.name}', which is not given '${drafted[0]?.member ?? drafted[0]?.name}'`,
          { mend: `Give it ${written(step.fitting.name, drafted[0] as AnyCell)}: there it stands for the copy.` },
        )
    }
}

/** As it is written in `given`. */
function written(fitting: string, { name, member }: AnyCell): string {
  return member === undefined ? `cells.${name}` : `row.${fitting}.${member}`
}

/** Of an entry, the very member. */
function isGiven(view: ScreenView, given: unknown, { name, member }: AnyCell): boolean {
  return readablesIn(given).some((one) =>
    one.kind === 'cell' && one.member !== undefined
      ? one.name === name && one.member === member
      : view.cellsBehind(one).has(name),
  )
}

function draftsOf({ bindings }: FittingView): AnyCell[] {
  return [...bindings.values()].flatMap((binding) => (binding.kind === 'draft' ? [binding.source] : []))
}
