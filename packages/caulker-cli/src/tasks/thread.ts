import { CaulkerError, messageOf } from 'caulker/inside/words'
import { Worker } from 'node:worker_threads'
import type { Trouble } from '../node/errors.js'
import { createHeartbeat, readHeartbeat } from '../node/heartbeat.js'
import { createPatience } from '../node/patience.js'
import type { TaskName, Tasks } from './index.js'
import type { Doing } from './task.js'
import type { Answered, Asked } from './worker.js'

type Given<N extends TaskName> = Parameters<Tasks[N]>[0]
type Result<N extends TaskName> = Awaited<ReturnType<Tasks[N]>>

/** A thread in which code of the user's runs, with limits: what never comes back, ends its process or runs out of memory spoils no other file. */
export interface TaskThread {
  run<N extends TaskName>(task: N, given: Given<N>): Promise<Result<N>>
  end(): Promise<void>
}

/** How much processor time one file, or one contract or screen, may take before it counts as one that never comes back. */
export const MOST_SECONDS = 10
/** The start of the thread itself counts apart. */
const START_SECONDS = 60
const WATCH_EVERY = 100

/** @param watch is told now and then what is being done */
export function createTaskThread(seconds = MOST_SECONDS, watching?: (doing: Doing) => void): TaskThread {
  const memory = createHeartbeat()
  let worker: Worker | undefined

  async function end(): Promise<void> {
    await worker?.terminate()
    worker = undefined
  }

  return {
    end,
    async run(task, given) {
      const skip: Trouble[] = []
      for (;;) {
        const ended = await attempt({ task, given, skip })
        if (ended.kind === 'done') return ended.result as never
        if (ended.kind === 'failed') throw failure(ended)
        await end()
        const doing = doingNow(memory)
        if (doing === undefined || skip.some(({ file }) => file === doing.file))
          throw new CaulkerError('bad-file', `it ${ended.how}`)
        skip.push({ file: doing.file, place: undefined, says: sayingOf(doing, ended.how) })
      }
    },
  }

  function attempt(asked: Asked): Promise<Answered | { readonly kind: 'stuck'; readonly how: string }> {
    const running = (worker ??= startWorker(memory))
    return new Promise((resolve) => {
      const first = readHeartbeat(memory).beats
      const [starting, patience] = [createPatience(START_SECONDS), createPatience(seconds)]
      let seen = first
      const watch = setInterval(() => {
        const { beats } = readHeartbeat(memory)
        if (beats !== seen) {
          seen = beats
          patience.begin()
          const doing = doingNow(memory)
          if (doing !== undefined) watching?.(doing)
        } else if ((beats === first ? starting : patience).isOver())
          settle({
            kind: 'stuck',
            how: `never comes back (an endless loop, or more than ${seconds} seconds of work)`,
          })
      }, WATCH_EVERY)
      const settle = (ended: Parameters<typeof resolve>[0]) => {
        clearInterval(watch)
        running.off('message', onMessage).off('error', onError).off('exit', onExit)
        resolve(ended)
      }
      const onMessage = (answered: Answered) => settle(answered)
      const onError = (error: Error) => settle({ kind: 'stuck', how: `breaks off: ${messageOf(error)}` })
      const onExit = () =>
        settle({ kind: 'stuck', how: 'waits for something that never comes (an await at its top level)' })
      running.on('message', onMessage).on('error', onError).on('exit', onExit)
      running.postMessage(asked)
    })
  }
}

/** What user code prints goes beside the report, never into it. */
function startWorker(memory: SharedArrayBuffer): Worker {
  const worker = new Worker(new URL('./worker.js', import.meta.url), { workerData: memory, stdout: true, stderr: true })
  worker.stdout.pipe(process.stderr, { end: false })
  worker.stderr.pipe(process.stderr, { end: false })
  return worker
}

function doingNow(memory: SharedArrayBuffer): Doing | undefined {
  const { step } = readHeartbeat(memory)
  return step === '' ? undefined : (JSON.parse(step) as Doing)
}

function sayingOf({ what, name }: Doing, how: string): string {
  if (what === 'load') return `its module ${how}`
  return `'${name ?? ''}' ${how} while it is ${what === 'read' ? 'read' : 'rehearsed'}: look at its functions and patterns`
}

function failure({ message, code }: Extract<Answered, { kind: 'failed' }>): Error {
  return code === undefined ? new Error(message) : new CaulkerError(code, message)
}

/** Runs one task in a thread of its own. */
export async function inThread<N extends TaskName>(task: N, given: Given<N>, seconds?: number): Promise<Result<N>> {
  const thread = createTaskThread(seconds)
  try {
    return await thread.run(task, given)
  } finally {
    await thread.end()
  }
}
