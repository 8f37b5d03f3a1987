import type { Static, TSchema } from './types.js'

/** Makes a proposed value right, before it stands. */
export type Amend<T> = (proposed: T, before: T) => T
/** Turns a proposed value down: gives the reason, or nothing to let it pass. */
export type Refuse<T> = (proposed: T, before: T) => string | undefined
/** Is told once a value stands. */
export type After<T> = (now: T, before: T) => void
export type OneOrMore<F> = F | readonly F[]

/** The clauses of a property, as a developer writes them. */
export interface PropertyDraft<S extends TSchema> {
  type: S
  default?: Static<NoInfer<S>>
  attribute?: string | false
  reflects?: boolean
  label?: string
  summary?: string
  amend?: OneOrMore<Amend<Static<NoInfer<S>>>>
  refuse?: OneOrMore<Refuse<Static<NoInfer<S>>>>
  after?: OneOrMore<After<Static<NoInfer<S>>>>
}

/** A bound: a number, a date or time, or the name of a property or value that holds it. */
export type Bound<P extends string> = P | number | `${number}-${string}` | `${number}:${string}`

/** The clauses of a two-way value; `P` are the names that its bounds and step may follow. */
export interface ValueDraft<S extends TSchema, P extends string> extends PropertyDraft<S> {
  event?: string
  payloadAt?: string
  reports?: 'edit' | 'commit'
  within?: number
  lastWord?: 'owner' | 'self'
  accepts?: 'always' | 'never'
  bounds?: { least?: Bound<P>; most?: Bound<P> }
  step?: P | number
  outside?: 'clamp' | 'refuse' | 'keep'
  ordered?: boolean
  gap?: P | number
  applies?: 'at-once' | 'when-told'
  vetoEvent?: string
  empty?: Static<NoInfer<S>>
  blank?: 'empty' | 'default' | 'previous' | 'refuse'
  resetTo?: 'default' | 'initial'
}

export interface EventDraft<S extends TSchema> {
  payload?: S
  bubbles?: boolean
  composed?: boolean
  cancelable?: boolean
  mustHear?: boolean
  summary?: string
}

export interface CommandDraft {
  /** The type of its one argument; without it the command takes none. */
  takes?: TSchema
  gives?: TSchema
  effect?: 'reset' | 'focus' | 'check'
  reports?: boolean
  summary?: string
}

export type CommandMap = Record<string, CommandDraft>

/** A read-only result; `P` are the names that it may be computed from. */
export interface ReadingDraft<S extends TSchema, P extends string> {
  type: S
  from?: readonly P[]
  summary?: string
}

export interface SlotDraft {
  /** The tags that may be in it, `#text` for text; anything where it is left out. */
  holds?: readonly string[]
  summary?: string
}

/** A property with every clause filled in. */
export interface PropertyClause<T = unknown> {
  readonly kind: 'property' | 'value'
  readonly name: string
  readonly type: TSchema
  readonly required: boolean
  /** What applies when it is not given; undefined where there is no default. */
  readonly default: T | undefined
  /** Whether the contract says so itself; the default of a two-way value is else what is empty. */
  readonly hasDefault: boolean
  readonly attribute: string | false
  readonly reflects: boolean
  readonly label: string
  readonly summary: string | undefined
  // A typed seam: the functions take the clause's own type, and a contract of any component must hold them all.
  readonly amend: readonly Amend<any>[]
  readonly refuse: readonly Refuse<any>[]
  readonly after: readonly After<any>[]
  /** Which of these functions stay in the module, where the contract was read from a file that cannot hold them. */
  readonly code: readonly string[]
}

/** A two-way value with every clause filled in. */
export interface ValueClause<T = unknown> extends PropertyClause<T> {
  readonly kind: 'value'
  readonly event: string
  readonly payloadAt: string
  readonly reports: 'edit' | 'commit'
  /** How long a report may be held back, in milliseconds. */
  readonly within: number
  /** Who holds the truth: with `self`, what is given counts at mount and on reset, and later tells by `accepts`. */
  readonly lastWord: 'owner' | 'self'
  readonly accepts: 'always' | 'never'
  readonly bounds: { readonly least: string | number | undefined; readonly most: string | number | undefined }
  readonly step: string | number | undefined
  readonly outside: 'clamp' | 'refuse' | 'keep'
  /** Whether the value is a pair whose ends may not cross, and how far apart they have to be. */
  readonly ordered: boolean
  readonly gap: string | number | undefined
  /** With `when-told` it reports a proposal, and changes only when its owner tells it so. */
  readonly applies: 'at-once' | 'when-told'
  /** A cancelable event sent before the change, at which the owner may veto it. */
  readonly vetoEvent: string | undefined
  /** What "nothing" is; undefined where the type has no such value. */
  readonly empty: T | undefined
  readonly blank: 'empty' | 'default' | 'previous' | 'refuse'
  readonly resetTo: 'default' | 'initial'
}

export interface EventClause {
  readonly name: string
  readonly payload: TSchema | undefined
  readonly bubbles: boolean
  readonly composed: boolean
  readonly cancelable: boolean
  /** Whether an owner that does not hear it loses something. */
  readonly mustHear: boolean
  readonly summary: string | undefined
}

export interface CommandClause {
  readonly name: string
  readonly takes: TSchema | undefined
  readonly gives: TSchema | undefined
  readonly effect: 'reset' | 'focus' | 'check' | undefined
  readonly reports: boolean
  readonly summary: string | undefined
}

/** A read-only result that the owner may read. */
export interface ReadingClause {
  readonly name: string
  readonly type: TSchema
  /** The properties and values that it is computed from. */
  readonly from: readonly string[]
  readonly summary: string | undefined
}

export interface SlotClause {
  readonly name: string
  readonly holds: readonly string[] | undefined
  readonly summary: string | undefined
}
