import type { AnyContract, ValueClause } from '../../contract/index.js'
import type { AnyScreen, CellClause, OperationClause } from '../../wiring/index.js'

/** A wiring made flat for running: everything that can change is a slot, and a snapshot is a copy of one array. */
export interface Machine {
  readonly kind: 'screen' | 'journey' | 'interior'
  readonly name: string
  /** What each slot is, for ledgers and messages: `bales`, `total`, `stepper.bales`. */
  readonly names: readonly string[]
  /** What each slot holds before anything is settled. */
  readonly initial: readonly unknown[]
  /** In the slots from 0 on. */
  readonly cells: readonly CellPlan[]
  /** In rank order: each stands after all that it depends on. */
  readonly reckoned: readonly ReckonedSlot[]
  readonly fittings: readonly FittingPlan[]
  readonly bound: readonly BoundName[]
  /** The fittings that are not always there: those that are shown for a while, and those of rows. */
  readonly placed: readonly number[]
  readonly screens: readonly ScreenPlan[]
  /** Every place from which a source is called. */
  readonly sites: readonly CallSite[]
  readonly drafts: readonly DraftPlan[]
  readonly slots: MachineSlots
  readonly face: FacePlan
  /** What becomes of open drafts when a screen is left. */
  readonly leaving: 'keep' | 'discard' | 'stay'
  /** By slot: the ranks of what is computed from it, and the bound names that may owe a tell where it changes; nothing for most. */
  readonly computes: readonly (readonly number[] | undefined)[]
  readonly owes: readonly (readonly number[] | undefined)[]
  /** By slot: the cells whose bounds and steps have to be held anew where it changes. */
  readonly holds: readonly (readonly number[] | undefined)[]
  /** By cell: the values that it is shared with, where their bounds or steps say what may stand. */
  readonly bounders: readonly (readonly BoundName[])[]
}

/** In an interior, how each value of the face is reported; empty elsewhere. */
export interface FacePlan {
  /** By name, the event that reports it. */
  readonly events: ReadonlyMap<string, string>
  /** By cell, the event that asks its owner before it changes. */
  readonly asks: ReadonlyMap<number, string>
  /** The cells that an edit only proposes, and that change when their owner tells them. */
  readonly waits: ReadonlySet<number>
}

/** The slots that belong to the machine as a whole. */
export interface MachineSlots {
  /** Which screen is in front. */
  readonly front: number
  /** A {@link Way}: the screens that were entered, and at which of them a person is. */
  readonly way: number
  /** The {@link PendingCall}s in the order in which they were sent, and how many were sent in all. */
  readonly calls: number
  readonly called: number
  /** Where a person wants to go, while what is being typed is committed first; a {@link Leaving}. */
  readonly leaving: number
}

/** A cell, and where it lives. */
export interface CellPlan extends CellClause {
  /** The screen whose own it is; -1 where a journey holds it. */
  readonly screen: number
  /** Whether it outlives its screen. */
  readonly isKept: boolean
  /** What counts its changes, where the answer of a call may write it; -1 for most. */
  readonly revision: number
  /** In an interior: what its owner and it last agreed on, for a value of the face; -1 elsewhere. */
  readonly agreed: number
}

export interface ReckonedSlot {
  readonly name: string
  readonly slot: number
  readonly inputs: readonly number[]
  readonly compute: (...inputs: unknown[]) => unknown
}

/** One screen of a machine: a screen that is mounted alone is the only one. */
export interface ScreenPlan {
  readonly name: string
  readonly screen: AnyScreen
  readonly places: Places
  readonly fittings: readonly number[]
  readonly actions: Readonly<Record<string, readonly PlannedStep[]>>
  readonly commands: Readonly<Record<string, readonly PlannedStep[]>>
  readonly enters: readonly PlannedStep[]
  readonly hears: ReadonlyMap<string, readonly PlannedStep[]>
  /** The sites of what is loaded on entering. */
  readonly loads: readonly number[]
  readonly submit: SubmitPlan | undefined
  readonly reset: ResetPlan | undefined
  /** The cells that a person can change here, for its states. */
  readonly edited: readonly number[]
  /** Those of them that have a field of their own: what is wrong with one that only rows show is said by the screen. */
  readonly fields: readonly number[]
  readonly slots: ScreenSlots
}

export interface ScreenSlots {
  /** By cell: `edited` or `left`. */
  readonly touched: number
  /** By cell, `cell/key/member` for an entry of a row, and '' for the screen's own: a {@link Problem}. */
  readonly problems: number
  /** By cell: what was saved last. */
  readonly saved: number
  /** Of a submit: '' or `committing` or `sending`. */
  readonly phase: number
  /** Whether a submit was tried. */
  readonly tried: number
  /** By fitting: `unreported` while a person types what was not reported yet, `uncorrected` where what was reported did not stand. */
  readonly unfinished: number
}

/** Where the names of a screen lead to. */
export interface Places {
  readonly cells: ReadonlyMap<string, number>
  readonly reckoned: ReadonlyMap<string, number>
  readonly fittings: ReadonlyMap<string, number>
}

export interface SubmitPlan {
  readonly site: number
  /** The cells that are sent, by the member that each becomes. */
  readonly sends: ReadonlyMap<string, number>
  /** The cells that must not be empty, with what is said where they are. */
  readonly needs: readonly (readonly [cell: number, text: string])[]
  /** What is reckoned to be wrong with a cell. */
  readonly heldBy: readonly (readonly [cell: number, slot: number])[]
}

export interface ResetPlan {
  readonly to: 'initial' | 'default' | 'saved'
  readonly cells: readonly number[]
}

export interface FittingPlan {
  readonly name: string
  readonly screen: number
  readonly contract: AnyContract
  readonly bound: readonly BoundName[]
  readonly hears: ReadonlyMap<string, Hearing>
  /** The list whose entries it stands for, and the member that tells them apart. */
  readonly rows: RowsPlan | undefined
  /** Whether it is shown, and the cells that are emptied when it is not any more; always shown where it is left out. */
  readonly shown: ShownPlan | undefined
  /** The bound name that obliges the person to fill its form value, and the name that takes it out. */
  readonly requiredBy: BoundName | undefined
  readonly disabledBy: BoundName | undefined
}

export interface RowsPlan {
  readonly cell: number
  readonly key: string
  /** The keys that are placed now. */
  readonly placed: number
}

export interface ShownPlan {
  readonly slot: number
  readonly clears: readonly number[]
}

/** A bound name of a fitting: where its truth is, and what owner and component last agreed on. */
export interface BoundName {
  readonly at: number
  readonly fitting: number
  readonly contract: AnyContract
  readonly name: string
  readonly source: number
  /** Whether it is given once and for all. */
  readonly isConstant: boolean
  /** For rows: the member of an entry that it follows. */
  readonly member: string | undefined
  /** For rows: by key. */
  readonly known: number
  /** The cell that takes what is reported; -1 where nobody does. */
  readonly cell: number
  /** The draft that takes what is reported, by its place among the drafts; -1 for most. */
  readonly draft: number
  /** The value's clause where its bounds or step say what may stand. */
  readonly bounded: ValueClause | undefined
  /** Whether a report only proposes, and the value changes when it is told. */
  readonly appliesWhenTold: boolean
  /** Where the names that its bounds and step follow are held. */
  readonly limits: ReadonlyMap<string, Followed>
}

/** A slot that is followed, and for rows the member of an entry in it. */
export interface Followed {
  readonly slot: number
  readonly member: string | undefined
}

/** What hears one event of a fitting: the bindings of its values first, then the steps in their order. */
export interface Hearing {
  readonly bound: readonly BoundName[]
  readonly steps: readonly PlannedStep[]
}

/** The draft of one bound name: its slot holds an {@link OpenDraft}, or nothing while it is closed. */
export interface DraftPlan {
  readonly name: string
  readonly slot: number
  readonly cell: number
  readonly fitting: number
  readonly screen: number
  /** Of rows: the member of the entries that is edited, and the one that tells them apart; its copy is of the whole list. */
  readonly row: { readonly key: string; readonly member: string } | undefined
}

/** A place from which a source is called. */
export interface CallSite {
  readonly kind: 'load' | 'call' | 'save' | 'submit'
  readonly screen: number
  readonly source: string
  readonly operation: OperationClause
  /** The operation with its source: `office.book`. */
  readonly name: string
  readonly given: Given
  /** The cell that takes the answer; -1 for none. */
  readonly into: number
  /** The cells that the answer or the steps after it write. */
  readonly writes: readonly number[]
  readonly then: readonly PlannedStep[]
  readonly fails: readonly PlannedStep[]
}

/** Where a step takes a value from: written down, a cell or reckoned cell, a part of what was heard, or an object of those. */
export type Given =
  | { readonly from: 'constant'; readonly value: unknown }
  | { readonly from: 'slot'; readonly slot: number }
  | { readonly from: 'row'; readonly slot: number; readonly member: string }
  | { readonly from: 'payload'; readonly at: readonly string[] }
  | { readonly from: 'object'; readonly members: readonly (readonly [name: string, given: Given])[] }

export type PlannedStep =
  | {
      readonly step: 'set'
      readonly cell: number
      readonly member: string | undefined
      readonly value: Given
      /** Whether what a person is typing for the cell is dropped. */
      readonly isClear: boolean
    }
  | { readonly step: 'run'; readonly fitting: number; readonly command: string; readonly args: readonly Given[] }
  | { readonly step: 'call' | 'refresh'; readonly site: number }
  | { readonly step: 'save'; readonly drafts: readonly number[]; readonly site: number }
  | { readonly step: 'discard'; readonly drafts: readonly number[] }
  | { readonly step: 'submit' | 'reset' | 'back' }
  | {
      readonly step: 'go'
      /** The screen; -1 where the wiring has none of that name. */
      readonly to: number
      readonly name: string
      readonly when: Given | undefined
      readonly otherwise: string
    }
  | { readonly step: 'announce'; readonly topic: string; readonly value: Given }
  | { readonly step: 'report'; readonly event: string; readonly value: Given }

/** The screens that were entered in their order, and at which of them a person is. */
export interface Way {
  readonly entries: readonly number[]
  readonly at: number
}

/** Where a person wants to go: to a new entry, or to one that is there. */
export interface Leaving {
  readonly entries: readonly number[]
  readonly at: number
  /** Whether the browser has gone there already. */
  readonly isTravel: boolean
}

/** A copy that is edited until it is saved or discarded. */
export interface OpenDraft {
  /** What the cell held when it was opened. */
  readonly base: unknown
  readonly copy: unknown
  /** Whether the cell has changed since. */
  readonly isOvertaken: boolean
  /** What was sent last and has not been answered; an object, since what is sent may be anything. */
  readonly sent: { readonly copy: unknown } | undefined
}

export interface PendingCall {
  readonly id: number
  readonly site: number
  readonly given: unknown
  /** By cell that it may still write: the revision that it rests on. */
  readonly writes: Readonly<Record<number, number>>
  /** By cell: what is saved once it is answered. */
  readonly saves: Readonly<Record<number, unknown>>
  readonly drafts: readonly number[]
  /** What the steps after it were set off by, for `payload` in rows. */
  readonly row: string | undefined
  /** It waits for another one of the same record. */
  readonly isWaiting: boolean
  /** Its time is over; what comes yet is only said. */
  readonly isExpired: boolean
}

export interface Problem {
  readonly text: string
  readonly from: 'refusal' | 'bound' | 'validity' | 'answer' | 'draft' | 'way'
  /** A refusal waits until the field is left, or a submit is tried. */
  readonly isShown: boolean
}

/** The cell that a person changes through a bound name, be it by a draft; -1 where nobody takes the edit. */
export function cellBehind(
  { drafts }: Pick<Machine, 'drafts'>,
  { cell, draft }: Pick<BoundName, 'cell' | 'draft'>,
): number {
  return drafts[draft]?.cell ?? cell
}
