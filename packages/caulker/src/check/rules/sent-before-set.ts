import { equal } from '../../contract/index.js'
import { isPayload, type Step, type Steps } from '../../wiring/index.js'
import { givenReadables, isReadable, readablesIn } from '../reading/given.js'
import { isHeldOutside, type ScreenView } from '../reading/screen-view.js'
import { sequencesOf } from '../reading/sequences.js'
import { leak, screenRule } from './rule.js'

/** Something goes out with what a cell held before the very steps that fill it. */
export const sentBeforeSet = screenRule({
  id: 'sent-before-set',
  level: 'error',
  title: 'A cell is handed on before it is set',
  why: 'Steps run in the order in which they are listed: what goes out is what stood there the last time, and at first nothing.',
  mend: 'Set the cell first.',
  leaking: `
import { announce, contract, payload, screen, set, topic, twoWay, Type } from 'caulker'
const named = topic('vessel-named', { payload: Type.String() })
const text = contract('yard-text', { summary: 'A text', properties: { said: { type: Type.String() } }, values: { text: { type: Type.String() } }, events: { done: {} } })
export const slip = screen('slipway', {
  cells: { text: { type: Type.String(), initial: '' }, name: { type: Type.String(), initial: '' } },
  topics: { named },
  fittings: { text },
  actions: ({ cells, topics }) => ({ keep: [announce(topics.named, cells.name), set(cells.name, cells.text)] }),
  bind: ({ cells, actions }) => ({ text: { text: twoWay(cells.text), on: { done: actions.keep } } }),
})
export const gate = screen('lock-gate', {
  cells: { said: { type: Type.String(), initial: '' } },
  topics: { named },
  fittings: { text },
  hears: ({ cells }) => ({ named: [set(cells.said, payload())] }),
  bind: ({ cells }) => ({ text: { text: twoWay(cells.said) } }),
})`,
  mended: `
import { announce, contract, payload, screen, set, topic, twoWay, Type } from 'caulker'
const named = topic('vessel-named', { payload: Type.String() })
const text = contract('yard-text', { summary: 'A text', properties: { said: { type: Type.String() } }, values: { text: { type: Type.String() } }, events: { done: {} } })
export const slip = screen('slipway', {
  cells: { text: { type: Type.String(), initial: '' }, name: { type: Type.String(), initial: '' } },
  topics: { named },
  fittings: { text },
  actions: ({ cells, topics }) => ({ keep: [set(cells.name, cells.text), announce(topics.named, cells.name)] }),
  bind: ({ cells, actions }) => ({ text: { text: twoWay(cells.text), on: { done: actions.keep } } }),
})
export const gate = screen('lock-gate', {
  cells: { said: { type: Type.String(), initial: '' } },
  topics: { named },
  fittings: { text },
  hears: ({ cells }) => ({ named: [set(cells.said, payload())] }),
  bind: ({ cells }) => ({ text: { text: twoWay(cells.said) } }),
})`,
  *find(view) {
    for (const { at, action } of view.actions)
      for (const steps of sequencesOf(action.steps))
        for (const { cell, to } of tooEarly(view, steps))
          yield leak(at, `${to} is given '${cell}', and only the step after it sets '${cell}'`)
  },
  *findAcross({ journey, screens }) {
    const heldFor = (screen: string, cell: string) => journey.shares[screen]?.[cell]
    for (const [name, view] of screens)
      for (const { at, action } of view.actions)
        for (const steps of sequencesOf(action.steps))
          for (const [place, step] of steps.entries()) {
            const next = step.step === 'go' ? screens.get(step.to) : undefined
            if (step.step !== 'go' || next === undefined) continue
            for (const after of steps.slice(place + 1)) {
              const held = after.step === 'set' ? heldFor(name, after.cell.name) : undefined
              const load = Object.entries(next.screen.loads).find(([, { given }]) =>
                readablesIn(given).some((one) =>
                  [...next.cellsBehind(one)].some((cell) => held !== undefined && heldFor(step.to, cell) === held),
                ),
              )
              if (load !== undefined)
                yield leak(
                  [name, ...at],
                  `'${step.to}' loads '${load[0]}' with '${held}' when it is entered, and only the step after the way there sets it`,
                  { mend: `Set it first, and go to '${step.to}' then.` },
                )
            }
          }
  },
})

function* tooEarly(view: ScreenView, steps: Steps): Iterable<{ cell: string; to: string }> {
  for (const [place, step] of steps.entries()) {
    const to = goesOutTo(step)
    if (to === undefined) continue
    const given = step.step === 'refresh' ? readablesIn(view.screen.loads[step.cell.name]?.given) : givenReadables(step)
    for (const after of steps.slice(place + 1)) {
      if (after.step !== 'set' || after.cell.row !== undefined) continue
      const { name } = after.cell
      const isFilled = isPayload(after.value) || isReadable(after.value)
      // From what it was to what it becomes: both go out.
      const bothGoOut = valuesGiven(step).some((one) => equal(one, after.value))
      const isGiven = given.some((one) => view.cellsBehind(one).has(name))
      if (isFilled && isGiven && !bothGoOut && (isSetHereAlone(view, name) || isOneBehind(view, step, after)))
        yield { cell: name, to }
    }
  }
}

/** Where a step hands something on to whoever is outside of the screen. */
function goesOutTo(step: Step): string | undefined {
  if (step.step === 'announce') return `the topic '${step.topic.name}'`
  if (step.step === 'report') return `the event '${step.event.name}'`
  if (step.step === 'refresh') return `the load of '${step.cell.name}'`
  return step.step === 'call' ? `'${step.operation.source}.${step.operation.name}'` : undefined
}

function valuesGiven(step: Step): readonly unknown[] {
  const given = step.step === 'call' ? step.given : 'value' in step ? step.value : undefined
  if (typeof given !== 'object' || given === null || isPayload(given) || isReadable(given)) return [given]
  return Object.values(given)
}

/** What is only loaded besides is kept there as it was before the very report that changes it. */
function isOneBehind(view: ScreenView, step: Step, { cell, value }: Extract<Step, { step: 'set' }>): boolean {
  const isKept = step.step === 'call' && view.operation(step.operation)?.effect === 'updates'
  const writers = view.writersOf(cell.name).filter((writer) => !writer.startsWith('loads.'))
  return isKept && isPayload(value) && value.at === '' && !isHeldOutside(view, cell.name) && writers.length === 1
}

/** What is also entered, loaded or set elsewhere may stand there in good time. */
function isSetHereAlone(view: ScreenView, cell: string): boolean {
  return !isHeldOutside(view, cell) && view.writersOf(cell).length === 1
}
