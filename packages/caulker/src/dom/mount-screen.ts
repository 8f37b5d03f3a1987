import { CaulkerError, hint } from '../words/index.js'
import { type AnyContract } from '../contract/index.js'
import { compile, drive, faultText, type Amendment, type Driver, type Fault, type Refusal } from '../machine/index.js'
import type { AnyScreen, Screen } from '../wiring/index.js'
import { elementMount } from './element-mount.js'
import type { Mount, Mounted } from '../mount/index.js'

export interface MountScreenOptions {
  /** Where some cells start instead of at their initial values. */
  readonly initial?: Readonly<Record<string, unknown>>
  /** Mounts for fittings that are no elements, by fitting. */
  readonly mounts?: Readonly<Record<string, Mount>>
  /** Is told of what was thrown by reckoned cells, handlers and components; by default it goes to the console. */
  readonly onFault?: (fault: Fault) => void
  /** Is told of a proposed value that was turned down, and why. */
  readonly onRefused?: (refusal: Refusal) => void
  /** Is told of a proposed value that was made right, and what stands instead. */
  readonly onAmended?: (amendment: Amendment) => void
  /** Is called when a change and all that follows from it have settled. */
  readonly onSettled?: () => void
}

type CellsOf<S> = S extends { readonly types?: { cells: infer C } } ? C : never
type ReckonedOf<S> = S extends Screen<any, any, infer D, any> ? keyof D & string : never
type ActionsOf<S> = S extends Screen<any, any, any, infer A> ? keyof A & string : never

/** A screen at work on a page. */
export interface MountedScreen<S extends AnyScreen> {
  read<K extends Extract<keyof CellsOf<S>, string>>(cell: K): CellsOf<S>[K]
  read(reckoned: ReckonedOf<S>): unknown
  /** Sets a cell; gives why that was turned down, where it was. */
  set<K extends Extract<keyof CellsOf<S>, string>>(cell: K, value: CellsOf<S>[K]): string | undefined
  act(action: ActionsOf<S>): void
  /** What one fitting says that its property or value is, for a look from outside. */
  component(fitting: string): Mounted
  remove(): void
}

/**
 * Mounts a screen on markup: each fitting on the element that carries its name in `data-fitting`.
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
  options: MountScreenOptions = {},
): MountedScreen<S> {
  const machine = compile(screen)
  const onFault = options.onFault ?? ((fault) => console.error(`${screen.name}: ${faultText(fault)}`))
  const mounted = new Map<string, Mounted>()
  const driver: Driver = drive(
    machine,
    {
      tell: (fitting, changes) => mounted.get(fitting)?.tell(changes),
      command: (fitting, name, args) => mounted.get(fitting)?.command(name, ...args),
      read: (fitting, name) => mounted.get(fitting)?.read(name),
      fault: onFault,
      refused: options.onRefused ?? (() => undefined),
      amended: options.onAmended ?? (() => undefined),
      settled: options.onSettled ?? (() => undefined),
    },
    { initial: options.initial ?? {}, isMounting: true },
  )
  const removeAll = () => {
    driver.end()
    mounted.forEach((one) => one.remove())
  }
  try {
    for (const { name, contract } of machine.fittings) {
      const mount = options.mounts?.[name] ?? elementMount({ element: elementFor(screen, root, name, contract) })
      mounted.set(
        name,
        mount(contract, driver.given(name), ({ event, payload, values, veto }) => {
          if (veto !== undefined && driver.vetoes(name, event, payload)) veto()
          driver.hear(name, event, payload, values)
        }),
      )
    }
  } catch (thrown) {
    // A mount that fails leaves nothing behind.
    removeAll()
    throw thrown
  }
  driver.begin()
  return {
    read: (name: string) => driver.read(name) as never,
    set: (cell, value) => driver.set(cell, value),
    act: (action) => driver.act(action),
    component(fitting) {
      const found = mounted.get(fitting)
      if (found === undefined)
        throw new CaulkerError(
          'unknown-name',
          `screen '${screen.name}' has no fitting '${fitting}'${hint(fitting, mounted.keys())}`,
        )
      return found
    },
    remove: removeAll,
  }
}

function elementFor(screen: AnyScreen, root: ParentNode, name: string, contract: AnyContract): Element {
  const all = [...root.querySelectorAll('[data-fitting]')]
  const found = all.filter((element) => element.getAttribute('data-fitting') === name)
  if (found.length === 1) return found[0] as Element
  const there = all.map((element) => element.getAttribute('data-fitting') ?? '')
  throw new CaulkerError(
    'missing-fitting',
    found.length === 0
      ? `screen '${screen.name}': the markup has no element with data-fitting="${name}" for '${contract.tag}'${hint(name, there)}`
      : `screen '${screen.name}': the markup has ${found.length} elements with data-fitting="${name}"; a fitting stands on one`,
  )
}
