import { messageOf } from 'caulker/inside/words'
import { designOf } from 'caulker/inside/check'
import { refuseUndefined } from 'caulker/inside/dom'
import {
  adoptDefined,
  probe,
  type Adopted,
  type Frames,
  type Hands,
  type NamedGesture,
  type ProbeReport,
} from 'caulker/inside/probe'
import { playAllLive, type PlayedLive } from 'caulker/inside/live'
import { stepText } from 'caulker/inside/probe'
import { watchClosing } from './closing-dialogs.js'
import { installNoDialogs } from './no-dialogs.js'
import { installClock } from './probe-clock.js'
import { brokeOff, brokenAt, wiringIn, type BrokenStep, type Plays } from './probe-job.js'

/** What a page is asked to probe; its modules are loaded by the functions that the bundle brings. */
export interface PageJob {
  readonly tag: string
  readonly seed: number
  readonly moves?: number
  readonly clauses: readonly string[] | undefined
  readonly gestures: readonly NamedGesture[]
  readonly trusted?: boolean
  readonly broken: readonly BrokenStep[]
  readonly adopts?: readonly string[]
  readonly plays?: Plays
}

export type PageModule = () => Promise<Record<string, unknown>>
export type PageResult =
  | { readonly report: ProbeReport }
  | { readonly adopted: readonly Adopted[] }
  | { readonly played: readonly PlayedLive[] }
  | { readonly failed: string; readonly module: number }

// Taken before any component is loaded, so that none can replace what the probe itself needs.
const requestFrame = globalThis.requestAnimationFrame.bind(globalThis)
const channel = new MessageChannel()
const clock = installClock()

installNoDialogs(globalThis as never)

/** Only what observes the layout, or moves by itself, has to wait for frames that are really drawn; all else is told of frames by the clock. */
let observers = 0
for (const name of ['ResizeObserver', 'IntersectionObserver'] as const) {
  const Observer = globalThis[name]
  globalThis[name] = class extends (Observer as typeof ResizeObserver) {
    constructor(callback: ResizeObserverCallback) {
      super(callback)
      observers++
    }
  } as never
}

const clocked = clock.frames(nextTurn, (error) =>
  globalThis.dispatchEvent(new ErrorEvent('error', { error, cancelable: true })),
)
const closing = watchClosing(globalThis)
const isDrawn = () => observers > 0 || document.getAnimations().length > 0 || closing.isAny()
const frames: Frames = {
  ...clocked,
  isStill: () => clock.waiting() === 0 && !isDrawn(),
  async next() {
    if (isDrawn()) await new Promise((resolve) => requestFrame(resolve))
    closing.drawn()
    return clocked.next()
  },
}

/** Each message is one turn for whoever has waited longest, so that two who wait at once both go on. */
const turns: (() => void)[] = []
channel.port1.onmessage = () => turns.shift()?.()

function nextTurn(): Promise<void> {
  return new Promise((resolve) => {
    turns.push(resolve)
    channel.port2.postMessage(null)
  })
}

/** The hands that the program outside the page lends. */
const hands: Hands = (acts) => (globalThis as never as { caulkerHands: Hands }).caulkerHands(acts)

/** Runs one job in this page: the contract's module first, then the modules that define elements. */
export async function runJob(
  job: PageJob,
  modules: readonly PageModule[],
  beat: (step: string) => void,
): Promise<PageResult> {
  if (job.adopts !== undefined) return adoptAll(job.adopts, modules, beat)
  if (job.plays !== undefined) return playAll(job.plays, modules, beat)
  let loading = 0
  try {
    const [contracts, ...defines] = modules
    const contract = designOf((await contracts?.()) ?? {}).contracts.find((one) => one.tag === job.tag)
    if (contract === undefined) throw new Error(`there is no contract '${job.tag}' here any more`)
    for (const define of defines) {
      loading++
      await define()
    }
    loading = 0
    refuseUndefined(contract)
    const report = await probe(contract, {
      frames,
      seed: job.seed,
      ...(job.moves === undefined ? {} : { moves: job.moves }),
      gestures: job.gestures,
      ...(job.trusted === true ? { hands } : {}),
      ...(job.clauses === undefined ? {} : { clauses: job.clauses }),
      onStep: (trail, row) => beat(stepText(contract, trail, row)),
      breaks: (trail, row) => brokenAt(job.broken, stepText(contract, trail, row)),
    }).catch((thrown: unknown) => {
      throw brokeOff(job.tag, thrown)
    })
    return { report }
  } catch (thrown) {
    return { failed: messageOf(thrown), module: loading }
  }
}

async function playAll(
  { of, scripts }: Plays,
  modules: readonly PageModule[],
  beat: (step: string) => void,
): Promise<PageResult> {
  let loading = 0
  try {
    const [designs, ...defines] = modules
    const wiring = wiringIn(designOf((await designs?.()) ?? {}), of)
    for (const define of defines) {
      loading++
      await define()
    }
    loading = 0
    const played = await playAllLive(wiring, scripts, { document, frames }, beat)
    return { played }
  } catch (thrown) {
    return { failed: messageOf(thrown), module: loading }
  }
}

async function adoptAll(
  tags: readonly string[],
  modules: readonly PageModule[],
  beat: (step: string) => void,
): Promise<PageResult> {
  let loading = 0
  const loadAll = async () => {
    for (const [at, module] of modules.entries()) {
      loading = at
      await module()
    }
  }
  try {
    const adopted = await adoptDefined(tags, loadAll, { document, frames, onTag: (tag) => beat(`adopt ${tag}`) })
    return { adopted }
  } catch (thrown) {
    return { failed: messageOf(thrown), module: loading }
  }
}
