import {
  contract,
  givenClauses,
  valueClauses,
  type AnyContract,
  type Contract,
  type ContractTypes,
} from './contract.js'
import type { CommandClause, EventClause, PropertyClause, ReadingClause, SlotClause, ValueClause } from './clauses.js'
import { CaulkerError, messageOf } from './errors.js'
import { labelOf } from './names.js'
import { mapValues } from './lists.js'
import { accepts, equal, type TSchema } from './types.js'

/** A contract as a file holds it: its tag, and its clauses without those that only say what applies anyway. */
export type ContractJson = Readonly<Record<string, unknown>> & { readonly tag: string }

type Json = Record<string, unknown>

/**
 * Writes a contract as plain JSON, with its types as JSON Schema 2020-12. Functions stay in the module: a clause that has some says so
 * under `code`.
 *
 * @example
 * ```ts
 * import { contract, contractFromJson, contractToJson, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
 * const json = contractToJson(winch)
 * console.assert(JSON.stringify(json) === '{"tag":"chain-winch","values":{"turns":{"type":{"type":"integer"},"default":0}}}')
 * console.assert(contractFromJson(json).values['turns']?.event === 'turns-set')
 * ```
 */
export function contractToJson(of: AnyContract): ContractJson {
  const { readonly: readOnly, disabled } = of.locks
  return compact({
    tag: of.tag,
    summary: of.summary,
    required: of.required.length === 0 ? undefined : [...of.required],
    properties: section(of.properties, propertyJson),
    values: section(of.values, (value: ValueClause) => ({ ...propertyJson(value), ...valueJson(value) })),
    events: section(of.events, eventJson),
    commands: section(of.commands, commandJson),
    readings: section(of.readings, readingJson),
    slots: section(of.slots, slotJson),
    form: of.form && compact({ ...of.form }),
    locks: readOnly === undefined && disabled === undefined ? undefined : compact({ readonly: readOnly, disabled }),
    problem: of.problem,
    waives: texts(of.waives),
    guesses: texts(of.guesses),
  }) as ContractJson
}

function texts(of: Readonly<Record<string, string>>): Json | undefined {
  return Object.keys(of).length === 0 ? undefined : { ...of }
}

/**
 * Reads a contract from plain JSON; one whose types `caulker sheet --types` has declared is typed by them. Throws a {@link CaulkerError} `malformed-contract` like
 * {@link contract} does.
 */
export function contractFromJson<T extends ContractTypes>(json: ContractJson & { readonly types?: T }): Contract<T>
export function contractFromJson(json: unknown): AnyContract
export function contractFromJson(json: unknown): AnyContract {
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    throw new CaulkerError(
      'malformed-contract',
      'a contract file holds an object with a tag, such as { "tag": "bale-stepper" }',
    )
  const { $schema: _, tag, ...draft } = json as Json
  if (tag === undefined)
    throw new CaulkerError('malformed-contract', 'a contract file needs a tag, such as "tag": "bale-stepper"')
  const made = attempt(String(tag), 'a data type', () =>
    (contract as (tag: unknown, draft: unknown) => AnyContract)(tag, draft),
  )
  for (const clause of givenClauses(made))
    attempt(made.tag, `the type of '${clause.name}'`, () => accepts(clause.type, null))
  for (const event of Object.values<EventClause>(made.events))
    attempt(made.tag, `the payload of '${event.name}'`, () => accepts(event.payload ?? {}, null))
  for (const command of Object.values<CommandClause>(made.commands))
    for (const type of [command.takes ?? {}, command.gives ?? {}])
      attempt(made.tag, `what the command '${command.name}' takes or gives`, () => accepts(type, null))
  for (const reading of Object.values<ReadingClause>(made.readings))
    attempt(made.tag, `the type of '${reading.name}'`, () => accepts(reading.type, null))
  return made
}

/** A schema that no validator can read is a mistake in the file, not in Caulker. */
function attempt<T>(tag: string, what: string, work: () => T): T {
  try {
    return work()
  } catch (thrown) {
    if (thrown instanceof CaulkerError) throw thrown
    throw new CaulkerError(
      'malformed-contract',
      `contract '${tag}': ${what} is no usable JSON Schema (${messageOf(thrown)})`,
    )
  }
}

function propertyJson(clause: PropertyClause): Json {
  const code = [
    ...new Set([...clause.code, ...(['amend', 'refuse', 'after'] as const).filter((hook) => clause[hook].length > 0)]),
  ]
  return compact({
    type: schemaJson(clause.type),
    default: clause.hasDefault ? clause.default : undefined,
    attribute: clause.attribute === usualAttribute(clause) ? undefined : clause.attribute,
    reflects: clause.reflects || undefined,
    label: clause.label === labelOf(clause.name) ? undefined : clause.label,
    summary: clause.summary,
    code: code.length === 0 ? undefined : code,
  })
}

function valueJson(value: ValueClause): Json {
  const usual = valueClauses(
    contract('usual-value', { values: { [value.name]: { type: value.type } } } as never),
  )[0] as ValueClause
  const own = (key: keyof ValueClause) => (equal(value[key], usual[key]) ? undefined : value[key])
  const hasBounds = value.bounds.least !== undefined || value.bounds.most !== undefined
  return compact({
    event: own('event'),
    payloadAt: own('payloadAt'),
    reports: own('reports'),
    within: own('within'),
    lastWord: own('lastWord'),
    accepts: own('accepts'),
    bounds: hasBounds ? compact({ ...value.bounds }) : undefined,
    step: own('step'),
    outside: own('outside'),
    ordered: own('ordered'),
    gap: own('gap'),
    applies: own('applies'),
    vetoEvent: own('vetoEvent'),
    empty: own('empty'),
    blank: own('blank'),
    resetTo: own('resetTo'),
  })
}

function eventJson({ payload, bubbles, composed, cancelable, mustHear, summary }: EventClause): Json {
  return compact({
    payload: payload === undefined ? undefined : schemaJson(payload),
    bubbles: bubbles || undefined,
    composed: composed || undefined,
    cancelable: cancelable || undefined,
    mustHear: mustHear || undefined,
    summary,
  })
}

function commandJson({ takes, gives, effect, reports, summary }: CommandClause): Json {
  return compact({
    takes: takes && schemaJson(takes),
    gives: gives && schemaJson(gives),
    effect,
    reports: reports ? undefined : false,
    summary,
  })
}

function readingJson({ type, from, summary }: ReadingClause): Json {
  return compact({ type: schemaJson(type), from: from.length === 0 ? undefined : from, summary })
}

function slotJson({ holds, summary }: SlotClause): Json {
  return compact({ holds, summary })
}

/** The builder writes tuples in an older form; a file holds the one of 2020-12. */
export function schemaJson(schema: TSchema): unknown {
  return JSON.parse(JSON.stringify(schema), (_key, part: unknown) => {
    const { items, additionalItems, ...rest } = (part ?? {}) as Json
    return Array.isArray(items) ? { ...rest, prefixItems: items, items: additionalItems ?? true } : part
  }) as unknown
}

function usualAttribute(clause: PropertyClause): string | false {
  const usual = contract('usual-property', {
    properties: { [clause.name]: { type: clause.type } },
  } as never) as AnyContract
  return usual.properties[clause.name]?.attribute ?? false
}

function section<C>(clauses: object, json: (clause: C) => Json): Json | undefined {
  return Object.keys(clauses).length === 0 ? undefined : mapValues(clauses as Record<string, C>, json)
}

function compact(json: Json): Json {
  return Object.fromEntries(Object.entries(json).filter(([, value]) => value !== undefined))
}
