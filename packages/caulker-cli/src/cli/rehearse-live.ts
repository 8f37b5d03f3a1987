import type { Script } from 'caulker/inside/rehearse'
import { quotedTrail, type LiveScripts, type TroubleReport } from 'caulker/inside/report'
import type { ProbeJob } from '../node/probe-job.js'
import { shown } from '../node/shown.js'
import { troubleReport } from '../node/trouble-report.js'
import type { RehearseAsked } from '../tasks/rehearse-task.js'
import type { TaskThread } from '../tasks/thread.js'
import type { RehearseOptions } from './rehearse-options.js'

/** Scripts as they were played on live components, and what could not be loaded. */
export interface Live {
  readonly played: LiveScripts
  readonly troubles: readonly TroubleReport[]
}

export function isLive({ live, browser }: RehearseOptions): boolean {
  return live === true || browser === true
}

export function hasParted(live: Live | undefined): boolean {
  return live?.played.scripts.some(({ parted }) => parted !== undefined) === true
}

/** Scripts on a page of live components, in an embedded DOM or in a browser. */
export async function playLive(
  thread: TaskThread,
  asked: RehearseAsked,
  what: {
    readonly files: readonly string[]
    readonly scripts: readonly Script[]
    /** A trail as `--play` gives it. */
    readonly trail?: string | undefined
  },
  { browser, patience }: RehearseOptions,
): Promise<Live> {
  const plans = await thread.run('livePlan', { ...asked, ...what })
  const jobs = plans.map(({ of, file, defines, scripts }): ProbeJob => ({
    file,
    tag: of,
    defines,
    seed: 1,
    clauses: undefined,
    gestures: [],
    broken: [],
    ...(patience === undefined ? {} : { patience }),
    plays: { of, scripts },
  }))
  const nothing = () => undefined
  const withReplay = (one: LiveScripts['scripts'][number]) => {
    if (one.parted === undefined) return one
    const file = plans.find(({ of }) => of === one.of)?.file ?? ''
    const where = browser === true ? '--browser' : '--live'
    const replay = `npx caulker rehearse ${shown(file)} --only ${one.of} ${where} --play ${quotedTrail(one.parted.trail)}`
    return { ...one, replay }
  }
  const { outcomes, ranIn } =
    browser === true
      ? await (await import('../node/browser.js')).probeInBrowser(jobs, nothing, { workers: 2, endpoint: undefined })
      : {
          outcomes: await (await import('../node/embedded.js')).probeEmbedded(jobs, 2, nothing),
          ranIn: 'an embedded DOM',
        }
  return {
    played: { ranIn, scripts: outcomes.flatMap((one) => ('played' in one ? one.played.map(withReplay) : [])) },
    troubles: outcomes.flatMap((one) => ('trouble' in one ? [troubleReport(one.trouble)] : [])),
  }
}
