import { availableParallelism } from 'node:os'
import { messageOf } from 'caulker/inside/contract'
import { setupFor } from '../node/config.js'
import { probeEmbedded } from '../node/embedded.js'
import type { Trouble } from '../node/errors.js'
import { inParts, isOf, joined } from '../node/job-parts.js'
import { shown } from '../node/find.js'
import type { ProbeJob, ProbeOutcome } from '../node/probe-job.js'
import { loadProject } from '../node/project.js'
import type { ComponentReport, ProbesReport } from 'caulker/inside/report'
import { troubleReport } from './run-check.js'

export interface ProbeRequest {
  readonly paths: readonly string[]
  readonly seed: number
  readonly components: readonly string[] | undefined
  readonly clauses: readonly string[] | undefined
  readonly browser: boolean
  /** Whether a person acts through the browser's own input. */
  readonly trusted?: boolean
  /** Where a browser runs already. */
  readonly endpoint?: string
  /** How many components are probed at once. */
  readonly workers?: number
  readonly shard?: Shard
  /** Is told after each component: how many of how many are done, and which was the last. */
  readonly onDone: (done: number, all: number, tag: string) => void
}

/** Which part of how many. */
export interface Shard {
  readonly part: number
  readonly of: number
}

/** A thread keeps half of another core busy with what the engine compiles and collects; a browser does that in processes of its own. */
function usualWorkers(browser: boolean): number {
  return browser ? availableParallelism() : Math.max(1, availableParallelism() - 1)
}

/** Probes every component at some paths. */
export async function runProbe(request: ProbeRequest): Promise<ProbesReport> {
  const project = await loadProject(request.paths)
  const troubles: Trouble[] = [...project.troubles]
  const jobs: ProbeJob[] = []
  for (const {
    contract: { tag },
    file,
  } of project.contractFiles) {
    if (request.components !== undefined && !request.components.includes(tag)) continue
    try {
      const { defines, gestures } = await setupFor(tag, file, project.load)
      if (defines.length === 0)
        throw new Error(
          `no module is known that defines <${tag}>; name it in caulker.config.ts: export default { defines: ['elements/*.ts'] }`,
        )
      jobs.push({
        file,
        tag,
        defines,
        seed: request.seed,
        clauses: request.clauses,
        gestures,
        trusted: request.trusted ?? false,
        hung: [],
      })
    } catch (thrown) {
      troubles.push({ file, place: undefined, says: messageOf(thrown) })
    }
  }
  const { outcomes, ranIn } = await probed(shardOf(jobs, request.shard), request)
  for (const outcome of outcomes)
    if (
      'trouble' in outcome &&
      !troubles.some((one) => one.file === outcome.trouble.file && one.says === outcome.trouble.says)
    )
      troubles.push(outcome.trouble)
  const components = outcomes.flatMap((outcome) => ('report' in outcome ? [componentReport(outcome, request)] : []))
  return { kind: 'probe', version: 1, seed: request.seed, ranIn, components, troubles: troubles.map(troubleReport) }
}

/** Each component goes to one part, by its place in the sorted list: which part does not change what is found. */
function shardOf(jobs: readonly ProbeJob[], shard: Shard | undefined): ProbeJob[] {
  return jobs.filter((_, at) => shard === undefined || at % shard.of === shard.part - 1)
}

async function probed(
  jobs: readonly ProbeJob[],
  { browser, endpoint, workers = usualWorkers(browser), onDone }: ProbeRequest,
): Promise<{ outcomes: readonly ProbeOutcome[]; ranIn: string }> {
  const parts = inParts(jobs, workers, browser ? 'page' : 'thread')
  const open = [...parts]
  const count = ({ job }: ProbeOutcome) => {
    open.splice(open.indexOf(job), 1)
    const left = jobs.filter((one) => open.some((part) => isOf(one, part)))
    if (!left.some((one) => isOf(one, job))) onDone(jobs.length - left.length, jobs.length, job.tag)
  }
  if (!browser) return { outcomes: joined(jobs, await probeEmbedded(parts, workers, count)), ranIn: 'an embedded DOM' }
  const { probeInBrowser } = await import('../node/browser.js')
  const { outcomes, ranIn } = await probeInBrowser(parts, count, { workers, endpoint })
  return { outcomes: joined(jobs, outcomes), ranIn }
}

function componentReport(
  { job, report }: Extract<ProbeOutcome, { report: unknown }>,
  { browser, trusted, seed }: ProbeRequest,
): ComponentReport {
  const file = shown(job.file)
  return {
    component: report.component,
    file,
    replay: `caulker probe ${file}${browser ? ' --browser' : ''}${trusted === true ? ' --trusted' : ''} --seed ${seed} --component ${job.tag}`,
    clauses: report.clauses,
  }
}
