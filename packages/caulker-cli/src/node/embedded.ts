import { Worker } from 'node:worker_threads'
import { never, PATIENCE, patienceOf, probeInLanes, tryUntilDone, type Tried } from './hangs.js'
import { createHeartbeat, readHeartbeat } from './heartbeat.js'
import { createPatience } from './patience.js'
import { brokeOff, type ProbeJob, type ProbeMessage, type ProbeOutcome } from './probe-job.js'

const WATCH_EVERY = 200

/** Threads that probe in the embedded DOM; the first starts at once, while its work is still being made out. */
export interface EmbeddedThreads {
  /**
   * Probes components, in a few threads. A step that never comes back ends its thread, is named, and spoils no other clause; a
   * component that changes the language's own objects takes its thread with it.
   */
  probe(
    jobs: readonly ProbeJob[],
    onDone: (outcome: ProbeOutcome) => void,
    signal?: AbortSignal,
  ): Promise<ProbeOutcome[]>
  end(): void
}

export function openThreads(count: number): EmbeddedThreads {
  let busy = 0
  const all: Thread[] = []
  const threadAt = (lane: number) => (all[lane] ??= createThread(() => busy))
  if (count > 0) threadAt(0).start()
  const attempt = async (job: ProbeJob, lane: number) => {
    busy++
    try {
      return await tryUntilDone(job, (one) => threadAt(lane).run(one))
    } finally {
      busy--
    }
  }
  return {
    probe: (jobs, onDone, signal) => probeInLanes(jobs, count, attempt, { onDone, signal }),
    end: () => all.forEach((thread) => thread.end()),
  }
}

/** Probes components in threads of their own, which end with it. */
export async function probeEmbedded(
  jobs: readonly ProbeJob[],
  count: number,
  onDone: (outcome: ProbeOutcome) => void,
  signal?: AbortSignal,
): Promise<ProbeOutcome[]> {
  const threads = openThreads(Math.min(count, jobs.length))
  try {
    return await threads.probe(jobs, onDone, signal)
  } finally {
    threads.end()
  }
}

const WEST = 'America/St_Johns'

interface Thread {
  start(): Worker
  run(job: ProbeJob): Promise<Tried>
  end(): void
}

/** A thread that is started when it is first needed, and anew after it was ended. */
function createThread(sharers: () => number): Thread {
  const memory = createHeartbeat()
  let worker: Worker | undefined
  const end = () => {
    void worker?.terminate()
    worker = undefined
  }
  const start = () => {
    // Behind Greenwich, where a day that is read as a moment is the day before; whoever has said where the clock stands is heeded.
    process.env['TZ'] ??= WEST
    return (worker ??= new Worker(new URL('./embedded-worker.js', import.meta.url), {
      workerData: memory,
      stdout: true,
      stderr: true,
    }))
  }
  const run = (job: ProbeJob) =>
    new Promise<Tried>((resolve) => {
      const running = start()
      const settle = (tried: Tried, isSpoiled: boolean) => {
        clearInterval(watch)
        running.off('message', onMessage).off('error', onError).off('exit', onExit)
        if (isSpoiled) end()
        resolve(tried)
      }
      const { beats: first } = readHeartbeat(memory)
      let seen = first
      const [loading, stepping] = [createPatience(PATIENCE.load, sharers), createPatience(patienceOf(job), sharers)]
      const watch = setInterval(() => {
        const { beats, step } = readHeartbeat(memory)
        if (beats !== seen) {
          seen = beats
          stepping.begin()
        } else if ((beats === first ? loading : stepping).isOver())
          settle(never(job, beats === first ? undefined : step), true)
      }, WATCH_EVERY)
      const trouble = (says: string): Tried => ({
        outcome: { job, trouble: { file: job.file, place: undefined, says } },
      })
      const onMessage = (message: ProbeMessage) => settle({ outcome: outcomeOf(job, message) }, message.spoiled)
      const onError = (error: Error) => settle(trouble(brokeOff(job.tag, error).message), true)
      const onExit = () => settle(trouble(`<${job.tag}> ends the thread that it runs in`), true)
      running.on('message', onMessage).on('error', onError).on('exit', onExit)
      running.postMessage(job)
    })
  return { start, run, end }
}

function outcomeOf(job: ProbeJob, message: ProbeMessage): ProbeOutcome {
  if (message.kind === 'done') return { job, report: message.report }
  if (message.kind === 'played') return { job, played: message.played }
  return message.kind === 'adopted' ? { job, adopted: message.adopted } : { job, trouble: message.trouble }
}
