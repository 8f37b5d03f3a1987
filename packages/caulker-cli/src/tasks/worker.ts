import { CaulkerError, messageOf } from 'caulker/inside/words'
import { parentPort, workerData } from 'node:worker_threads'
import type { Trouble } from '../node/errors.js'
import { beat } from '../node/heartbeat.js'
import { loadTask, type TaskName } from './index.js'
import type { Task } from './task.js'

export interface Asked {
  readonly task: TaskName
  readonly given: unknown
  readonly skip: readonly Trouble[]
}

export type Answered =
  | { readonly kind: 'done'; readonly result: unknown }
  | { readonly kind: 'failed'; readonly message: string; readonly code: CaulkerError['code'] | undefined }

const memory = workerData as SharedArrayBuffer

// In a thread this would end the thread without a word; thrown, it is said where it was called.
process.exit = (code) => {
  throw new Error(`calls process.exit(${code ?? ''}): a module that is loaded must not end the process`)
}

async function work({ task, given, skip }: Asked): Promise<Answered> {
  try {
    const run = (await loadTask(task)) as Task<unknown, unknown>
    return {
      kind: 'done',
      result: await run(given, { skip, begin: (doing) => beat(memory, JSON.stringify(doing)) }),
    }
  } catch (thrown) {
    const code = thrown instanceof CaulkerError ? thrown.code : undefined
    return { kind: 'failed', message: messageOf(thrown), code }
  }
}

parentPort?.on('message', (asked: Asked) => {
  // Nothing but the task keeps the thread: one that waits for what never comes ends it.
  parentPort?.unref()
  void work(asked).then((answered) => {
    parentPort?.ref()
    parentPort?.postMessage(answered)
  })
})
