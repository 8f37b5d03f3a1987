import { accepts, isWithin, printed, typeText, type TSchema } from '../../contract/index.js'
import { isPayload } from '../../wiring/index.js'
import { isReadable } from '../reading/given.js'
import { neverIs } from '../reading/recomputed.js'
import { closestMend, leak, screenRule, type Leak } from './rule.js'
import type { ScreenView } from '../reading/screen-view.js'
import { sendings, typeGiven, type Sending } from '../reading/sends.js'

/** What is sent to an operation, or taken from it, is of another type than it says. */
export const sourceMismatch = screenRule({
  id: 'source-mismatch',
  level: 'error',
  title: 'A screen and an operation do not agree on what is sent',
  why: 'The call fails when the person has filled everything in, or its answer is refused by the cell that waits for it.',
  mend: 'Send what the operation takes, and hold what it gives.',
  leaking: `
import { call, contract, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ vessel: Type.String() }) } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.Union([Type.String(), Type.Null()]) } }, events: { book: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.Union([Type.String(), Type.Null()]), initial: null } },
  fittings: { name },
  sources: { office },
  actions: ({ cells, sources }) => ({ book: [call(sources.office.book, { vessel: cells.name as never })] }),
  bind: ({ cells, actions }) => ({ name: { name: twoWay(cells.name), on: { book: actions.book } } }),
})`,
  mended: `
import { call, contract, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ vessel: Type.String() }) } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String(), default: '' } }, events: { book: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name },
  sources: { office },
  actions: ({ cells, sources }) => ({ book: [call(sources.office.book, { vessel: cells.name })] }),
  bind: ({ cells, actions }) => ({ name: { name: twoWay(cells.name), on: { book: actions.book } } }),
})`,
  *find(view) {
    for (const sending of sendings(view)) {
      yield* answered(view, sending)
      const { operation, given, at, ref } = sending
      const says = `'${ref.source}.${ref.name}'`
      if (operation.takes === undefined) {
        const isEmpty = given === undefined || (sending.how === 'submit' && Object.keys(sending.members).length === 0)
        if (!isEmpty) yield leak(at, `${says} takes nothing, and is sent something`, { mend: 'Leave it out.' })
      } else if (Object.keys(sending.members).length > 0 || sending.how === 'submit')
        yield* memberByMember(view, sending, operation.takes as ObjectType)
      else if (given === undefined) yield leak(at, `${says} takes ${typeText(operation.takes)}, and is sent nothing`)
      else yield* compared(view, sending, given, operation.takes, says)
    }
  },
})

type ObjectType = { properties?: Record<string, TSchema>; required?: string[]; additionalProperties?: unknown }

function* memberByMember(view: ScreenView, sending: Sending, takes: ObjectType): Iterable<Leak> {
  const { properties, required = [] } = takes
  if (properties === undefined) return
  const { at, ref, members } = sending
  const says = `'${ref.source}.${ref.name}'`
  for (const name of required)
    if (!Object.hasOwn(members, name))
      yield leak(at, `${says} needs '${name}', which is not sent`, { mend: `Send '${name}' too.` })
  for (const [name, value] of Object.entries(members)) {
    const type = Object.hasOwn(properties, name) ? properties[name] : undefined
    if (type === undefined) {
      // An object may carry more than is known of it, unless its type says otherwise.
      if (takes.additionalProperties !== undefined && takes.additionalProperties !== false) continue
      const level = takes.additionalProperties === false ? 'error' : 'warning'
      const mend = closestMend(name, Object.keys(properties))
      yield leak(at, `${says} knows no '${name}', which is sent`, { mend: `Leave '${name}' out.`, ...mend, level })
    } else yield* compared(view, sending, value, type, `'${name}' of ${says}`)
  }
}

/** What comes back, against the cell that takes it. */
function* answered(view: ScreenView, { at, operation, ref, into, how }: Sending): Iterable<Leak> {
  const cell = into === undefined ? undefined : view.cells.get(into)
  if (cell === undefined) return
  const says = `'${ref.source}.${ref.name}'`
  if (operation.gives === undefined)
    yield leak(
      at,
      `${says} gives nothing, and '${cell.name}' ${how === 'load' ? 'is loaded with it' : 'waits for its answer'}`,
    )
  else {
    const found = isWithin(operation.gives, cell.type)
    if (found.answer === 'no')
      yield leak(
        at,
        `${says} may give ${printed(found.witness)}, and the cell '${cell.name}' takes ${typeText(cell.type)}`,
      )
  }
}

function* compared(
  view: ScreenView,
  { at, carried }: Sending,
  value: unknown,
  takes: TSchema,
  target: string,
): Iterable<Leak> {
  const type = typeGiven(view, value, carried)
  const isConstant = !isPayload(value) && !isReadable(value)
  if (isConstant && value !== undefined && !accepts(takes, value))
    yield leak(at, `${target} takes ${typeText(takes)}, and is sent ${printed(value)}`)
  if (type === undefined) {
    // What is computed has no type of its own, and shows what it comes to.
    if (isReadable(value) && value.kind === 'reckoned' && neverIs(view, value, (made) => accepts(takes, made)))
      yield leak(at, `'${value.name}' never comes to what ${target} takes, which is ${typeText(takes)}`)
    return
  }
  const found = isWithin(type, takes)
  const from = isReadable(value) ? `'${value.name}'` : 'what was heard'
  if (found.answer === 'no')
    yield leak(at, `${from} may be ${printed(found.witness)}, and ${target} takes ${typeText(takes)}`)
}
