import { ideal, mountIdeal, type Ideal, type IdealState, type MountedIdeal } from '../../ideal/index.js'
import {
  compile,
  driveOver,
  type Amendment,
  type Driver,
  type Fault,
  type FittingPlan,
  type Machine,
  type Refusal,
  type Running,
  type SentCall,
  type State,
  type Wiring,
} from '../../machine/index.js'
import type { Given, Heard } from '../../mount/index.js'

/** A wiring at work over ideal components, all of which can be kept and brought back. */
export interface Stage {
  readonly machine: Machine
  readonly driver: Driver
  /** What happened since it was asked for last. */
  takeHappened(): Happened
  /** The mounted components, by fitting and, of rows, its key: `seam/bow`. */
  parts(): ReadonlyMap<string, Part>
  part(fitting: string, row?: string): Part | undefined
  /** As {@link Stage.part}; throws a CaulkerError `unknown-name` where none is mounted. */
  component(fitting: string, row?: string): Part
  /** What stands now, to be looked at until the next move; {@link Stage.keep} copies it. */
  look(): Kept
  keep(): Kept
  bring(kept: Kept): void
  remove(): void
}

/** One mounted ideal component, and where it stands. */
export interface Part extends MountedIdeal {
  readonly fitting: FittingPlan
  /** Its place among the fittings of the machine. */
  readonly index: number
  readonly row: string | undefined
}

/** Everything that can change, as it was: copies, since the machine writes in place. */
export interface Kept {
  readonly slots: State
  readonly parts: ReadonlyMap<string, KeptPart>
}

export interface KeptPart {
  readonly part: Part
  readonly state: IdealState
}

/** What one move has led to, in its order for each kind. */
export interface Happened {
  readonly told: readonly { fitting: string; row: string | undefined; changes: Readonly<Record<string, unknown>> }[]
  readonly calls: readonly SentCall[]
  readonly aborted: readonly number[]
  readonly faults: readonly Fault[]
  readonly refusals: readonly Refusal[]
  readonly amendments: readonly Amendment[]
  readonly stays: readonly string[]
  readonly went: readonly { from: string; to: string }[]
  readonly problems: readonly { fitting: string; row: string | undefined; text: string }[]
  readonly announced: readonly { topic: string; value: unknown }[]
  readonly commands: readonly { fitting: string; command: string }[]
  /** What the components reported. */
  readonly reports: readonly { fitting: FittingPlan; event: string }[]
  /** Once for each submit that was held back. */
  readonly held: readonly true[]
}

export function stageOf(wiring: Wiring, initial: Readonly<Record<string, unknown>> = {}): Stage {
  const machine = compile(wiring)
  const ideals = machine.fittings.map(({ contract }) => ideal(contract))
  /** The components that were made, by fitting and row: on a screen that comes back they begin anew. */
  const made = machine.fittings.map(() => new Map<string | undefined, Part>())
  let happened: Record<keyof Happened, unknown[]> = NOTHING as never

  function note<K extends keyof Happened>(kind: K, one: Happened[K][number]): void {
    if (happened === (NOTHING as never)) happened = { ...NOTHING } as never
    if (happened[kind] === NONE) happened[kind] = [one]
    else happened[kind].push(one)
  }

  const running: Running = driveOver(
    machine,
    { mount: (fitting, given, hear, row) => mountPart(fitting, given, hear, row) },
    {
      call: (call) => note('calls', call),
      abort: (id) => note('aborted', id),
      stay: ({ reason }) => note('stays', reason),
      go: ({ from, to }) => note('went', { from, to }),
      problem: (fitting, text, row) => note('problems', { fitting, row, text }),
      announce: (topic, value) => note('announced', { topic, value }),
      fault: (fault) => note('faults', fault),
      refused: (refusal) => note('refusals', refusal),
      amended: (amendment) => note('amendments', amendment),
      held: () => note('held', true),
    },
    { initial },
  )

  function mountPart(fitting: FittingPlan, given: object, hear: (heard: Heard) => void, row: string | undefined): Part {
    const ofIts = made[machine.fittings.indexOf(fitting)] as (typeof made)[number]
    const before = ofIts.get(row)
    if (before === undefined) {
      const part = makePart(fitting, given, hear, row)
      ofIts.set(row, part)
      return part
    }
    before.bring(before.component.mount({ ...given }))
    return before
  }

  function makePart(fitting: FittingPlan, given: object, hear: (heard: Heard) => void, row: string | undefined): Part {
    const index = machine.fittings.indexOf(fitting)
    const mounted = mountIdeal(ideals[index] as Ideal, { ...given }, (heard) => {
      note('reports', { fitting, event: heard.event })
      hear(heard)
    })
    const { tell, command } = mounted
    return Object.assign(mounted, {
      fitting,
      index,
      row,
      tell(changes: Given) {
        note('told', { fitting: fitting.name, row, changes })
        tell(changes)
      },
      command(name: string, ...args: unknown[]) {
        note('commands', { fitting: fitting.name, command: name })
        command(name, ...args)
      },
    })
  }

  const { driver } = running
  const mounted = running.mounted as Map<string, Part>
  return {
    machine,
    driver,
    takeHappened() {
      const last = happened as never
      happened = NOTHING as never
      return last
    },
    parts: () => mounted,
    part: (fitting, row) => mounted.get(row === undefined ? fitting : `${fitting}/${row}`),
    component: (fitting, row) => running.component(fitting, row) as Part,
    remove: running.remove,
    look: () => ({ slots: driver.state(), parts: partsNow(mounted) }),
    keep: () => ({ slots: driver.state().slice(), parts: partsNow(mounted) }),
    bring({ slots, parts }) {
      driver.bring(slots)
      if (!isSame(mounted, parts)) {
        mounted.clear()
        for (const [key, { part }] of parts) mounted.set(key, part)
      }
      for (const { part, state } of parts.values()) part.bring(state)
      happened = NOTHING as never
    },
  }
}

function partsNow(mounted: ReadonlyMap<string, Part>): Map<string, KeptPart> {
  const parts = new Map<string, KeptPart>()
  for (const [key, part] of mounted) parts.set(key, { part, state: part.state })
  return parts
}

function isSame(mounted: ReadonlyMap<string, Part>, parts: Kept['parts']): boolean {
  if (mounted.size !== parts.size) return false
  for (const [key, { part }] of parts) if (mounted.get(key) !== part) return false
  return true
}

const NONE: never[] = []
/** For most moves most of it is empty, and then it costs nothing. */
const NOTHING: Happened = {
  told: NONE,
  calls: NONE,
  aborted: NONE,
  faults: NONE,
  refusals: NONE,
  amendments: NONE,
  stays: NONE,
  went: NONE,
  problems: NONE,
  announced: NONE,
  commands: NONE,
  reports: NONE,
  held: NONE,
}
