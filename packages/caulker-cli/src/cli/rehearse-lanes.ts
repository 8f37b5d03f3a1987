import type { Bounds } from 'caulker/inside/rehearse'
import type { TroubleReport } from 'caulker/inside/report'
import { availableParallelism } from 'node:os'
import type { ExploreAnswer, RehearseAsked } from '../tasks/rehearse-task.js'
import type { Doing } from '../tasks/task.js'
import { createTaskThread, type TaskThread } from '../tasks/thread.js'
import type { Progress } from './output.js'
import { isLive } from './rehearse-live.js'
import type { RehearseOptions } from './rehearse-options.js'

/** What was explored, and what never came back. */
export interface InLanes {
  readonly answers: readonly ExploreAnswer[]
  readonly stuck: readonly (TroubleReport & { readonly name: string })[]
}

/** A second thread has to read the project once more: it pays where there is some work to divide. */
const MANY = 4

/** Explores screens and journeys side by side, each in one thread; what is found does not depend on how many there are. */
export async function exploreInLanes(
  thread: TaskThread,
  asked: RehearseAsked,
  names: readonly string[],
  options: RehearseOptions,
  line: Progress,
  signal: AbortSignal,
): Promise<InLanes> {
  const ended = new SharedArrayBuffer(4)
  signal.addEventListener('abort', () => Atomics.store(new Int32Array(ended), 0, 1))
  const answers = new Map<string, ExploreAnswer>()
  const stuck: InLanes['stuck'][number][] = []
  const waiting = [...names]
  const work = async (lane: TaskThread) => {
    for (let name = waiting.shift(); name !== undefined && !signal.aborted; name = waiting.shift()) {
      const given = {
        ...asked,
        name,
        bounds: boundsOf(options),
        ended,
        replay: 'npx caulker rehearse',
        walks: isLive(options) ? (options.walks ?? 0) : 0,
        seed: options.seed ?? 1,
        covers: options.cover !== undefined || isLive(options),
      }
      const answer = await lane.run('exploreOne', given)
      if ('trouble' in answer) stuck.push({ name, ...answer.trouble })
      else answers.set(name, answer)
    }
  }
  const others = Array.from({ length: names.length < MANY ? 0 : Math.min(3, availableParallelism() - 1) }, () =>
    createTaskThread(options.patience, sayDoing(line)),
  )
  try {
    await Promise.all([thread, ...others].map(work))
  } finally {
    await Promise.all(others.map((one) => one.end()))
  }
  return { answers: names.flatMap((name) => answers.get(name) ?? []), stuck }
}

function boundsOf({ edits, failures, pending, moves, states }: RehearseOptions): Partial<Bounds> {
  const given = { edits, failures, pending, moves, states }
  return Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined))
}

/** Says how far it has come. */
export function sayDoing(line: Progress): (doing: Doing) => void {
  return ({ what, name, states, left, depth, leaks }) =>
    line.say(
      what !== 'rehearse' || states === undefined
        ? name === undefined
          ? 'reading'
          : `rehearsing ${name}`
        : `rehearsing ${name}: ${states} states, ${left} to go on from, ${depth} moves deep, ${leaks} ${leaks === 1 ? 'leak' : 'leaks'}`,
    )
}
