import { Worker } from 'node:worker_threads'
import { createHeartbeat, readHeartbeat } from './heartbeat.js'
import { brokeOff, type ProbeJob, type ProbeMessage, type ProbeOutcome } from './probe-job.js'

/** How long one step may take before it counts as one that never comes back, in milliseconds. */
const PATIENCE = 8000
const START_PATIENCE = 60_000
const WATCH_EVERY = 200
/** How many steps of one component may hang before the rest of it is left alone. */
const MOST_HANGS = 3

type Ended = ProbeMessage | { kind: 'hung'; at: string | undefined }

/**
 * Probes components in the embedded DOM, in a few threads. A step that never comes back ends its thread, is named, and spoils no other
 * clause; a component that changes the language's own objects takes its thread with it.
 */
export async function probeEmbedded(
  jobs: readonly ProbeJob[],
  threads: number,
  onDone: (outcome: ProbeOutcome) => void,
): Promise<ProbeOutcome[]> {
  const outcomes: ProbeOutcome[] = []
  const waiting = jobs.map((job, at) => ({ job, at }))
  const lane = async () => {
    const thread = createThread()
    for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) {
      outcomes[next.at] = await probeOne(thread, next.job)
      onDone(outcomes[next.at] as ProbeOutcome)
    }
    thread.end()
  }
  await Promise.all(Array.from({ length: Math.min(threads, jobs.length) }, lane))
  return outcomes
}

async function probeOne(thread: Thread, job: ProbeJob): Promise<ProbeOutcome> {
  const hung: string[] = []
  for (;;) {
    const ended = await thread.run({ ...job, hung })
    if (ended.kind === 'done') return { job, report: ended.report }
    if (ended.kind === 'adopted') return { job, adopted: ended.adopted }
    if (ended.kind === 'trouble') return { job, trouble: ended.trouble }
    if (ended.at === undefined || hung.length === MOST_HANGS) {
      const where =
        ended.at === undefined
          ? 'while its module was loaded'
          : `at ${hung.length + 1} different steps, the last of them: ${ended.at}`
      return {
        job,
        trouble: {
          file: job.file,
          place: undefined,
          says: `<${job.tag}> never comes back (an endless loop, or more than 8 seconds of work) ${where}`,
        },
      }
    }
    hung.push(ended.at)
  }
}

interface Thread {
  run(job: ProbeJob): Promise<Ended>
  end(): void
}

/** A thread that is started when it is first needed, and anew after it was ended. */
function createThread(): Thread {
  const memory = createHeartbeat()
  let worker: Worker | undefined
  const end = () => {
    void worker?.terminate()
    worker = undefined
  }
  const run = (job: ProbeJob) =>
    new Promise<Ended>((resolve) => {
      const running = (worker ??= new Worker(new URL('./embedded-worker.js', import.meta.url), {
        workerData: memory,
        stdout: true,
        stderr: true,
      }))
      const settle = (ended: Ended, isSpoiled: boolean) => {
        clearInterval(watch)
        running.off('message', onMessage).off('error', onError)
        if (isSpoiled) end()
        resolve(ended)
      }
      const { beats: first } = readHeartbeat(memory)
      let seen = first
      let since = Date.now()
      const watch = setInterval(() => {
        const { beats, step } = readHeartbeat(memory)
        if (beats !== seen) [seen, since] = [beats, Date.now()]
        else if (Date.now() - since > (beats === first ? START_PATIENCE : PATIENCE))
          settle({ kind: 'hung', at: beats === first ? undefined : step }, true)
      }, WATCH_EVERY)
      const onMessage = (message: ProbeMessage) => settle(message, message.spoiled)
      const onError = (error: Error) =>
        settle(
          {
            kind: 'trouble',
            spoiled: true,
            trouble: {
              file: job.file,
              place: undefined,
              says: brokeOff(job.tag, error).message,
            },
          },
          true,
        )
      running.on('message', onMessage).on('error', onError)
      running.postMessage(job)
    })
  return { run, end }
}
