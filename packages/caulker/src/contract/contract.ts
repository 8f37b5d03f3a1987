import type { Waivers } from './data/waivers.js'
import type {
  CommandClause,
  CommandDraft,
  CommandMap,
  EventClause,
  EventDraft,
  PropertyClause,
  PropertyDraft,
  ReadingClause,
  ReadingDraft,
  SlotClause,
  SlotDraft,
  OwnDraft,
  OwnDraftClause,
  ValueClause,
  ValueDraft,
} from './clauses.js'
import { refuseMalformed } from './malformed.js'
import { refused } from './refuse.js'
import { mapValues } from './data/lists.js'
import { rememberPlace } from './data/place.js'
import type { SchemaMap, Static } from './data/types.js'
import { filled, SECTIONS, WHOLE, type Section, type Written } from './table/index.js'

/** The types that a contract carries for the compiler. */
export interface ContractTypes {
  properties: SchemaMap
  /** The names that its owner must supply. */
  required: string
  values: SchemaMap
  events: SchemaMap
  commands: CommandMap
  readings: SchemaMap
  /** By value: the event that it reports with, where in that event it stands, and the event that asks first, where they are given. */
  reportNames: NameMap
  payloadsAt: NameMap
  vetoNames: NameMap
}

export type NameMap = Record<string, unknown>

/** What one component promises. */
export interface Contract<T extends ContractTypes = ContractTypes> {
  readonly kind: 'contract'
  readonly tag: string
  readonly summary: string | undefined
  readonly required: readonly T['required'][]
  readonly properties: { readonly [K in keyof T['properties']]: PropertyClause<Static<T['properties'][K]>> }
  readonly values: { readonly [K in keyof T['values']]: ValueClause<Static<T['values'][K]>> }
  readonly events: { readonly [K in keyof T['events']]: EventClause }
  readonly commands: { readonly [K in keyof T['commands']]: CommandClause }
  readonly readings: { readonly [K in keyof T['readings']]: ReadingClause }
  /** What a person edits on a copy inside it. */
  readonly drafts: { readonly [name: string]: OwnDraftClause }
  readonly slots: { readonly [name: string]: SlotClause }
  /** The form value, and the property that obliges the person to fill it. */
  readonly form:
    { readonly value: string; readonly requiredBy: string | undefined; readonly sends?: string | undefined } | undefined
  readonly locks: { readonly readonly: string | undefined; readonly disabled: string | undefined }
  /** The property that shows a message beside the field. */
  readonly problem: string | undefined
  /** Markup without which it is of no use, inside it and beside it. */
  readonly content: { readonly inside?: string | undefined; readonly beside?: string | undefined } | undefined
  /** Clause ids that are knowingly not kept, each with its reason. */
  readonly waives: Waivers
  /** Clauses that nobody has confirmed, by where they stand, each with what it was guessed from. */
  readonly guesses: { readonly [at: string]: string }
  /** The contract that this one extends. */
  readonly base?: AnyContract
  /** Only for the compiler: where the types live. */
  readonly types?: T
}

// A typed seam: the contract of any component.
export type AnyContract = Contract<any>

/** The clauses of a contract, as a developer writes them. */
export interface ContractDraft<
  P extends SchemaMap,
  R extends string,
  V extends SchemaMap,
  E extends SchemaMap,
  C extends CommandMap,
  G extends SchemaMap,
  N extends NameMap,
  L extends NameMap,
  X extends NameMap,
> {
  summary?: string
  required?: readonly (R & NoInfer<Extract<keyof P | keyof V, string>>)[]
  properties?: { [K in keyof P]: PropertyDraft<P[K]> }
  values?: { [K in keyof V]: ValueDraft<V[K], NoInfer<Extract<keyof P | keyof V, string>>> } & {
    [K in keyof N]: { event?: N[K] }
  } & { [K in keyof L]: { payloadAt?: L[K] } } & { [K in keyof X]: { vetoEvent?: X[K] } }
  events?: { [K in keyof E]: EventDraft<E[K]> }
  commands?: C & { [K in keyof C]: CommandDraft }
  readings?: { [K in keyof G]: ReadingDraft<G[K], NoInfer<Extract<keyof P | keyof V, string>>> }
  /** What a person edits on a copy inside it, until they save or cancel it. */
  drafts?: Record<string, OwnDraft<NoInfer<Extract<keyof P, string>>, NoInfer<Extract<keyof E, string>>>>
  slots?: Record<string, SlotDraft>
  form?: {
    value: NoInfer<Extract<keyof V, string>>
    requiredBy?: NoInfer<Extract<keyof P, string>>
    /** What is sent while the value is on, where that is not the value itself. */
    sends?: NoInfer<Extract<keyof P, string>>
  }
  locks?: { readonly?: NoInfer<Extract<keyof P, string>>; disabled?: NoInfer<Extract<keyof P, string>> }
  problem?: NoInfer<Extract<keyof P, string>>
  /** Markup without which it is of no use: what stands inside it, and what stands beside it and is found by its id. */
  content?: { inside?: string; beside?: string }
  /** Clauses that are knowingly not kept: the reason, or the reason for each name that it is waived for. */
  waives?: Record<string, string | Record<string, string>>
  guesses?: Record<string, string>
}

/**
 * Writes down what a component promises: its properties, two-way values, events, commands and readings.
 *
 * Throws a {@link CaulkerError} `malformed-contract` that names the first clause that cannot be, and says what to do. The tag is a
 * valid custom element name (HTML Standard, section 4.13.3).
 *
 * @example
 * ```ts
 * import { contract, Type } from 'caulker'
 * const winch = contract('chain-winch', {
 *   required: ['label'],
 *   properties: { label: { type: Type.String() } },
 *   values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 12 } } },
 * })
 * console.assert(winch.values.turns.event === 'turns-set')
 * ```
 */
export function contract<
  P extends SchemaMap = {},
  V extends SchemaMap = {},
  E extends SchemaMap = {},
  C extends CommandMap = {},
  const R extends string = never,
  G extends SchemaMap = {},
  const N extends NameMap = {},
  const L extends NameMap = {},
  const X extends NameMap = {},
>(
  tag: `${string}-${string}`,
  draft: ContractDraft<P, R, V, E, C, G, N, L, X>,
): Contract<{
  properties: P
  required: R
  values: V
  events: E
  commands: C
  readings: G
  reportNames: N
  payloadsAt: L
  vetoNames: X
}> {
  return makeContract(tag, draft as never, contract) as never
}

/** A contract from its clauses, written where `maker` was called; one that extends another remembers it. */
export function makeContract(
  tag: string,
  draft: AnyDraft,
  maker: (...args: never[]) => unknown,
  base?: AnyContract,
): AnyContract {
  refuseMalformed(tag, draft)
  const whole = filled(WHOLE, draft as Written, tag, {})
  const sections = mapValues(SECTIONS, ({ table }: Section, section) =>
    mapValues(draft[section as 'values'], (written: Written, name) =>
      filled(table, written, name, extrasOf(section, written, whole.required.includes(name))),
    ),
  )
  const { name: _, ...rest } = whole
  const made = {
    kind: 'contract',
    tag,
    ...rest,
    ...sections,
    ...(base === undefined ? {} : { base }),
  } as unknown as AnyContract
  rememberPlace(made, maker)
  drafts.set(made, draft)
  return Object.freeze(made)
}

const drafts = new WeakMap<object, object>()

/** A contract as it was written, for one that builds on it; nothing for one that was made by another copy of the package. */
export function draftOf(of: AnyContract): object | undefined {
  return drafts.get(of)
}

// A typed seam: the clauses of any contract.
type AnyDraft = ContractDraft<any, any, any, any, any, any, any, any, any>

/** Whether something is a contract, by its own mark, so that one from another copy of the package counts too. */
export function isContract(value: unknown): value is AnyContract {
  return (
    typeof value === 'object' && value !== null && (value as { kind?: unknown }).kind === 'contract' && 'tag' in value
  )
}

/** What is a contract, or one line that says what is meant. */
export function asContract(by: string, given: unknown): AnyContract {
  return isContract(given) ? given : refused(by, 'what contract(…) returned', given)
}

/** Asked for at every turn, and the same for as long as the contract lives. */
function remembered<T>(make: (of: AnyContract) => readonly T[]): (of: AnyContract) => readonly T[] {
  const known = new WeakMap<AnyContract, readonly T[]>()
  return (of) => {
    const before = known.get(of)
    if (before !== undefined) return before
    const made = make(of)
    known.set(of, made)
    return made
  }
}

/** The two-way values of a contract. */
export const valueClauses = remembered((of): ValueClause[] => Object.values<ValueClause>(of.values))

/** Every name that an owner can supply: properties first, then two-way values. */
export const givenClauses = remembered((of): PropertyClause[] => [
  ...Object.values<PropertyClause>(of.properties),
  ...valueClauses(of),
])

export function clauseOf(of: AnyContract, name: string): PropertyClause | undefined {
  if (Object.hasOwn(of.properties, name)) return of.properties[name]
  return Object.hasOwn(of.values, name) ? of.values[name] : undefined
}

/** Every event that an owner can hear: those that are declared, those that report values, and those that ask first. */
export const eventNames = remembered((of): string[] => [
  ...Object.keys(of.events),
  ...valueClauses(of).flatMap(({ event, vetoEvent }) => (vetoEvent === undefined ? [event] : [event, vetoEvent])),
])

/** Whether clauses of a contract are guesses: then nobody has said that it is whole. */
export function isGuessed({ guesses }: AnyContract): boolean {
  return Object.keys(guesses).length > 0
}

export function isValue(clause: PropertyClause): clause is ValueClause {
  return clause.kind === 'value'
}

/** The sections of a contract, each with its table and the clauses that stand there by name. */
export function sectionsOf(
  of: AnyContract,
): { section: string; its: Section; clauses: Readonly<Record<string, Written>> }[] {
  return Object.entries<Section>(SECTIONS).map(([section, its]) => ({
    section,
    its,
    clauses: of[section as 'values'] as unknown as Readonly<Record<string, Written>>,
  }))
}

/** What is known of a property or a value besides what its own clauses say. */
function extrasOf(section: string, written: Written, required: boolean): object {
  if (section !== 'properties' && section !== 'values') return {}
  return { kind: section === 'values' ? 'value' : 'property', required, hasDefault: 'default' in written }
}
