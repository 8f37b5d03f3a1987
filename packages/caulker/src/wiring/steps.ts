import { refused, type CommandMap, type Static, type TSchema } from '../contract/index.js'
import { asked, listedSteps } from './asked.js'
import type { AnyCell, Cell, FittingRef, Followed, Into } from './tokens.js'

/** Stands for what the event or the answer carried, inside the steps that follow from it; `at` is a JSON Pointer into it (RFC 6901). */
export interface Payload<At extends string = string> {
  readonly kind: 'payload'
  readonly at: At
}

/** An operation of a source, as a step names it. */
export interface OperationRef<Takes, Gives> {
  readonly kind: 'operation'
  readonly source: string
  readonly name: string
  /** Only for the compiler. */
  readonly types?: { takes: (value: Takes) => void; gives: Gives }
}

/** A topic, as a step names it. */
export interface TopicRef<T> {
  readonly kind: 'topic'
  readonly name: string
  readonly types?: (value: T) => void
}

/** An event of a component, as the steps of its interior name it. */
export interface EventRef<T> {
  readonly kind: 'event'
  readonly name: string
  readonly types?: (value: T) => void
}

// Typed seams: where only the name matters.
export type AnyOperation = OperationRef<any, any>
export type AnyFitting = FittingRef<any>

export type Step =
  | { readonly step: 'set'; readonly cell: AnyCell; readonly value: unknown }
  | { readonly step: 'clear'; readonly cell: AnyCell }
  | {
      readonly step: 'run'
      readonly fitting: AnyFitting
      readonly command: string
      readonly args: readonly unknown[]
    }
  | {
      readonly step: 'call'
      readonly operation: AnyOperation
      readonly given: unknown
      readonly into: AnyCell | undefined
      readonly then: Steps
      readonly fails: Steps
    }
  | { readonly step: 'refresh'; readonly cell: AnyCell }
  | { readonly step: 'submit' }
  | { readonly step: 'reset' }
  | {
      readonly step: 'save'
      readonly fitting: AnyFitting
      readonly to: AnyOperation | undefined
      readonly given: unknown
      readonly then: Steps
      readonly fails: Steps
    }
  | { readonly step: 'discard'; readonly fitting: AnyFitting }
  | {
      readonly step: 'go'
      readonly to: string
      /** What has to hold before the screen is left, and what is said where it does not. */
      readonly when: Followed<boolean> | undefined
      readonly otherwise: string
    }
  | { readonly step: 'back' }
  | { readonly step: 'announce'; readonly topic: TopicRef<any>; readonly value: unknown }
  | { readonly step: 'report'; readonly event: EventRef<any>; readonly value: unknown }

/** Steps that run in the order in which they are listed. */
export type Steps = readonly Step[]

/** A step, for the compiler: what has to be carried where it stands (`P`), and the screens to which it leads (`W`). */
export type StepOf<P, W = never> = Step & {
  readonly carries?: (payload: P) => void
  readonly leads?: W
}

/** Steps that may stand where a `P` is carried. */
export type StepsOf<P> = readonly StepOf<P, unknown>[]

/** What has to be carried, so that a `T` stands in it at a JSON Pointer. */
type Carrying<At extends string, T> = string extends At
  ? unknown
  : At extends ''
    ? T
    : At extends `/${infer Member}/${infer Rest}`
      ? { readonly [K in Member]: Carrying<`/${Rest}`, T> }
      : At extends `/${infer Member}`
        ? { readonly [K in Member]: T }
        : unknown

/** The screens to which steps lead, as far as the compiler sees them. */
export type WaysOf<F> = F extends readonly (infer E)[] ? WayOf<E> : never
type WayOf<E> = E extends { readonly leads?: infer W } ? (unknown extends W ? never : Extract<W, string>) : never

/** What the steps after a failure are told: why, and what is wrong with which member. */
export interface Failed {
  readonly reason: string
  readonly problems: Readonly<Record<string, string>>
}

/** What an operation is given: constants, cells, or an object of them. */
export type GivenTo<T> =
  | (T extends readonly unknown[] ? T : T extends object ? { [K in keyof T]: T[K] | Followed<T[K]> | Payload } : T)
  | Followed<T>
  | Payload

interface Follow<Gives, F, G> {
  /** Steps that run when the answer has come; there {@link payload} is what it carried. */
  then?: F & StepsOf<unknown extends Gives ? any : Gives>
  fails?: G & StepsOf<Failed>
}

/**
 * A step that sets a cell to a value, to what another cell holds, or to what the event carried ({@link payload}).
 *
 * @example
 * ```ts
 * import { contract, screen, set, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   actions: ({ cells }) => ({ ease: [set(cells.turns, 3)] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: actions.ease } } }),
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'set')
 * ```
 */
export function set<T, const At extends string>(
  cell: Cell<T>,
  value: NoInfer<T> | Payload<At> | Followed<NoInfer<T>>,
): StepOf<Carrying<At, T>> {
  return { step: 'set', cell: asked('set', 'cell', cell), value }
}

/**
 * A step that brings a cell back to its initial value.
 *
 * @example
 * ```ts
 * import { contract, clear, screen, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   actions: ({ cells }) => ({ ease: [clear(cells.turns)] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: actions.ease } } }),
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'clear')
 * ```
 */
export function clear(cell: AnyCell): Step {
  return { step: 'clear', cell: asked('clear', 'cell', cell) }
}

/**
 * A step that calls a command of a fitting, with the argument that it takes.
 *
 * @example
 * ```ts
 * import { contract, run, screen, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   actions: ({ fittings }) => ({ ease: [run(fittings.winch, 'reset')] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: actions.ease } } }),
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'run')
 * ```
 */
export function run<C extends CommandMap, K extends Extract<keyof C, string>>(
  fitting: FittingRef<C>,
  command: K,
  ...args: C[K] extends { takes: infer T extends TSchema } ? [Static<T> | Payload | Followed<Static<T>>] : []
): StepOf<unknown> {
  return { step: 'run', fitting: asked('run', 'fitting', fitting), command, args }
}

/**
 * A step that calls an operation of a source.
 *
 * @param rest what the operation takes, as constants, cells or an object of them; then `into`, the cell that takes the answer, and the
 * steps `then` and `fails`
 * @example
 * ```ts
 * import { source } from 'caulker'
 * import { contract, call, screen, twoWay, Type } from 'caulker'
 * const office = source('yard-office', { turns: { effect: 'reads', gives: Type.Integer() }, book: { effect: 'creates', takes: Type.Object({ turns: Type.Integer() }) } })
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   sources: { office },
 *   actions: ({ cells, sources }) => ({ ease: [call(sources.office.book, { turns: cells.turns })] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: actions.ease } } }),
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'call')
 * ```
 */
export function call<Takes, Gives, const F extends Steps = [], const G extends Steps = []>(
  operation: OperationRef<Takes, Gives>,
  ...rest: undefined extends Takes
    ? [given?: Takes, more?: Follow<NoInfer<Gives>, F, G> & { into?: Into<Gives> }]
    : [given: GivenTo<NoInfer<Takes>>, more?: Follow<NoInfer<Gives>, F, G> & { into?: Into<Gives> }]
): StepOf<unknown, WaysOf<F> | WaysOf<G>> {
  const [given, more = {}] = rest as [unknown, { into?: unknown; then?: Steps; fails?: Steps }?]
  return {
    step: 'call',
    operation: asked('call', 'operation', operation),
    given,
    into: more.into === undefined ? undefined : (asked('into', 'cell', more.into) as AnyCell),
    then: listedSteps('call', 'then', more.then ?? []),
    fails: listedSteps('call', 'fails', more.fails ?? []),
  }
}

/**
 * A step that loads what a cell holds once more, by the operation that the screen loads it with.
 *
 * @example
 * ```ts
 * import { source } from 'caulker'
 * import { contract, load, refresh, screen, twoWay, Type } from 'caulker'
 * const office = source('yard-office', { turns: { effect: 'reads', gives: Type.Integer() }, book: { effect: 'creates', takes: Type.Object({ turns: Type.Integer() }) } })
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   sources: { office },
 *   loads: ({ sources }) => ({ turns: load(sources.office.turns) }),
 *   actions: ({ cells }) => ({ ease: [refresh(cells.turns)] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: actions.ease } } }),
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'refresh')
 * ```
 */
export function refresh(cell: AnyCell): Step {
  return { step: 'refresh', cell: asked('refresh', 'cell', cell) }
}

/**
 * A step that submits the screen: every field commits, all that is required is checked, and it is sent once.
 *
 * @example
 * ```ts
 * import { source } from 'caulker'
 * import { contract, screen, submit, twoWay, Type } from 'caulker'
 * const office = source('yard-office', { turns: { effect: 'reads', gives: Type.Integer() }, book: { effect: 'creates', takes: Type.Object({ turns: Type.Integer() }) } })
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   sources: { office },
 *   actions: () => ({ ease: [submit()] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: actions.ease } } }),
 *   submit: { sends: ['turns'], to: 'office.book' },
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'submit')
 * ```
 */
export function submit(): Step {
  return { step: 'submit' }
}

/**
 * A step that brings the screen back as its `reset` clause says.
 *
 * @example
 * ```ts
 * import { contract, reset, screen, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   actions: () => ({ ease: [reset()] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: actions.ease } } }),
 *   reset: { to: 'initial' },
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'reset')
 * ```
 */
export function reset(): Step {
  return { step: 'reset' }
}

/**
 * A step that writes the open draft of one fitting back, and sends it where `to` says so.
 *
 * @example
 * ```ts
 * import { contract, draft, save, screen, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   actions: ({ fittings }) => ({ ease: [save(fittings.winch)] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: draft(cells.turns), on: { slipped: actions.ease } } }),
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'save')
 * ```
 */
export function save<Takes, Gives, const F extends Steps = [], const G extends Steps = []>(
  fitting: AnyFitting,
  more: Follow<NoInfer<Gives>, F, G> & { to?: OperationRef<Takes, Gives>; given?: GivenTo<NoInfer<Takes>> } = {},
): StepOf<unknown, WaysOf<F> | WaysOf<G>> {
  const to = more.to === undefined ? undefined : asked('save to', 'operation', more.to)
  const [then, fails] = [listedSteps('save', 'then', more.then ?? []), listedSteps('save', 'fails', more.fails ?? [])]
  return { step: 'save', fitting: asked('save', 'fitting', fitting), to, given: more.given, then, fails }
}

/**
 * A step that forgets the open draft of one fitting, so that it shows its cell again.
 *
 * @example
 * ```ts
 * import { contract, discard, draft, screen, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   actions: ({ fittings }) => ({ ease: [discard(fittings.winch)] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: draft(cells.turns), on: { slipped: actions.ease } } }),
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'discard')
 * ```
 */
export function discard(fitting: AnyFitting): Step {
  return { step: 'discard', fitting: asked('discard', 'fitting', fitting) }
}

/**
 * A step that leaves the screen for another one of the journey, once what is being typed has been committed.
 *
 * @param more `when`, a cell or reckoned cell that has to be true, and `otherwise`, what is said where it is not
 * @example
 * ```ts
 * import { contract, go, screen, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   actions: () => ({ ease: [go('mooring')] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: actions.ease } } }),
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'go')
 * ```
 */
export function go<const To extends string>(
  to: To,
  more: { when?: Followed<boolean>; otherwise?: string } = {},
): StepOf<unknown, To> {
  if (typeof to !== 'string' || to === '') refused('go', "the name of a screen, such as 'review'", to)
  if (more.when !== undefined) asked('when', 'readable', more.when)
  return { step: 'go', to, when: more.when, otherwise: more.otherwise ?? 'Something is missing here' }
}

/**
 * A step that leads back to the screen from which a person came; on the first screen of a journey it does nothing.
 *
 * @example
 * ```ts
 * import { back, contract, screen, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: [back()] } } }),
 * })
 * console.assert(slip.on['winch']?.['slipped']?.steps[0]?.step === 'back')
 * ```
 */
export function back(): Step {
  return { step: 'back' }
}

/**
 * A step that tells every screen that hears the topic.
 *
 * @example
 * ```ts
 * import { topic } from 'caulker'
 * import { contract, announce, screen, twoWay, Type } from 'caulker'
 * const freed = topic('crane-freed', { payload: Type.Integer() })
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   topics: { freed },
 *   actions: ({ cells, topics }) => ({ ease: [announce(topics.freed, cells.turns)] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: actions.ease } } }),
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'announce')
 * ```
 */
export function announce<T, const At extends string>(
  topic: TopicRef<T>,
  ...value: unknown extends T
    ? [value?: unknown]
    : undefined extends T
      ? []
      : [NoInfer<T> | Payload<At> | Followed<NoInfer<T>>]
): StepOf<Carrying<At, T>> {
  return { step: 'announce', topic: asked('announce', 'topic', topic), value: value[0] }
}

/**
 * A step of a component's interior that sends one of its events.
 *
 * @example
 * ```ts
 * import { contract, interior, report, twoWay, Type } from 'caulker'
 * import { nativeNumber } from 'caulker/dom'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Union([Type.Number(), Type.Null()]), default: null } }, events: { slipped: {} } })
 * const inside = interior(winch, {
 *   fittings: { field: nativeNumber },
 *   bind: ({ face }) => ({ field: { value: twoWay(face.values.turns), on: { input: [report(face.events.slipped)] } } }),
 * })
 * console.assert(inside.contract === winch)
 * ```
 */
export function report<T, const At extends string>(
  event: EventRef<T>,
  value?: NoInfer<T> | Payload<At> | Followed<NoInfer<T>>,
): StepOf<Carrying<At, T>> {
  return { step: 'report', event: asked('report', 'event', event), value }
}

/**
 * What the event carried, for `set(cells.note, payload())`; in the steps after a call, what the answer carried.
 *
 * @param at a JSON Pointer into it (RFC 6901), such as `/limit`; all of it where it is left out
 * @example
 * ```ts
 * import { contract, payload, screen, set, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   actions: ({ cells }) => ({ ease: [set(cells.turns, payload())] }),
 *   bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: actions.ease } } }),
 * })
 * console.assert(slip.actions.ease.steps[0]?.step === 'set')
 * ```
 */
export function payload<const At extends string = ''>(at?: At): Payload<At> {
  return { kind: 'payload', at: at ?? ('' as At) }
}

export function isPayload(value: unknown): value is Payload {
  return (
    typeof value === 'object' &&
    value !== null &&
    (value as Payload).kind === 'payload' &&
    typeof (value as Payload).at === 'string' &&
    Object.keys(value).length === 2
  )
}

/** Every step of a list, with those that follow from an answer, in the order in which they are written. */
export function* allSteps(steps: Steps): Iterable<Step> {
  for (const one of steps) {
    yield one
    if (one.step === 'call' || one.step === 'save') {
      yield* allSteps(one.then)
      yield* allSteps(one.fails)
    }
  }
}
