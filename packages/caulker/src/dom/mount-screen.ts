import { CaulkerError } from '../words/index.js'
import { compile, type Driver, type OpenDraft } from '../machine/index.js'
import type { Mounted } from '../mount/index.js'
import type { Answering, AnyScreen, ValueOf } from '../wiring/index.js'
import type { Followable } from './follow.js'
import { liveOver, type Live, type LiveOptions } from './live.js'

export interface MountScreenOptions<O = unknown> extends LiveOptions {
  /** What answers for the sources of the screen: a function for each operation. */
  readonly sources?: Answering<O>
}

type CellsOf<S> = S extends { readonly types?: { cells: infer C } } ? C : never
type ReckonedOf<S> = S extends { readonly reckoned: infer D } ? keyof D & string : never
/** What a reckoned cell comes to. */
type ReckonedIn<S, K> = S extends { readonly reckoned: infer D }
  ? K extends keyof D
    ? ValueOf<D[K]>
    : unknown
  : unknown
type ActionsOf<S> = S extends { readonly actions: infer A } ? keyof A & string : never
type FittingsOf<S> = S extends { readonly fittings: infer U } ? keyof U & string : never
export type SourcesOf<S> = S extends { readonly sources: infer O } ? O : never

/** One bound name of a fitting: what its owner holds, and what the component says. */
export interface Side {
  readonly fitting: string
  readonly row: string | undefined
  readonly name: string
  /** Whether edits come back. */
  readonly isShared: boolean
  /** Whether it is given once and for all. */
  readonly isConstant: boolean
  readonly owner: unknown
  readonly component: unknown
}

/** What can be seen and done from outside on a mounted screen and on a mounted journey alike. */
export interface MountedLive {
  /** What is wrong with a field, or with the screen itself where no fitting is named; empty where nothing is. */
  problem(fitting?: string, row?: string): string
  /** The open draft of a fitting's value; nothing while it is closed. */
  draft(fitting: string, value: string): OpenDraft | undefined
  drafts(): readonly { readonly name: string; readonly draft: OpenDraft }[]
  /** The calls that are out. */
  pending(): readonly { readonly operation: string; readonly given: unknown }[]
  /** Owner and component side by side: every name that is bound on the screen in front. */
  sides(): readonly Side[]
  submit(): void
  reset(): void
  /** Resolves when nothing is pending: no call is out, and nothing is being committed. */
  settled(): Promise<void>
  /** Calls the function whenever something has changed and settled, until the function that it gives is called. */
  whenSettled(look: () => void): () => void
  /** Follows cells, reckoned cells and values of fittings (`bales.count`) by name; all of them where none is named. */
  follow(...names: string[]): Followable
  /** One mounted component, for a look from outside; of rows, the one with the key. */
  component(fitting: string, row?: string): Mounted
  remove(): void
}

/** A screen at work on a page. */
export interface MountedScreen<S extends AnyScreen> extends MountedLive {
  read<K extends Extract<keyof CellsOf<S>, string>>(cell: K): CellsOf<S>[K]
  read<K extends ReckonedOf<S>>(reckoned: K): ReckonedIn<S, K>
  /** Sets a cell; gives why that was turned down, where it was. */
  set<K extends Extract<keyof CellsOf<S>, string>>(cell: K, value: CellsOf<S>[K]): string | undefined
  /** Sets several cells in one transaction; gives why the first that was turned down was. */
  setAll(changes: { readonly [K in keyof CellsOf<S>]?: CellsOf<S>[K] }): string | undefined
  act(action: ActionsOf<S>): void
  component(fitting: FittingsOf<S>, row?: string): Mounted
}

/**
 * Mounts a screen on markup: each fitting on the element that carries its name in `data-fitting`, entries of a list on copies of
 * `<template data-rows="name">`, and what is wrong with a field in `data-problem`.
 *
 * Throws a {@link CaulkerError} `missing-fitting` where the markup has no element for a fitting.
 *
 * @example
 * ```ts
 * import { screen, twoWay, Type } from 'caulker'
 * import { mountScreen, nativeText } from 'caulker/dom'
 * document.body.innerHTML = '<label>Vessel <input data-fitting="vessel"></label>'
 * const slip = screen('slipway', {
 *   cells: { vessel: { type: Type.String(), initial: 'Bittern' } },
 *   fittings: { vessel: nativeText },
 *   bind: ({ cells }) => ({ vessel: { value: twoWay(cells.vessel) } }),
 * })
 * const mounted = mountScreen(slip, document.body)
 * mounted.set('vessel', 'Heron')
 * console.assert(document.querySelector('input')?.value === 'Heron')
 * ```
 */
export function mountScreen<S extends AnyScreen>(
  screen: S,
  root: ParentNode,
  options: MountScreenOptions<SourcesOf<S>> = {},
): MountedScreen<S> {
  const live = liveOver(compile(screen), {
    options,
    answering: (options.sources ?? {}) as never,
    enter: () => root,
  })
  const { driver } = live
  return {
    ...outside(live),
    read: (name: string) => driver.read(name) as never,
    set: (cell, value) => driver.set(cell, value),
    setAll: (changes) => driver.setAll(changes as Readonly<Record<string, unknown>>),
    act: (action) => driver.act(action),
  }
}

const DRIVER = Symbol('what drives it')

/** What drives a mounted screen or journey: for what looks on from outside, such as a recorder. */
export function driverOf(mounted: object): Driver {
  const driver = (mounted as { [DRIVER]?: Driver })[DRIVER]
  if (driver !== undefined) return driver
  throw new CaulkerError('bad-argument', 'expected what mountScreen(…) or mountJourney(…) returned')
}

/** What screens and journeys let be seen and done alike. */
export function outside({ driver, component, settled, whenSettled, follow, remove }: Live): MountedLive {
  return {
    problem: driver.problem,
    draft: driver.draft,
    drafts: driver.drafts,
    pending: driver.pending,
    sides: () =>
      driver.sides().map((side) => ({ ...side, component: component(side.fitting, side.row).read(side.name) })),
    submit: driver.submit,
    reset: () => driver.reset(),
    settled,
    whenSettled,
    follow: (...names) => follow(names),
    component,
    remove,
    [DRIVER]: driver,
  } as MountedLive
}
