import { equal, isEmpty, valueClauses } from '../../contract/index.js'
import { slotsGiven, type FittingPlan, type PendingCall } from '../../machine/index.js'
import { byForm } from './by-form.js'
import type { Move } from './move.js'
import type { KeptPlay } from './play.js'
import type { Plan } from './plan.js'
import { isAbout, type Purse } from './purse.js'
import { frontOf, shownIn, visibleParts, type VisiblePart } from './sight.js'
import type { KeptPart } from './stage.js'
import { entered, given, samplesFor, type MakeHost } from './values.js'

/** Everything that a person, the owner, the sources and time can do now. */
export function offers(plan: Plan, kept: KeptPlay, purse: Purse, makeHost: MakeHost): Move[] {
  const apart = answersApart(plan, kept, purse, makeHost)
  if (apart !== undefined) return [apart]
  return [
    ...leaves(kept),
    ...(purse.edits > 0 ? edits(plan, kept, purse, makeHost) : []),
    ...presses(kept),
    ...(byForm(plan.machine)[frontOf(kept, plan.machine)] ?? []),
    ...answers(plan, kept, purse, makeHost),
    ...(purse.edits > 0 ? sets(plan, kept, purse, makeHost) : []),
    ...travels(plan, kept),
    ...passes(kept),
  ]
}

function leaves({ focus, parts }: KeptPlay): Move[] {
  const part = focus === undefined ? undefined : parts.get(focus)?.part
  return part === undefined ? [] : [{ leave: part.fitting.name, ...rowOf(part) }]
}

function edits(plan: Plan, kept: KeptPlay, purse: Purse, makeHost: MakeHost): Move[] {
  return operable(kept).flatMap(({ key, part }) => {
    const { fitting } = part.part
    const values = valueClauses(fitting.contract)
    if (isLocked(part, 'readonly')) return []
    return values.flatMap((value) => {
      const link = plan.links[part.part.index]?.find((one) => one.value === value) ?? {
        fitting,
        value,
        cell: -1,
        draft: -1,
        kind: 'heard' as const,
        bound: undefined,
      }
      if (!isAbout(plan, purse, link.cell)) return []
      const shown = shownIn(kept, key, value.name)
      return entered(plan, link, part, makeHost)
        .filter((to) => !equal(to, shown))
        .map((to): Move => ({ edit: `${fitting.name}.${value.name}`, to, ...rowOf(part.part) }))
    })
  })
}

/** What is rendered and not disabled; of rows, only the first: the others are like it. */
function operable(kept: KeptPlay): readonly VisiblePart[] {
  return visibleParts(kept).filter(({ part }) => !isLocked(part, 'disabled') && isFirstRow(kept, part))
}

function isFirstRow({ slots }: KeptPlay, { part }: KeptPart): boolean {
  const { rows } = part.fitting
  if (rows === undefined || part.row === undefined) return true
  return (slots[rows.placed] as readonly string[])[0] === part.row
}

function isLocked({ part, state }: KeptPart, lock: 'readonly' | 'disabled'): boolean {
  const { locks } = part.fitting.contract
  return [locks.disabled, lock === 'readonly' ? locks.readonly : undefined].some(
    (name) => name !== undefined && part.component.standing(state, name) === true,
  )
}

/** The events that somebody hears and that report no value. */
function presses(kept: KeptPlay): Move[] {
  return operable(kept).flatMap(({ part }) => {
    const { fitting } = part.part
    return [...fitting.hears]
      .filter(([event, { steps }]) => steps.length > 0 && isOwn(fitting, event))
      .map(([event]): Move => ({
        press: event === 'press' ? fitting.name : `${fitting.name}.${event}`,
        ...carried(fitting, event),
        ...rowOf(part.part),
      }))
  })
}

function isOwn({ contract }: FittingPlan, event: string): boolean {
  return !valueClauses(contract).some((value) => value.event === event) && Object.hasOwn(contract.events, event)
}

function carried({ contract }: FittingPlan, event: string): { with?: unknown } {
  const payload = contract.events[event]?.payload
  const samples = payload === undefined ? [] : samplesFor(payload)
  return event === 'press' || samples.length === 0 ? {} : { with: samples[0] }
}

/** Once a trail is about one part, what is loaded into another comes at once: when it does makes no difference here. */
function answersApart(plan: Plan, kept: KeptPlay, purse: Purse, makeHost: MakeHost): Move | undefined {
  if (purse.part < 0) return undefined
  const { machine } = plan
  const call = (kept.slots[machine.slots.calls] as readonly PendingCall[]).find(({ site, isExpired, isWaiting }) => {
    const { kind, into = -1 } = machine.sites[site] ?? {}
    return kind === 'load' && !isExpired && !isWaiting && !isAbout(plan, purse, into)
  })
  const site = call && machine.sites[call.site]
  if (call === undefined || site === undefined) return undefined
  return {
    answer: site.name,
    given: given(site.operation.gives, machine.cells[site.into]?.initial, makeHost),
  }
}

function answers(plan: Plan, kept: KeptPlay, purse: Purse, makeHost: MakeHost): Move[] {
  const { machine } = plan
  const turns = new Map<string, number>()
  return (kept.slots[machine.slots.calls] as readonly PendingCall[]).flatMap((call): Move[] => {
    const site = machine.sites[call.site]
    if (site === undefined || call.isWaiting) return []
    const { name } = site
    const answer = given(site.operation.gives, machine.cells[site.into]?.initial, makeHost)
    if (call.isExpired) return [{ late: name, given: answer }]
    const turn = turns.get(name) ?? 0
    turns.set(name, turn + 1)
    const which = turn === 0 ? {} : { which: turn }
    const good: Move = { answer: name, given: answer, ...which }
    if (purse.failures === 0 || (site.kind === 'load' && !isAbout(plan, purse, site.into))) return [good]
    const [member] = slotsGiven(site.given).find(([, slot]) => slot < machine.cells.length) ?? []
    return [
      good,
      { fail: name, because: 'the office is closed', ...which },
      ...(member === undefined || member === ''
        ? []
        : [
            {
              fail: name,
              because: 'it was turned down',
              problems: { [`/${member}`]: 'the office does not take this' },
              ...which,
            },
          ]),
      { never: name, ...which },
    ]
  })
}

/** What only the owner changes. */
function sets(plan: Plan, kept: KeptPlay, purse: Purse, makeHost: MakeHost): Move[] {
  const { machine, outside } = plan
  const front = frontOf(kept, machine)
  return outside.flatMap((at): Move[] => {
    const cell = machine.cells[at]
    if (cell === undefined || (cell.screen >= 0 && cell.screen !== front)) return []
    if (!isAbout(plan, purse, at)) return []
    const name =
      cell.screen < 0 || machine.screens.length === 1 ? cell.name : cell.name.slice(cell.name.indexOf('.') + 1)
    const samples = samplesFor(cell.type, makeHost)
    const least = samples
      .filter((one) => typeof one === 'number' && one >= 0)
      .sort((one, other) => Number(one) - Number(other))[0]
    const all = [samples.find((one) => !isEmpty(one)), samples.find((one) => isEmpty(one)), least]
    return all
      .filter((one, place) => one !== undefined && all.indexOf(one) === place && !equal(one, kept.slots[at]))
      .map((to): Move => ({ set: { [name]: to } }))
  })
}

function travels({ machine }: Plan, { slots }: KeptPlay): Move[] {
  if (machine.kind !== 'journey') return []
  const { entries, at } = slots[machine.slots.way] as { entries: readonly number[]; at: number }
  return [
    ...(at > 0 ? [{ travel: 'back' } as const] : []),
    ...(at < entries.length - 1 ? [{ travel: 'forward' } as const] : []),
  ]
}

/** Time matters where a report is held back. */
function passes({ parts }: KeptPlay): Move[] {
  const waits = [...parts.values()].flatMap(({ part, state }) =>
    part.component.isPending(state) ? valueClauses(part.fitting.contract).map(({ within }) => within ?? 0) : [],
  )
  const most = Math.max(0, ...waits)
  return most === 0 ? [] : [{ pass: most }]
}

function rowOf({ row }: { readonly row: string | undefined }): { row?: string } {
  return row === undefined ? {} : { row }
}
