import { Worker } from 'node:worker_threads'
import { never, PATIENCE, patienceOf, probeInLanes, tryUntilDone, type Tried } from './hangs.js'
import { createHeartbeat, readHeartbeat } from './heartbeat.js'
import { createPatience } from './patience.js'
import { brokeOff, type ProbeJob, type ProbeMessage, type ProbeOutcome } from './probe-job.js'

const WATCH_EVERY = 200

/**
 * Probes components in the embedded DOM, in a few threads. A step that never comes back ends its thread, is named, and spoils no other
 * clause; a component that changes the language's own objects takes its thread with it.
 */
export async function probeEmbedded(
  jobs: readonly ProbeJob[],
  threads: number,
  onDone: (outcome: ProbeOutcome) => void,
  signal?: AbortSignal,
): Promise<ProbeOutcome[]> {
  let busy = 0
  const all = Array.from({ length: Math.min(threads, jobs.length) }, () => createThread(() => busy))
  try {
    return await probeInLanes(
      jobs,
      threads,
      async (job, lane) => {
        busy++
        try {
          return await tryUntilDone(job, (one) => (all[lane] as Thread).run(one))
        } finally {
          busy--
        }
      },
      { onDone, signal },
    )
  } finally {
    for (const thread of all) thread.end()
  }
}

const WEST = 'America/St_Johns'

interface Thread {
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
  const run = (job: ProbeJob) =>
    new Promise<Tried>((resolve) => {
      // Behind Greenwich, where a day that is read as a moment is the day before; whoever has said where the clock stands is heeded.
      process.env['TZ'] ??= WEST
      const running = (worker ??= new Worker(new URL('./embedded-worker.js', import.meta.url), {
        workerData: memory,
        stdout: true,
        stderr: true,
      }))
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
  return { run, end }
}

function outcomeOf(job: ProbeJob, message: ProbeMessage): ProbeOutcome {
  if (message.kind === 'done') return { job, report: message.report }
  if (message.kind === 'played') return { job, played: message.played }
  return message.kind === 'adopted' ? { job, adopted: message.adopted } : { job, trouble: message.trouble }
}
