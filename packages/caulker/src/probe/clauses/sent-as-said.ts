import {
  accepts,
  equal,
  printed,
  typeText,
  valueClauses,
  type AnyContract,
  type EventClause,
} from '../../contract/index.js'
import { FLAGS, type SentEvent } from '../stage/around.js'
import type { Row } from '../stage/played.js'
import { gesture, isDone, settlesEdits, tell, type Trail } from '../stage/trail.js'
import { atThresholds } from '../subject/thresholds.js'
import { isPlainField, type Subject } from '../subject/subject.js'
import { clause, type LeakAt } from './clause.js'

type Flags = Pick<SentEvent, (typeof FLAGS)[number]>

/** Events fly as far as the contract says (DOM Standard, section 2.2). */
export const sentAsSaid = clause({
  id: 'sent-as-said',
  group: 'up',
  promise:
    'Its events bubble, leave shadow trees and may be cancelled as its contract says, carry what it says, and are sent once.',
  why: 'The list around it listens once for all its entries, or it stands in another component: an event that stops on its way is never heard there.',
  tried:
    'Each event that its contract says this of is brought about, and looked at as it is sent; a text is pasted, of which each is sent once.',
  unprovenWhen: 'Nothing that was done brought about such an event.',
  random: 'any',
  onTrial: 'gesture',
  needsElement: true,
  concerns: (contract) => promisedBy(contract).size > 0 || Object.keys(contract.events).length > 0,
  *trails(subject) {
    for (const { given, moves } of subject.ways) yield { given, moves }
    yield* carriedTold(subject)
    yield* pasted(subject)
    for (const given of atThresholds(subject)) for (const { moves } of subject.chiefWays) yield { given, moves }
    for (const call of subject.calls) yield { given: subject.middle, moves: [call] }
  },
  proves: ({ contract }, { rows }) =>
    rows.some(({ around, heard }) =>
      [...around.sent, ...heard.filter(({ value }) => value === undefined)].some(
        ({ event }) => promisedBy(contract).has(event) || Object.hasOwn(contract.events, event),
      ),
    ),
  judge({ contract }, { rows }) {
    const misshapen = offType(contract, rows) ?? doubled(contract, rows)
    if (misshapen !== undefined) return misshapen
    const promised = promisedBy(contract)
    for (const [at, { around, move }] of rows.entries())
      for (const sent of around.sent) {
        const stale = sent.along.find(({ value, readThen }) => readThen !== undefined && !equal(value, readThen))
        if (stale !== undefined)
          return {
            row: at,
            says: `${sent.event} carries another ${stale.name} than it has`,
            expected: `${stale.name} ${printed(stale.readThen)}`,
            found: `${stale.name} ${printed(stale.value)}`,
          }
        const wrong = FLAGS.find(
          (flag) =>
            promised.get(sent.event)?.[flag] === true && !sent[flag] && !(flag === 'cancelable' && isComposed(move)),
        )
        if (wrong !== undefined)
          return {
            row: at,
            says: `${sent.event} ${WRONG[wrong]}`,
            expected: `${sent.event} with ${wrong}: true`,
            found: `${wrong}: false`,
            cause: `it is made without ${wrong}: true`,
          }
      }
    return undefined
  },
})

/** Input Events Level 2, section 5.1.2: what comes of a composition cannot be cancelled, whoever passes it on. */
function isComposed(move: Row['move']): boolean {
  return isDone(move, 'compose')
}

const WRONG = {
  bubbles: 'does not bubble',
  composed: 'does not leave its shadow tree',
  cancelable: 'cannot be cancelled',
}

/** By event: what its contract promises of it; what is not said is not promised. */
function promisedBy(contract: AnyContract): ReadonlyMap<string, Partial<Flags>> {
  const said = [
    ...Object.values(contract.events).map(({ name, ...flags }): [string, Partial<Flags>] => [name, flags]),
    ...valueClauses(contract).map(({ event, bubbles, composed, cancelable }): [string, Partial<Flags>] => [
      event,
      { bubbles: bubbles === true, composed: composed === true, cancelable: cancelable === true },
    ]),
  ]
  return new Map(
    said.filter(([event, flags]) => FLAGS.some((flag) => flags[flag] === true) || carriesMore(contract, event)),
  )
}

/** Whether an event carries what other names are. */
function carriesMore({ events, values }: AnyContract, of: string): boolean {
  const clauses = [
    ...Object.values(values).filter(({ event }) => event === of),
    ...(Object.hasOwn(events, of) ? [events[of]] : []),
  ]
  return clauses.some((one) => Object.keys(one?.carries ?? {}).length > 0)
}

/** What an event carries that reports no value. */
function offType(contract: AnyContract, rows: readonly Row[]): LeakAt | undefined {
  for (const [row, { heard }] of rows.entries())
    for (const { event, payload, value } of heard) {
      const clauses: Readonly<Record<string, EventClause>> = contract.events
      const type = Object.hasOwn(clauses, event) ? clauses[event]?.payload : undefined
      if (value !== undefined || type === undefined || accepts(type, payload)) continue
      return {
        row,
        says: `${event} carries something else than its contract says`,
        expected: typeText(type),
        found: printed(payload),
      }
    }
  return undefined
}

/** What an event carries along is told anew before it is sent. */
function* carriedTold(subject: Subject): Iterable<Trail> {
  const { contract, chiefWays, tellable } = subject
  const clauses = [...valueClauses(contract), ...Object.values<EventClause>(contract.events)]
  const along = new Set(clauses.flatMap(({ carries }) => Object.values(carries ?? {})))
  for (const { name } of tellable.filter((one) => along.has(one.name)))
    for (const { given, moves } of chiefWays.slice(0, MOST_FIELDS))
      for (const other of subject.plain(name).slice(0, 2))
        if (!equal(other, given[name])) yield { given, moves: [tell({ [name]: other }), ...moves] }
}

/** What is pasted comes in at once: what is said of it is said once. */
function* pasted({ contract, controls, middle: given }: Subject): Iterable<Trail> {
  if (Object.keys(contract.events).length === 0) return
  for (const on of controls.filter(isPlainField).slice(0, MOST_FIELDS))
    yield { given, moves: [gesture({ do: 'paste', on, text: 'oakum' })] }
}

const MOST_FIELDS = 3

/** One press, or one text that is pasted, and the same said twice. */
function doubled({ events }: AnyContract, rows: readonly Row[]): LeakAt | undefined {
  for (const [row, { heard, move }] of rows.entries()) {
    if (!isDone(move, 'press') && !isDone(move, 'paste')) continue
    // A press beside a field that was being typed in leaves it as well.
    if (row > 0 && !settlesEdits(rows[row - 1]?.move)) continue
    const said = heard.filter(({ event, value }) => value === undefined && Object.hasOwn(events, event))
    const twice = said.find(
      (one, at) => said.findIndex(({ event, payload }) => event === one.event && equal(payload, one.payload)) < at,
    )
    if (twice !== undefined)
      return {
        row,
        says: `one ${move.gesture.do} sends ${twice.event} more than once`,
        expected: `heard ${twice.event} once`,
        found: `heard it ${said.filter(({ event }) => event === twice.event).length} times`,
        cause: 'it listens twice',
      }
  }
  return undefined
}
