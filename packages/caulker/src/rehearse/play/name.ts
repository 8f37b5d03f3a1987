import type { Wiring } from '../../machine/index.js'
import { isInterior } from '../../wiring/index.js'

/** The name that a wiring goes by: of an interior, the tag of its component. */
export function nameOfWiring(wiring: Wiring): string {
  return isInterior(wiring) ? wiring.contract.tag : wiring.name
}
