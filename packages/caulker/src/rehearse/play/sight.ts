import { entries, keyOf, memberOf, type BoundName, type Machine, type Problem } from '../../machine/index.js'
import type { Kept, KeptPart } from './stage.js'
import type { Link } from './link.js'
import type { Plan } from './plan.js'

/** The key of a mounted component: its fitting, and of rows the entry. */
export function keyed(fitting: string, row: string | undefined): string {
  return row === undefined ? fitting : `${fitting}/${row}`
}

/** What a person sees in a field: what is being typed, else what stands there. */
export function shownIn({ parts }: Kept, key: string, name: string): unknown {
  const kept = parts.get(key)
  if (kept === undefined) return undefined
  const { component } = kept.part
  const open = component.unfinished(kept.state, name)
  return open === undefined ? component.standing(kept.state, name) : open.value
}

/** What the owner holds for a bound name. */
export function heldFor({ slots }: Kept, machine: Machine, bound: BoundName, row: string | undefined): unknown {
  if (bound.member === undefined) return slots[bound.source]
  const key = machine.fittings[bound.fitting]?.rows?.key
  const entry = entries(slots[bound.source]).find((one) => key !== undefined && keyOf(one, key) === row)
  return memberOf(entry, bound.member)
}

export function frontOf({ slots }: Kept, { slots: places }: Machine): number {
  return slots[places.front] as number
}

/** Whether a fitting is rendered now. */
export function isThere(
  { slots }: Kept,
  { shown }: { readonly shown: { readonly slot: number } | undefined },
): boolean {
  return shown === undefined || slots[shown.slot] === true
}

/** A component that a person sees, with its key. */
export interface VisiblePart {
  readonly key: string
  readonly part: KeptPart
}

export interface VisibleLink {
  readonly key: string
  readonly link: Link
  readonly kept: KeptPart
}

const partsSeen = new WeakMap<Kept, readonly VisiblePart[]>()
const linksSeen = new WeakMap<Kept, readonly VisibleLink[]>()

/** Every component that a person sees, with its place in the wiring. */
export function visibleParts(kept: Kept): readonly VisiblePart[] {
  const before = partsSeen.get(kept)
  if (before !== undefined) return before
  const seen: VisiblePart[] = []
  for (const [key, part] of kept.parts) if (isThere(kept, part.part.fitting)) seen.push({ key, part })
  partsSeen.set(kept, seen)
  return seen
}

/** The links of what a person sees, with the key of their component. */
export function visibleLinks(plan: Plan, kept: Kept): readonly VisibleLink[] {
  const before = linksSeen.get(kept)
  if (before !== undefined) return before
  const seen: VisibleLink[] = []
  for (const { key, part } of visibleParts(kept))
    for (const link of plan.links[part.part.index] ?? []) seen.push({ key, link, kept: part })
  linksSeen.set(kept, seen)
  return seen
}

/** Whether a person is in the middle of something in a field, or it has not been put right yet. */
export function isMarked({ slots }: Pick<Kept, 'slots'>, machine: Machine, fitting: number): boolean {
  const screen = machine.screens[machine.fittings[fitting]?.screen ?? -1]
  const marks = slots[screen?.slots.unfinished ?? -1] as Readonly<Record<number, unknown>> | undefined
  return marks?.[fitting] !== undefined
}

/** What is wrong on a screen, by place. */
export function problemsOn({ slots }: Kept, machine: Machine, screen: number): Readonly<Record<string, Problem>> {
  return slots[machine.screens[screen]?.slots.problems ?? -1] as Readonly<Record<string, Problem>>
}
