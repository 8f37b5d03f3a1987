import type { CallSite, Machine, PendingCall } from '../../machine/index.js'
import type { Memory } from '../play/memory.js'
import type { Move } from '../play/move.js'
import type { Played } from '../play/play.js'
import type { Plan } from '../play/plan.js'
import type { Kept } from '../play/stage.js'

/** One move of a trail, with what stood before and after it. */
export interface Passage extends Played {
  readonly middle: Kept
  readonly plan: Plan
  /** Nothing for the mount itself. */
  readonly move: Move | undefined
  readonly before: Kept
  readonly after: Kept
  readonly memory: Memory
}

/** What leaks in one passage. */
export interface Leaking {
  /** What tells this leak from others of the invariant: names of cells, fittings and operations. */
  readonly subject: string
  readonly says: string
  /** A mend that knows the case better than the invariant's own. */
  readonly mend?: string
  /** The cells and fittings that a ledger has to show. */
  readonly cells?: readonly number[]
  readonly fittings?: readonly string[]
  /** Where in the wiring it was allowed: the screen, and the names that lead to the line. */
  readonly screen?: number
  readonly path?: readonly string[]
}

export type Watched =
  'everything' | 'edits' | 'presses' | 'sends' | 'calls' | 'answers' | 'failures' | 'ways' | 'faults' | 'holding back'

const HAPPENS: Readonly<Record<Watched, (passage: Passage) => boolean>> = {
  everything: () => true,
  edits: ({ move }) => move !== undefined && 'edit' in move,
  presses: ({ move }) => move !== undefined && 'press' in move,
  sends: ({ happened }) => happened.calls.length > 0,
  calls: ({ happened }) => happened.calls.length > 1,
  answers: ({ move }) => move !== undefined && ('answer' in move || 'late' in move),
  failures: ({ move }) => move !== undefined && ('fail' in move || 'never' in move),
  ways: ({ happened }) => happened.went.length > 0,
  faults: ({ happened }) => happened.faults.length > 0,
  'holding back': ({ happened }) => happened.held.length > 0,
}

/** Whether there is anything to judge in a passage. */
export function happensIn({ watches }: Pick<Invariant, 'watches'>, passage: Passage): boolean {
  return HAPPENS[watches](passage)
}

/** One promise that holds at every move of every rehearsal. */
export interface Invariant {
  readonly id: string
  readonly title: string
  readonly why: string
  readonly mend: string
  /** What has to happen in a move so that it can be judged there. */
  readonly watches: Watched
  judge(passage: Passage): Iterable<Leaking>
}

export function invariant(made: Invariant): Invariant {
  return made
}

/** What was sent in this move: what changes something there, or, with `reads`, what is asked for by an action as well. */
export function* sentIn(
  { plan: { machine }, happened, after }: Passage,
  reads = false,
): Iterable<{
  readonly call: PendingCall
  readonly site: CallSite
  readonly name: string
}> {
  const pending = after.slots[machine.slots.calls] as readonly PendingCall[]
  for (const { id } of happened.calls) {
    const call = pending.find((one) => one.id === id)
    const site = call === undefined ? undefined : machine.sites[call.site]
    if (
      call !== undefined &&
      site !== undefined &&
      (site.operation.effect !== 'reads' || (reads && site.kind !== 'load'))
    )
      yield { call, site, name: site.name }
  }
}

/** The name of a cell as its screen has it. */
export function cellName({ cells }: Machine, cell: number): string {
  return cells[cell]?.name ?? 'a cell'
}

/** The fittings whose reports a cell takes. */
export function editorsOf({ fittings }: Machine, cell: number): string[] {
  return fittings.filter(({ bound }) => bound.some((one) => one.cell === cell)).map(({ name }) => name)
}

/** Where in its screen a call is written: the action, the binding, the load or the submit that sends it. */
export function sentAt(machine: Machine, site: CallSite): Pick<Leaking, 'screen' | 'path'> {
  const { screen } = site
  const at = machine.sites.indexOf(site)
  const plan = machine.screens[screen]
  if (site.kind === 'submit') return { screen, path: ['submit'] }
  if (site.kind === 'load' && site.into >= 0)
    return { screen, path: ['loads', cellName(machine, site.into).split('.').at(-1) ?? ''] }
  const calls = (steps: readonly { readonly site?: number }[]) => steps.some((step) => step.site === at)
  const action = Object.entries(plan?.actions ?? {}).find(([, steps]) => calls(steps as never))
  if (action !== undefined) return { screen, path: ['actions', action[0]] }
  const fitting = machine.fittings.find(
    (one) => one.screen === screen && [...one.hears.values()].some(({ steps }) => calls(steps as never)),
  )
  return { screen, path: fitting === undefined ? ['actions'] : ['bind', fitting.name, 'on'] }
}
