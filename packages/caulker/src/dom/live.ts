import {
  driveOver,
  faultText,
  type Amendment,
  type Driver,
  type DriveOptions,
  type Fault,
  type Machine,
  type OtherHost,
  type Refusal,
  type Running,
} from '../machine/index.js'
import type { Mount, Mounted } from '../mount/index.js'
import { followOver, type Followable } from './follow.js'
import { groundOf, type GroundParts } from './ground.js'
import { documentOf } from './placing.js'
import { callsOver, type AnyAnswering } from './sources.js'
import { joinTopics } from './topics.js'

/** What a mounted screen and a mounted journey are given alike. */
export interface LiveOptions {
  /** Where some cells start instead of at their initial values. */
  readonly initial?: Readonly<Record<string, unknown>>
  /** Mounts for fittings that are no elements, by fitting. */
  readonly mounts?: Readonly<Record<string, Mount>>
  /** How long may be waited, in milliseconds: for an answer (30,000), and for a field that is being committed (5,000). */
  readonly limits?: { readonly answer?: number; readonly commit?: number }
  /** Is told of what was thrown by reckoned cells, handlers and components; by default it goes to the console. */
  readonly onFault?: (fault: Fault) => void
  /** Is told of a proposed value that was turned down, and why. */
  readonly onRefused?: (refusal: Refusal) => void
  /** Is told of a proposed value that was made right, and what stands instead. */
  readonly onAmended?: (amendment: Amendment) => void
  /** Is called when a change and all that follows from it have settled. */
  readonly onSettled?: () => void
}

/** A wiring at work on a page. */
export interface Live {
  readonly driver: Driver
  component(fitting: string, row?: string): Mounted
  /** Resolves when nothing is pending: no call is out, and nothing is being committed. */
  settled(): Promise<void>
  whenSettled(look: () => void): () => void
  follow(names: readonly string[]): Followable
  remove(): void
}

export interface LiveParts extends Pick<GroundParts, 'enter' | 'leave'> {
  readonly options: LiveOptions
  readonly answering: AnyAnswering
  readonly drive?: Pick<DriveOptions, 'stored'>
  readonly host?: Pick<OtherHost, 'go' | 'stay' | 'report' | 'allows' | 'settled'>
}

/** Runs a machine over the elements of a page. */
export function liveOver(machine: Machine, parts: LiveParts): Live {
  const { options } = parts
  const onFault = options.onFault ?? ((fault) => console.error(`${machine.name}: ${faultText(fault)}`))
  const ended = new AbortController()
  const quiet = quietness(() => driver)
  // What is called while the machine is being mounted waits until it is there.
  const late: (() => void)[] = []
  let driver: Driver | undefined
  const calls = callsOver(parts.answering, () => driver as Driver, options.limits?.answer ?? 30_000, onFault)
  const ground = groundOf(machine, { ...parts, mounts: options.mounts, driver: () => driver })
  const topics = joinTopics(
    machine,
    () => documentOf(ground.root()),
    (topic, value) => driver?.topic(topic, value),
  )

  const run = () =>
    driveOver(
      machine,
      ground.crew,
      {
        ...parts.host,
        ...ground.shows,
        call: (call) => (driver === undefined ? void late.push(() => calls.send(call)) : calls.send(call)),
        abort: (id) => calls.abort(id),
        announce: (topic, value) => topics.announce(topic, value),
        fault: onFault,
        refused: options.onRefused ?? (() => undefined),
        amended: options.onAmended ?? (() => undefined),
        settled() {
          parts.host?.settled?.()
          options.onSettled?.()
          quiet.settled()
        },
      },
      {
        initial: options.initial ?? {},
        stored: parts.drive?.stored,
        commits: { limit: options.limits?.commit ?? 5000, wait: afterTime },
      },
    )
  let running: Running
  try {
    running = run()
  } catch (thrown) {
    // A mount that fails leaves nothing behind.
    ground.clear()
    calls.abortAll()
    throw thrown
  }
  driver = running.driver
  topics.join()
  for (const send of late) send()
  return {
    driver,
    component: running.component,
    settled: () => quiet.come(ended.signal),
    whenSettled: quiet.whenSettled,
    follow: (names) => followOver(running.driver, names, ended.signal),
    remove() {
      running.remove()
      calls.abortAll()
      topics.stop()
      ground.clear()
      ended.abort()
      quiet.end()
    },
  }
}

function afterTime(milliseconds: number, then: () => void): () => void {
  const timer = setTimeout(then, milliseconds)
  return () => clearTimeout(timer)
}

/** Who waits until nothing is pending, and who looks each time that something has settled. */
function quietness(driver: () => Driver | undefined) {
  const waiting = new Set<() => void>()
  const looks = new Set<() => void>()
  const isQuiet = () => driver()?.pending().length === 0 && driver()?.isSending() === false
  const wakeAll = () => {
    for (const wake of waiting) wake()
    waiting.clear()
  }
  return {
    come: (ended: AbortSignal) =>
      new Promise<void>((resolve) => {
        if (ended.aborted || isQuiet()) resolve()
        else waiting.add(resolve)
      }),
    whenSettled(look: () => void) {
      looks.add(look)
      return () => void looks.delete(look)
    },
    settled() {
      if (looks.size > 0) for (const look of looks) look()
      if (waiting.size > 0 && isQuiet()) wakeAll()
    },
    end() {
      looks.clear()
      wakeAll()
    },
  }
}
