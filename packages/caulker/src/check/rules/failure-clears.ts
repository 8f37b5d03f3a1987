import { isEmpty } from '../../contract/index.js'
import { allSteps, type Step, type Steps } from '../../wiring/index.js'
import { failures, readablesIn, wipedBy } from '../reading/given.js'
import { cellsGiven, sendings } from '../reading/sends.js'
import { isTyped, wipedCells } from '../reading/wiped.js'
import { leak, screenRule, type Leak } from './rule.js'
import type { ScreenView } from '../reading/screen-view.js'

/** Steps after a failure that throw away what the person entered. */
export const failureClears = screenRule({
  id: 'failure-clears',
  level: 'error',
  title: 'A failure clears what was typed',
  why: 'The office is busy for a moment, and all that the person entered is gone: they have to enter it once more to try again.',
  mend: 'Keep what was entered when a call fails, and say what went wrong.',
  played: 'failure-keeps-typed',
  leaking: `
import { clear, contract, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { send: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name: text },
  sources: { office },
  bind: ({ cells }) => ({ name: { text: twoWay(cells.name), on: { send: [submit()] } } }),
  submit: { sends: ['name'], to: 'office.book', fails: ({ cells }) => [clear(cells.name)] },
})`,
  mended: `
import { clear, contract, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { send: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name: text },
  sources: { office },
  bind: ({ cells }) => ({ name: { text: twoWay(cells.name), on: { send: [submit()] } } }),
  submit: { sends: ['name'], to: 'office.book', then: ({ cells }) => [clear(cells.name)] },
})`,
  *find(view) {
    yield* clearedUnanswered(view)
    for (const { at, action } of view.actions)
      for (const fails of failures(at, action.steps))
        for (const step of allSteps(fails)) {
          if (step.step === 'reset') yield leak(at, `a failure resets '${view.screen.name}'`)
          else if (step.step === 'discard') yield leak(at, `a failure discards the draft of '${step.fitting.name}'`)
          const wiped = wipedBy(step)
          if (wiped !== undefined && isTyped(view, wiped.name))
            yield leak(
              at,
              `a failure ${step.step === 'clear' ? 'clears' : 'overwrites'} '${wiped.name}', which the person entered`,
            )
        }
  },
})

/** What is sent and wiped in one breath is gone when that fails, unless the failure brings it back. */
function* clearedUnanswered(view: ScreenView): Iterable<Leak> {
  for (const { at, action } of view.actions)
    for (const [place, step] of action.steps.entries()) {
      const sending = sentBy(view, step)
      if (sending === undefined) continue
      const restored = [...allSteps(sending.fails)].flatMap((one) => (one.step === 'set' ? [one.cell.name] : []))
      for (const after of action.steps.slice(place + 1)) {
        if (after.step === 'set' && !isEmpty(after.value)) continue
        const wiped = wipedCells(view, after).filter((cell) => sending.cells.has(cell) && isTyped(view, cell))
        for (const cell of wiped.filter((one) => !restored.includes(one)))
          yield leak(at, `'${cell}' is sent and cleared at once: ${sending.comesToNothing}`, {
            mend: `Clear '${cell}' in then, once it has been taken.`,
          })
      }
    }
}

interface Sent {
  readonly cells: ReadonlySet<string>
  readonly fails: Steps
  /** What becomes of what was typed. */
  readonly comesToNothing: string
}

/** What a step sends to where something is kept, and what follows where it fails. */
function sentBy(view: ScreenView, step: Step): Sent | undefined {
  const { submit } = view.screen
  if (step.step === 'submit' && submit !== undefined) {
    const sending = sendings(view).find(({ how }) => how === 'submit')
    // A submit sends when all fields are committed, which is after the steps beside it.
    const comesToNothing = `it is empty by the time '${submit.to}' is sent it`
    return sending && { cells: cellsGiven(view, sending), fails: submit.fails, comesToNothing }
  }
  if (step.step !== 'call' || view.operation(step.operation)?.effect === 'reads') return undefined
  const { operation, given, fails } = step
  return {
    cells: new Set(readablesIn(given).flatMap((one) => [...view.cellsBehind(one)])),
    fails,
    comesToNothing: `where '${operation.source}.${operation.name}' fails, what was typed is gone`,
  }
}
