import { inkFor, wrapped, type Ink, visible, visibleIn } from '../words/index.js'
import {
  equal,
  givenClauses,
  isValue,
  printed,
  SECTIONS,
  typeText,
  type AnyContract,
  type CommandClause,
  type EventClause,
  type PropertyClause,
  type ReadingClause,
  type OwnDraftClause,
  type SlotClause,
  type Table,
  type ValueClause,
  waiversOf,
} from '../contract/index.js'

/** What components promise, as text for people: one sheet a contract. */
export function sheetText(contracts: readonly AnyContract[], { colour = false, width = 110 } = {}): string {
  const ink = inkFor(colour)
  if (contracts.length === 0) return 'There is no contract here.\n'
  return `${contracts.map((contract) => sheet(contract, width, ink).join('\n')).join('\n\n')}\n`
}

type Row = readonly [name: string, type: string, more: string]

function sheet(contract: AnyContract, width: number, ink: Ink): string[] {
  const clauses = givenClauses(contract)
  const sections: [string, Row[]][] = visibleIn([
    ['properties', clauses.filter((clause) => !isValue(clause)).map(propertyRow)],
    ['two-way values', clauses.filter(isValue).map((value) => valueRow(value))],
    ['events', Object.values<EventClause>(contract.events).map(eventRow)],
    ['commands', Object.values<CommandClause>(contract.commands).map(commandRow)],
    ['readings', Object.values<ReadingClause>(contract.readings).map(readingRow)],
    ['drafts', Object.values<OwnDraftClause>(contract.drafts).map(draftRow)],
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
    [
      'locked by',
      Object.entries(contract.locks).flatMap(([lock, by]): Row[] => (by === undefined ? [] : [[by, lock, '']])),
    ],
    ['messages', contract.problem === undefined ? [] : [[contract.problem, 'shown beside the field', '']]],
    [
      'needs',
      Object.entries(contract.content ?? {}).flatMap(([where, markup]): Row[] =>
        markup === undefined ? [] : [[where, markup, '']],
      ),
    ],
    ['waived', waiversOf(contract.waives).map(({ id, name = '', reason }): Row => [id, name, reason])],
    ['guessed, confirm or mend', Object.entries(contract.guesses).map(([at, reason]): Row => [at, '', reason])],
  ])
  const rows = sections.flatMap(([, of]) => of)
  const wide = (column: 0 | 1) => Math.max(0, ...rows.map((row) => row[column].length))
  const [names, types] = [wide(0), Math.min(wide(1), 40)]
  return [
    `${ink.strong(contract.tag)}  ${contract.summary === undefined ? ink.unsure('no summary') : visible(contract.summary)}`,
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
  return [
    clause.name,
    typeText(clause.type),
    joined(stands(clause), attributeText(clause), ...phrases('properties', clause), labelled(clause)),
  ]
}

function valueRow(value: ValueClause): Row {
  return [
    value.name,
    typeText(value.type),
    joined(
      stands(value),
      `reports ${value.event}${value.reports === 'commit' ? ' when left' : ''}`,
      ...phrases('values', value, ['event', 'reports']),
      labelled(value),
    ),
  ]
}

/** What the table of a section says of each clause that is not what usually applies. */
function phrases(section: keyof typeof SECTIONS, clause: object, butFor: readonly string[] = []): string[] {
  const of = clause as Readonly<Record<string, unknown>>
  return Object.entries<Table[string]>(SECTIONS[section].table).flatMap(([key, { sheet, usual }]) =>
    sheet === undefined || butFor.includes(key) || equal(of[key], usual(of, String(of['name'])))
      ? []
      : [sheet(of[key], of)],
  )
}

function eventRow(event: EventClause): Row {
  return [
    event.name,
    event.payload === undefined ? 'nothing' : payloadText(event.payload),
    joined(...phrases('events', event), event.summary ?? ''),
  ]
}

function commandRow(command: CommandClause): Row {
  return [command.name, command.effect ?? '', joined(...phrases('commands', command), command.summary ?? '')]
}

function readingRow(reading: ReadingClause): Row {
  return [reading.name, typeText(reading.type), joined(...phrases('readings', reading), reading.summary ?? '')]
}

function draftRow(draft: OwnDraftClause): Row {
  return [draft.name, `of ${draft.of}`, joined(...phrases('drafts', draft, ['of']), draft.summary ?? '')]
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
