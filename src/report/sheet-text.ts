import {
  givenClauses,
  isValue,
  printed,
  typeText,
  type AnyContract,
  type CommandClause,
  type EventClause,
  type PropertyClause,
  type ReadingClause,
  type SlotClause,
  type ValueClause,
} from '../contract/index.js'
import { inkFor, wrapped, type Ink } from './ink.js'

/** What components promise, as text for people: one sheet a contract. */
export function sheetText(contracts: readonly AnyContract[], { colour = false, width = 110 } = {}): string {
  const ink = inkFor(colour)
  if (contracts.length === 0) return 'There is no contract here.\n'
  return `${contracts.map((contract) => sheet(contract, width, ink).join('\n')).join('\n\n')}\n`
}

type Row = readonly [name: string, type: string, more: string]

function sheet(contract: AnyContract, width: number, ink: Ink): string[] {
  const clauses = givenClauses(contract)
  const sections: [string, Row[]][] = [
    ['properties', clauses.filter((clause) => !isValue(clause)).map(propertyRow)],
    ['two-way values', clauses.filter(isValue).map((value) => valueRow(value))],
    ['events', Object.values<EventClause>(contract.events).map(eventRow)],
    ['commands', Object.values<CommandClause>(contract.commands).map(commandRow)],
    ['readings', Object.values<ReadingClause>(contract.readings).map(readingRow)],
    [
      'slots',
      Object.values<SlotClause>(contract.slots).map(({ name, holds, summary }): Row => [
        name,
        holds?.join(', ') ?? 'anything',
        summary ?? '',
      ]),
    ],
    [
      'form',
      contract.form === undefined
        ? []
        : [
            [
              contract.form.value,
              'form value',
              must(contract.form.requiredBy, (by) => `the person is obliged by ${by}`),
            ],
          ],
    ],
    ['waived', Object.entries(contract.waives).map(([clause, reason]): Row => [clause, '', reason])],
    ['guessed, confirm or mend', Object.entries(contract.guesses).map(([at, reason]): Row => [at, '', reason])],
  ]
  const rows = sections.flatMap(([, of]) => of)
  const wide = (column: 0 | 1) => Math.max(0, ...rows.map((row) => row[column].length))
  const [names, types] = [wide(0), Math.min(wide(1), 40)]
  return [
    `${ink.strong(contract.tag)}  ${contract.summary ?? ink.unsure('no summary')}`,
    ...sections
      .filter(([, of]) => of.length > 0)
      .flatMap(([title, of]) => [
        `  ${ink.quiet(title)}`,
        ...of.map(([name, type, more]) =>
          `    ${ink.good(name.padEnd(names))}  ${type.padEnd(types)}  ${wrapped(more, width, names + types + 8)}`.trimEnd(),
        ),
      ]),
  ]
}

function propertyRow(clause: PropertyClause): Row {
  return [clause.name, typeText(clause.type), joined(stands(clause), attributeText(clause), labelled(clause))]
}

function valueRow(value: ValueClause): Row {
  const { least, most } = value.bounds
  const bounds =
    least === undefined && most === undefined ? '' : `${least ?? '…'} to ${most ?? '…'}, else ${value.outside}`
  return [
    value.name,
    typeText(value.type),
    joined(
      stands(value),
      `reports ${value.event}${value.reports === 'commit' ? ' when left' : ''}`,
      bounds,
      must(value.step, (step) => `in steps of ${step}`),
      value.ordered ? 'a pair in order' : '',
      value.applies === 'when-told' ? 'changes only when told' : '',
      must(value.vetoEvent, (event) => `asks first with ${event}`),
      value.lastWord === 'self' ? 'keeps its own truth' : '',
      labelled(value),
    ),
  ]
}

function eventRow({ name, payload, mustHear, summary }: EventClause): Row {
  return [
    name,
    payload === undefined ? 'nothing' : payloadText(payload),
    joined(mustHear ? 'must be heard' : '', summary ?? ''),
  ]
}

function commandRow({ name, takes, gives, effect, reports, summary }: CommandClause): Row {
  return [
    name,
    effect ?? '',
    joined(
      must(takes, (type) => `takes ${typeText(type)}`),
      must(gives, (type) => `gives ${typeText(type)}`),
      reports ? '' : 'reports nothing',
      summary ?? '',
    ),
  ]
}

function readingRow({ name, type, from, summary }: ReadingClause): Row {
  return [name, typeText(type), joined(from.length === 0 ? '' : `from ${from.join(', ')}`, summary ?? '')]
}

function stands({ required, hasDefault, default: value }: PropertyClause): string {
  if (required) return 'required'
  return hasDefault ? `${printed(value)} if not given` : ''
}

function attributeText({ attribute, name, reflects }: PropertyClause): string {
  if (attribute === false) return 'no attribute'
  return joined(attribute === name ? '' : `attribute ${attribute}`, reflects ? 'reflected' : '')
}

function labelled({ label, summary }: PropertyClause): string {
  return summary ?? `label “${label}”`
}

/** `{ limit }` says more of a payload than "object". */
function payloadText(payload: object): string {
  const { properties } = payload as { properties?: object }
  return properties === undefined ? typeText(payload) : `{ ${Object.keys(properties).join(', ')} }`
}

function must<T>(given: T | undefined, say: (given: T) => string): string {
  return given === undefined ? '' : say(given)
}

function joined(...parts: readonly string[]): string {
  return parts.filter((part) => part !== '').join('; ')
}
