import type { After, Amend, OneOrMore, Refuse, SchemaMap, Static, TSchema, Waivers } from '../contract/index.js'
import type { AnySource } from './source.js'
import type { AnyOperation, Steps } from './steps.js'
import type { Cell, DraftOf, OneWay, Reckoned, Rows, Showing, TwoWay } from './tokens.js'
import type { AnyTopic } from './topic.js'
import type { AnyFittings } from './types.js'

/** The clauses of a cell, as a developer writes them. */
export interface CellDraft<S extends TSchema> {
  type: S
  initial: Static<NoInfer<S>>
  summary?: string
  amend?: OneOrMore<Amend<Static<NoInfer<S>>>>
  refuse?: OneOrMore<Refuse<Static<NoInfer<S>>>>
  after?: OneOrMore<After<Static<NoInfer<S>>>>
}

export interface CellClause {
  readonly name: string
  readonly type: TSchema
  readonly initial: unknown
  readonly amend: readonly Amend<unknown>[]
  readonly refuse: readonly Refuse<unknown>[]
  readonly after: readonly After<unknown>[]
  /** In the interior of a component: whether it stands for a property or a value of its face. */
  readonly face?: 'property' | 'value'
  /** There: what an emptied control makes of it, and what nothing is. */
  readonly blank?:
    { readonly becomes: 'empty' | 'default' | 'previous' | 'refuse'; readonly empty: unknown } | undefined
  /** There: whether its owner must supply it. */
  readonly isRequired?: boolean
}

/** What stands for a name of a fitting: a constant, or a binding. */
export type Binding =
  { readonly kind: 'constant'; readonly value: unknown } | OneWay<unknown> | TwoWay<unknown> | DraftOf<unknown>

/** The steps that hear one event; the name is that of the action, or empty for steps written in place. */
export interface Action {
  readonly name: string
  readonly steps: Steps
}

/** What fills a cell when the screen is entered, and again by `refresh`. */
export interface Load<T> {
  readonly kind: 'load'
  readonly operation: AnyOperation
  readonly given: unknown
  readonly gives?: T
}

/** What is sent, and where; the names are cells or reckoned cells, by the member that each becomes. */
export interface SubmitClause {
  readonly sends: Readonly<Record<string, string>>
  /** Cells that are edited here and knowingly not sent. */
  readonly leaves: readonly string[]
  /** Cells that must not be empty, with what is said where they are. */
  readonly needs: Readonly<Record<string, string>>
  /** By cell: the reckoned cell that says what is wrong with it, such as beside another cell; empty where nothing is. */
  readonly heldBy: Readonly<Record<string, string>>
  readonly to: string
  readonly then: Steps
  readonly fails: Steps
}

export interface ResetClause {
  readonly to: 'initial' | 'default' | 'saved'
  /** The cells in its scope; all of them where it is left out. */
  readonly cells: readonly string[] | undefined
  readonly leaves: readonly string[]
}

/** One composition: what it holds, what stands on it and how they are wired. */
export interface Screen<
  S extends SchemaMap = SchemaMap,
  U extends AnyFittings = AnyFittings,
  D = Record<string, Reckoned<unknown>>,
  A = unknown,
  O = Readonly<Record<string, AnySource>>,
  W = string,
> {
  readonly kind: 'screen'
  readonly name: string
  readonly cells: { readonly [K in keyof S]: CellClause }
  readonly fittings: U
  readonly sources: O
  readonly topics: Readonly<Record<string, AnyTopic>>
  readonly reckoned: D
  readonly rows: Readonly<Record<string, Rows<unknown>>>
  readonly shown: Readonly<Record<string, Showing>>
  readonly loads: Readonly<Record<string, Load<unknown>>>
  readonly actions: { readonly [K in keyof A]: Action }
  readonly bindings: Readonly<Record<string, Readonly<Record<string, Binding>>>>
  readonly on: Readonly<Record<string, Readonly<Record<string, Action>>>>
  /** What runs when the screen is entered, and what hears the topics. */
  readonly enters: Action
  readonly hears: Readonly<Record<string, Action>>
  readonly submit: SubmitClause | undefined
  readonly reset: ResetClause | undefined
  /** The cells that outlive the screen in its journey. */
  readonly keeps: readonly string[]
  /** Rules that it knowingly breaks, each with the reason. */
  readonly waives: Waivers
  /** What holds at every moment of every rehearsal, and what never happens, each by its sentence. */
  readonly always: Readonly<Record<string, Reckoned<unknown>>>
  readonly never: Readonly<Record<string, Reckoned<unknown>>>
  /** In the interior of a component: what carries out each command, what each reading is, and what a command gives back. */
  readonly commands: Readonly<Record<string, Action>>
  readonly readings: Readonly<Record<string, Cell<unknown> | Reckoned<unknown>>>
  readonly answers: Readonly<Record<string, Cell<unknown> | Reckoned<unknown>>>
  /** Only for the compiler: the types of the cells, and the screens to which it leads. */
  readonly types?: { cells: { [K in keyof S]: Static<S[K]> }; ways: W }
}

// A typed seam: any screen.
export type AnyScreen = Screen<any, any, any, any, any, any>
