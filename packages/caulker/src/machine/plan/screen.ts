import type { AnyContract } from '../../contract/index.js'
import {
  inRankOrder,
  isStateToken,
  type Action,
  type AnyScreen,
  type Binding,
  type Reckoned,
} from '../../wiring/index.js'
import { planFitting } from './fitting.js'
import type { ResetPlan, ScreenPlan, ScreenSlots } from './machine.js'
import type { Building, Part } from './part.js'
import { planLoad, planSteps, planSubmit } from './steps.js'
import { stateSlot } from './states.js'

export function planScreen(
  building: Building,
  at: number,
  name: string,
  screen: AnyScreen,
  cells: ReadonlyMap<string, number>,
): ScreenPlan {
  const named = (own: string) => (building.screens.length === 1 ? own : `${name}.${own}`)
  const slot = (own: string, initial: unknown) => building.slots.add(named(own), initial)
  const slots: ScreenSlots = {
    touched: slot('(touched)', {}),
    problems: slot('(problems)', {}),
    saved: slot('(saved)', {}),
    phase: slot('(submit)', ''),
    tried: slot('(tried)', false),
    unfinished: slot('(unfinished)', {}),
  }
  const fittings = new Map(Object.keys(screen.fittings).map((own, index) => [own, building.fittings.length + index]))
  const reckonedSlots = new Map<unknown, number>()
  const part: Part = {
    building,
    at,
    screen,
    cells,
    fittings,
    slots,
    edited: editedIn(screen, cells),
    fields: editedIn(screen, cells, (binding) => binding.source.row === undefined),
    drafts: draftsIn(building, at, screen, cells, fittings, named),
    named,
    slotOf(source) {
      if (source.kind === 'cell') return cells.get(source.name)
      const known = reckonedSlots.get(source) ?? reckonedSlots.get(screen.reckoned[source.name])
      if (known !== undefined || !isStateToken(source)) return known
      const made = stateSlot(part, source)
      if (made !== undefined) reckonedSlots.set(source, made)
      return made
    },
  }
  const names = new Map<string, number>()
  for (const one of inRankOrder(Object.values<Reckoned<unknown>>(screen.reckoned))) {
    if (isStateToken(one)) {
      const made = part.slotOf(one)
      if (made !== undefined && screen.reckoned[one.name] === one) names.set(one.name, made)
      continue
    }
    const inputs = one.inputs.map((input) => part.slotOf(input as never))
    const made = slot(one.name, undefined)
    reckonedSlots.set(one, made)
    names.set(one.name, made)
    if (inputs.every((input) => input !== undefined))
      building.reckoned.push({ name: named(one.name), slot: made, inputs, compute: one.compute as never })
  }
  for (const [own, contract] of Object.entries<AnyContract>(screen.fittings))
    building.fittings.push(planFitting(part, own, contract))

  const stepsOf = (section: Readonly<Record<string, Action>>) =>
    Object.fromEntries(Object.entries(section).map(([own, action]) => [own, planSteps(part, action.steps)]))
  return {
    name,
    screen,
    places: { cells, reckoned: names, fittings },
    fittings: [...fittings.values()],
    actions: stepsOf(screen.actions as Record<string, Action>),
    commands: stepsOf(screen.commands),
    enters: planSteps(part, screen.enters.steps),
    hears: new Map(Object.entries(stepsOf(screen.hears)).map(([own, steps]) => [topicOf(screen, own), steps])),
    loads: Object.entries(screen.loads).flatMap(([cell, load]) => planLoad(part, cell, load)),
    submit: planSubmit(part),
    reset: resetOf(part),
    edited: part.edited,
    fields: part.fields,
    slots,
  }
}

/** A screen may call a topic by a name of its own. */
function topicOf({ topics }: AnyScreen, name: string): string {
  return topics[name]?.name ?? name
}

type Editing = Extract<Binding, { kind: 'two-way' | 'draft' }>

function editedIn(
  { bindings }: AnyScreen,
  cells: ReadonlyMap<string, number>,
  isMeant: (binding: Editing) => boolean = () => true,
): number[] {
  const edited = Object.values(bindings).flatMap((names) =>
    Object.values(names).flatMap((binding) =>
      (binding.kind === 'two-way' || binding.kind === 'draft') && isMeant(binding)
        ? [cells.get(binding.source.name) ?? -1]
        : [],
    ),
  )
  return [...new Set(edited)].filter((cell) => cell >= 0)
}

function draftsIn(
  { slots, drafts }: Building,
  screenAt: number,
  screen: AnyScreen,
  cells: ReadonlyMap<string, number>,
  fittings: ReadonlyMap<string, number>,
  named: (own: string) => string,
): Map<string, number> {
  const found = new Map<string, number>()
  for (const [fitting, names] of Object.entries(screen.bindings))
    for (const [name, binding] of Object.entries(names)) {
      const cell = binding.kind === 'draft' ? cells.get(binding.source.name) : undefined
      if (binding.kind !== 'draft' || cell === undefined) continue
      const own = named(`${fitting}.${name} (draft)`)
      const slot = slots.add(own, undefined)
      const { member } = binding.source
      const key = screen.rows[fitting]?.key
      const row = member === undefined || key === undefined ? undefined : { key, member }
      found.set(
        `${fitting}.${name}`,
        drafts.push({ name: own, slot, cell, fitting: fittings.get(fitting) ?? -1, screen: screenAt, row }) - 1,
      )
    }
  return found
}

function resetOf({ screen, cells }: Part): ResetPlan | undefined {
  const { reset } = screen
  if (reset === undefined) return undefined
  const names = (reset.cells ?? [...cells.keys()]).filter((name) => !reset.leaves.includes(name))
  return { to: reset.to, cells: names.flatMap((name) => cells.get(name) ?? []) }
}
