import type { PlannedStep } from './plan.js'

/** Everything that can change, one value a slot. */
export type State = readonly unknown[]

/** What can happen to a machine; each input is one transaction. */
export type Input =
  | { readonly kind: 'set'; readonly changes: readonly (readonly [cell: number, value: unknown])[] }
  /** A component reports: one event may carry several of its values, by name. */
  | {
      readonly kind: 'report'
      readonly fitting: number
      readonly event: string
      readonly payload: unknown
      readonly values: Readonly<Record<string, unknown>>
    }
  | { readonly kind: 'action'; readonly name: string; readonly steps: readonly PlannedStep[] }
  /** A command changed values without reporting it: who called it knows what they are now. */
  | { readonly kind: 'known'; readonly fitting: number; readonly values: Readonly<Record<string, unknown>> }

/** What is owed to the world after a transaction, in this order. */
export type Effect =
  | { readonly effect: 'fault'; readonly fault: Fault }
  | { readonly effect: 'refusal'; readonly refusal: Refusal }
  | { readonly effect: 'amendment'; readonly amendment: Amendment }
  /** All that changed for one fitting, in one call. */
  | { readonly effect: 'tell'; readonly fitting: number; readonly changes: Readonly<Record<string, unknown>> }
  | {
      readonly effect: 'command'
      readonly fitting: number
      readonly command: string
      readonly args: readonly unknown[]
    }
  | {
      readonly effect: 'after'
      readonly cell: string
      readonly hook: (now: never, before: never) => void
      readonly now: unknown
      readonly before: unknown
    }

/** A proposed value that was turned down, with the reason, for whoever proposed it. */
export interface Refusal {
  readonly cell: string
  readonly value: unknown
  readonly reason: string
}

/** A proposed value that was made right: what was proposed, and what stands instead. */
export interface Amendment {
  readonly cell: string
  readonly proposed: unknown
  readonly stands: unknown
}

/** Something that was thrown, or stands where it must not, with its place: `reckoned total`, `after of bales`, `tell of stepper`. */
export interface Fault {
  readonly place: string
  readonly error: unknown
}

/** What one transaction comes to. */
export interface Outcome {
  readonly state: State
  readonly effects: readonly Effect[]
}
