import { placeOf, type Place } from '../../contract/index.js'
import { compile, type Wiring } from '../../machine/index.js'
import { isJourney } from '../../wiring/index.js'
import type { Leaking } from '../invariants/index.js'

/** Where a leak was allowed: the place of the screen, and the names that lead from it to the line. */
export function whereOf(
  wiring: Wiring,
  { screen = -1, path = [] }: Pick<Leaking, 'screen' | 'path'>,
): { readonly place: Place | undefined; readonly path: readonly string[]; readonly screen: string } {
  const machine = compile(wiring)
  const of = machine.screens[screen]
  const written = of === undefined || (screen < 0 && isJourney(wiring)) ? wiring : of.screen
  return { place: placeOf(written), path, screen: of?.name ?? machine.name }
}
