import { isPayload, type OperationClause } from '../../wiring/index.js'
import { typedBy } from '../reading/each-key.js'
import { leak, screenRule, type Leak } from './rule.js'
import type { ScreenView } from '../reading/screen-view.js'
import { sendings, type Sending } from '../reading/sends.js'

/** An operation that cannot do what the screen wants of it. */
export const wrongOperation = screenRule({
  id: 'wrong-operation',
  level: 'error',
  title: 'An operation does something else than is meant',
  why: 'A submit that only reads keeps nothing; an update without its key changes the wrong record, or none; a load that writes does so whenever the screen is opened.',
  mend: 'Name the operation that does it, with what tells the record.',
  leaking: `
import { contract, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { berth: { effect: 'reads', takes: Type.Object({ name: Type.String() }) } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String() } }, events: { send: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name },
  sources: { office },
  bind: ({ cells }) => ({ name: { name: twoWay(cells.name), on: { send: [submit()] } } }),
  submit: { sends: ['name'], to: 'office.berth' },
})`,
  mended: `
import { contract, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String() } }, events: { send: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name },
  sources: { office },
  bind: ({ cells }) => ({ name: { name: twoWay(cells.name), on: { send: [submit()] } } }),
  submit: { sends: ['name'], to: 'office.book' },
})`,
  *find(view) {
    for (const sending of sendings(view)) {
      const wrong = sending.how === 'submit' && usesAnswer(view, sending.operation) ? undefined : wrongAbout(sending)
      if (wrong !== undefined) yield leak(sending.at, `'${sending.ref.source}.${sending.ref.name}' ${wrong}`)
    }
    yield* atEachKey(view)
    for (const { at, all } of view.actions)
      for (const step of all)
        if (
          step.step === 'refresh' &&
          view.cells.has(step.cell.name) &&
          !Object.hasOwn(view.screen.loads, step.cell.name)
        )
          yield leak(at, `'${step.cell.name}' is to be loaded again, and the screen never loads it`, {
            mend: `Say under loads what '${step.cell.name}' is loaded with.`,
          })
  },
})

/** What makes or removes a record, whenever a letter is typed. */
function* atEachKey(view: ScreenView): Iterable<Leak> {
  for (const placed of view.actions)
    for (const step of placed.action.steps) {
      const operation = step.step === 'call' ? step.operation : undefined
      const effect = operation && view.operation(operation)?.effect
      if (operation === undefined || (effect !== 'creates' && effect !== 'removes')) continue
      const typed = view.triggersOf(placed).find(({ fitting, event }) => typedBy(fitting, event).length > 0)
      if (typed !== undefined)
        yield leak(
          placed.at,
          `'${operation.source}.${operation.name}' ${effect} a record, and is called at each key that is typed in '${typed.fitting.name}'`,
          { mend: 'Call it when the field is left or a button is pressed.' },
        )
    }
}

/** A search submits to what it reads, and shows the answer; what gives nothing is only asked whether it agrees. */
function usesAnswer({ screen }: ScreenView, { gives }: OperationClause): boolean {
  const then = screen.submit?.then ?? []
  if (gives === undefined && then.length > 0) return true
  return then.some(
    (step) =>
      (step.step === 'set' && isPayload(step.value)) ||
      (step.step === 'announce' && isPayload(step.value)) ||
      (step.step === 'run' && step.args.some(isPayload)),
  )
}

function wrongAbout({ how, operation, given, members }: Sending): string | undefined {
  const { effect, key } = operation
  if (how === 'load' && effect !== 'reads') return `${effect} a record, and is called whenever the screen is entered`
  if ((how === 'submit' || how === 'save') && effect === 'reads') return `only reads: what is sent is kept nowhere`
  // There may be just one record; then nothing names it.
  if ((effect !== 'updates' && effect !== 'removes') || key === undefined) return undefined
  const isWhole = given !== undefined && Object.keys(members).length === 0
  return isWhole || Object.hasOwn(members, key)
    ? undefined
    : `${effect} the record that '${key}' names, and is not sent it`
}
