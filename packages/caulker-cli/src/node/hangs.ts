import type { BrokenStep, ProbeJob, ProbeOutcome } from './probe-job.js'

/** How much processor time one step may take before it counts as one that never comes back, and how much loading may. */
export const PATIENCE = { step: 8, load: 30 } as const
/** How many steps of one component may hang before the rest of it is left alone. */
const MOST_HANGS = 3

/** How one try of a component ended: with an outcome, or at a step after which it could not go on. */
export type Tried =
  | { readonly outcome: ProbeOutcome }
  | { readonly how: string; readonly says: BrokenStep['says']; readonly at: string | undefined }

/** How much processor time one step of a component may take. */
export function patienceOf({ patience }: ProbeJob): number {
  return patience ?? PATIENCE.step
}

/** A try that was ended because its step took more than its patience. */
export function never(job: ProbeJob, at: string | undefined): Tried {
  const how = `never comes back (an endless loop, or more than ${patienceOf(job)} seconds of work)`
  return { how, says: 'it does not come back: an endless loop', at }
}

/** Tries a component again without the steps that hang, until it comes to an end or too many have hung. */
export async function tryUntilDone(job: ProbeJob, attempt: (job: ProbeJob) => Promise<Tried>): Promise<ProbeOutcome> {
  const broken: BrokenStep[] = []
  for (;;) {
    const tried = await attempt({ ...job, broken })
    if ('outcome' in tried) return broken.length === 0 ? tried.outcome : { ...tried.outcome, broken }
    if (tried.at === undefined || broken.length === MOST_HANGS) {
      const where =
        tried.at === undefined
          ? 'while its module was loaded'
          : `at ${broken.length + 1} different steps, the last of them: ${tried.at}`
      const trouble = { file: job.file, place: undefined, says: `<${job.tag}> ${tried.how} ${where}` }
      return { job, trouble, broken: [...broken, { step: tried.at ?? '', says: tried.says }] }
    }
    broken.push({ step: tried.at, says: tried.says })
  }
}

/**
 * Probes all jobs in some lanes, side by side. A component that seemed to hang beside others is tried once more alone before that is
 * said of it. Ends early, with what is there, when the signal says so.
 */
export async function probeInLanes(
  jobs: readonly ProbeJob[],
  lanes: number,
  probe: (job: ProbeJob, lane: number) => Promise<ProbeOutcome>,
  { onDone, signal }: { readonly onDone: (outcome: ProbeOutcome) => void; readonly signal?: AbortSignal | undefined },
): Promise<ProbeOutcome[]> {
  const outcomes: (ProbeOutcome | undefined)[] = []
  const waiting = jobs.map((job, at) => ({ job, at }))
  const again: typeof waiting = []
  const ended = new Promise<undefined>((resolve) => {
    if (signal?.aborted === true) resolve(undefined)
    signal?.addEventListener('abort', () => resolve(undefined), { once: true })
  })
  const settle = (at: number, outcome: ProbeOutcome) => {
    outcomes[at] = outcome
    onDone(outcome)
  }
  const work = async (queue: typeof waiting, lane: number, isAlone: boolean) => {
    for (let next = queue.shift(); next !== undefined && signal?.aborted !== true; next = queue.shift()) {
      const outcome = await Promise.race([probe(next.job, lane), ended])
      if (outcome === undefined) return
      if (outcome.broken === undefined || isAlone) settle(next.at, outcome)
      else again.push(next)
    }
  }
  const width = Math.min(lanes, jobs.length)
  await Promise.all(Array.from({ length: width }, (_, lane) => work(waiting, lane, width === 1)))
  await work(again, 0, true)
  return outcomes.filter((outcome) => outcome !== undefined)
}
