/** Everything that can change, one value a slot. */
export type State = readonly unknown[]

/** What can happen to a machine; each input is one transaction. */
export type Input =
  | { readonly kind: 'set'; readonly changes: readonly (readonly [cell: number, value: unknown])[] }
  /** A component reports: one event may carry several of its values, by name. */
  | {
      readonly kind: 'report'
      readonly fitting: number
      readonly row?: string | undefined
      readonly event: string
      readonly payload: unknown
      readonly values: Readonly<Record<string, unknown>>
      /** Whether it is said at each key of a text that is still being typed: the field is corrected when it is left. */
      readonly isTyping?: boolean
    }
  | { readonly kind: 'action'; readonly screen: number; readonly name: string }
  /** A command changed values without reporting it: who called it knows what they are now. */
  | {
      readonly kind: 'known'
      readonly fitting: number
      readonly row?: string | undefined
      readonly values: Readonly<Record<string, unknown>>
    }
  /** A person types what is not reported yet; a person leaves a field. */
  | { readonly kind: 'edit' | 'leave'; readonly fitting: number; readonly row?: string | undefined }
  | { readonly kind: 'submit' | 'reset'; readonly screen: number; readonly isNative?: boolean }
  /** What was being typed is finished, as far as it goes. */
  | {
      readonly kind: 'committed'
      readonly screen: number
      /** What a component says against its own value. */
      readonly invalid: readonly Invalid[]
    }
  | { readonly kind: 'answer'; readonly id: number; readonly answer: Answer }
  /** A screen is entered for the first time; the browser has gone to another entry of the way. */
  | { readonly kind: 'enter' }
  | { readonly kind: 'travel'; readonly at: number }
  | { readonly kind: 'topic'; readonly topic: string; readonly value: unknown }
  /** In an interior: its owner tells, and calls a command. */
  | { readonly kind: 'given'; readonly changes: readonly (readonly [cell: number, value: unknown])[] }
  | {
      readonly kind: 'command'
      readonly name: string
      readonly args: readonly unknown[]
      /** Whoever called it knows what it changes. */
      readonly isSilent?: boolean
    }

export interface Invalid {
  readonly fitting: number
  readonly row?: string | undefined
  readonly text: string
}

/** What a source answered: what it gives, or why it failed and what is wrong with which member (JSON Pointer, RFC 6901). */
export type Answer =
  | { readonly given: unknown }
  | { readonly failed: string; readonly problems?: Readonly<Record<string, string>>; readonly isOverdue?: boolean }

/** What is owed to the world after a transaction, in this order. */
export type Effect =
  | { readonly effect: 'fault'; readonly fault: Fault }
  | { readonly effect: 'refusal'; readonly refusal: Refusal }
  | { readonly effect: 'amendment'; readonly amendment: Amendment }
  | { readonly effect: 'abort'; readonly id: number }
  /** Another screen is in front; or the one that is stays there, and why. */
  | {
      readonly effect: 'go'
      readonly from: number
      readonly to: number
      readonly at: number
      readonly isTravel: boolean
    }
  | { readonly effect: 'stay'; readonly at: number; readonly reason: string; readonly isTravel: boolean }
  | { readonly effect: 'show'; readonly fitting: number; readonly isShown: boolean }
  | { readonly effect: 'rows'; readonly fitting: number; readonly keys: readonly string[] }
  /** All that changed for one fitting, in one call. */
  | {
      readonly effect: 'tell'
      readonly fitting: number
      readonly row?: string | undefined
      readonly changes: Readonly<Record<string, unknown>>
    }
  | { readonly effect: 'problem'; readonly fitting: number; readonly row?: string | undefined; readonly text: string }
  | {
      readonly effect: 'command'
      readonly fitting: number
      readonly row?: string | undefined
      readonly command: string
      readonly args: readonly unknown[]
    }
  /** A submit was held back: something is wrong with a field. */
  | { readonly effect: 'held' }
  | { readonly effect: 'commit'; readonly screen: number; readonly fittings: readonly number[] }
  | {
      readonly effect: 'call'
      readonly id: number
      readonly source: string
      readonly operation: string
      readonly given: unknown
    }
  | { readonly effect: 'announce'; readonly topic: string; readonly value: unknown }
  /** In an interior: what its owner hears. */
  | {
      readonly effect: 'report'
      readonly event: string
      readonly payload: unknown
      readonly values: Readonly<Record<string, unknown>>
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
