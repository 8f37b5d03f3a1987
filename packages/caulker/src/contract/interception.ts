import type { ValueClause } from './clauses.js'
import type { Amend, Refuse } from './table/index.js'
import { printed } from './data/print.js'
import { checkOf, typeText, type TSchema } from './data/types.js'
import { bring, crossedText, outsideText, type Limits } from './bounds.js'

/** What became of a proposed value: it stands (perhaps amended), or it is refused with a reason. */
export type Settled =
  { readonly stands: true; readonly value: unknown } | { readonly stands: false; readonly reason: string }

interface Intercepted {
  readonly type: TSchema
  readonly amend: readonly Amend<unknown>[]
  readonly refuse: readonly Refuse<unknown>[]
}

/** The way of every proposal: type check, `amend` in order, bounds and step by `outside`, `refuse` in order. */
export function settle(
  clause: Intercepted,
  proposed: unknown,
  before: unknown,
  bounded?: { clause: ValueClause; limits: Limits; by: 'owner' | 'person' },
): Settled {
  if (!fits(clause.type, proposed)) return refused(`${printed(proposed)} is not of type ${typeText(clause.type)}`)
  let value = proposed
  for (const amend of clause.amend) value = amend(value, before)
  if (value !== proposed && !fits(clause.type, value))
    return refused(`amend made ${printed(value)}, which is not of type ${typeText(clause.type)}`)
  if (bounded !== undefined) {
    const inside = withinLimits(bounded.clause, value, bounded.limits, {
      by: bounded.by,
      movedFrom: bounded.by === 'person' ? before : undefined,
    })
    if (!inside.stands) return inside
    value = inside.value
  }
  for (const refuse of clause.refuse) {
    const reason = reasonAgainst(refuse, value, before)
    if (reason !== undefined) return refused(reason)
  }
  return { stands: true, value }
}

/** Why a value is turned down; nothing where it may pass. Throws where what is given is neither. */
export function reasonAgainst(refuse: Refuse<unknown>, value: unknown, before: unknown): string | undefined {
  const reason: unknown = refuse(value, before)
  if (typeof reason === 'string' && reason !== '') return reason
  // A condition that is written with && gives false, and an empty text says nothing.
  if (reason === undefined || reason === null || reason === false || reason === '') return undefined
  throw new TypeError(`refuse gave ${printed(reason)}, which is no reason to read`)
}

/**
 * What a value becomes at its bounds: brought in, refused or kept, as its clause says. A crossed pair is refused, unless it is known
 * what the person moved it from.
 */
export function withinLimits(
  clause: ValueClause,
  value: unknown,
  limits: Limits,
  { by, movedFrom }: { by: 'owner' | 'person'; movedFrom?: unknown },
): Settled {
  const outcome = by === 'person' ? clause.outside : clause.outsideTold
  if (isKept(outcome)) return { stands: true, value }
  if (outcome === 'clamp') {
    const inside = bring(value, limits, movedFrom)
    const crossed = crossedText(inside, limits)
    return crossed === undefined ? { stands: true, value: inside } : refused(crossed)
  }
  const outside = outsideText(value, limits)
  return outside === undefined ? { stands: true, value } : refused(outside)
}

/** Whether a value outside stands, marked or not. */
export function isKept(outcome: ValueClause['outside']): boolean {
  return outcome === 'keep' || outcome === 'mark'
}

/** Undefined means "not given", which every type allows. */
function fits(type: TSchema, value: unknown): boolean {
  return value === undefined || checkOf(type)(value)
}

function refused(reason: string): Settled {
  return { stands: false, reason }
}
