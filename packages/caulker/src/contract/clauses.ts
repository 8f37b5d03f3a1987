import type { OneOrMore } from './data/lists.js'
import type { Static, TSchema } from './data/types.js'
import type {
  After,
  Amend,
  COMMAND,
  DRAFT,
  EVENT,
  FilledBy,
  PROPERTY,
  READING,
  Refuse,
  SLOT,
  VALUE,
  WrittenBy,
} from './table/index.js'

/** The clauses whose types follow from the data type beside them. */
type Typed = 'type' | 'default' | 'samples' | 'empty' | 'amend' | 'refuse' | 'after' | 'code'

/** The clauses of a property, as a developer writes them. */
export interface PropertyDraft<S extends TSchema> extends Omit<WrittenBy<typeof PROPERTY>, Typed> {
  type: S
  default?: Static<NoInfer<S>>
  /** Values to try, where the type cannot say what is ordinary. */
  samples?: readonly Static<NoInfer<S>>[]
  amend?: OneOrMore<Amend<Static<NoInfer<S>>>>
  refuse?: OneOrMore<Refuse<Static<NoInfer<S>>>>
  after?: OneOrMore<After<Static<NoInfer<S>>>>
}

/** A bound: a number, a date or time, or the name of a property or value that holds it. */
export type Bound<P extends string> = P | number | `${number}-${string}` | `${number}:${string}`

/** The clauses of a two-way value; `P` are the names that its bounds and step may follow. */
export interface ValueDraft<S extends TSchema, P extends string>
  extends PropertyDraft<S>, Omit<WrittenBy<typeof VALUE>, Typed | keyof typeof PROPERTY | 'bounds' | 'step' | 'gap'> {
  bounds?: { least?: Bound<P>; most?: Bound<P> }
  step?: P | number
  gap?: P | number
  empty?: Static<NoInfer<S>>
}

export interface EventDraft<S extends TSchema> extends Omit<WrittenBy<typeof EVENT>, 'payload'> {
  payload?: S
}

export interface CommandDraft extends WrittenBy<typeof COMMAND> {}

export type CommandMap = Record<string, CommandDraft>

/** A read-only result; `P` are the names that it may be computed from. */
export interface ReadingDraft<S extends TSchema, P extends string> extends Omit<
  WrittenBy<typeof READING>,
  'type' | 'from'
> {
  type: S
  from?: readonly P[]
}

export interface SlotDraft extends WrittenBy<typeof SLOT> {}

/** The clauses of a draft; `P` are the properties that hold records, `E` the events that save. */
export interface OwnDraft<P extends string, E extends string> extends Omit<WrittenBy<typeof DRAFT>, 'of' | 'event'> {
  of: P
  event: E
}

/** A property with every clause filled in. */
export interface PropertyClause<T = unknown> extends Omit<FilledBy<typeof PROPERTY>, 'default'> {
  readonly kind: 'property' | 'value'
  readonly name: string
  readonly required: boolean
  readonly default: T | undefined
  readonly hasDefault: boolean
}

/** A two-way value with every clause filled in. */
export interface ValueClause<T = unknown>
  extends PropertyClause<T>, Omit<FilledBy<typeof VALUE>, keyof typeof PROPERTY | 'empty'> {
  readonly kind: 'value'
  readonly empty: T | undefined
}

interface Named {
  readonly name: string
}

export interface EventClause extends FilledBy<typeof EVENT>, Named {}
export interface CommandClause extends FilledBy<typeof COMMAND>, Named {}
export interface ReadingClause extends FilledBy<typeof READING>, Named {}
export interface OwnDraftClause extends FilledBy<typeof DRAFT>, Named {}
export interface SlotClause extends FilledBy<typeof SLOT>, Named {}
