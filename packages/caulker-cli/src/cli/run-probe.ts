import { availableParallelism } from 'node:os'
import type { ComponentReport, ProbesReport, TroubleReport } from 'caulker/inside/report'
import { openThreads, type EmbeddedThreads } from '../node/embedded.js'
import { shown } from '../node/shown.js'
import { inParts, isOf, joined } from '../node/job-parts.js'
import type { ProbeJob, ProbeOutcome } from '../node/probe-job.js'
import { troubleReport } from '../node/trouble-report.js'
import { inThread } from '../tasks/thread.js'
import { EMBEDDED } from './probe-before.js'

export interface ProbeRequest {
  readonly paths: readonly string[]
  readonly seed: number
  /** How many moves the exploration of each component makes. */
  readonly moves?: number
  readonly components: readonly string[] | undefined
  readonly clauses: readonly string[] | undefined
  readonly browser: boolean
  /** Whether a person acts through the browser's own input. */
  readonly trusted?: boolean
  /** Where a browser runs already. */
  readonly endpoint?: string
  /** How many components are probed at once. */
  readonly atOnce?: number
  readonly part?: Part
  /** How much processor time one step may take, in seconds. */
  readonly patience?: number
  /** The components that were judged before, and are not probed again. */
  readonly before?: readonly ComponentReport[]
  /** Ends the probe with what was judged so far. */
  readonly signal?: AbortSignal
  /** Is told of the report as it stands each time that one more component is judged: in the order in which the whole lists them. */
  readonly onJudged?: (sofar: ProbesReport, last: ComponentReport | undefined) => void
}

/** Which part of how many. */
export interface Part {
  readonly part: number
  readonly of: number
}

/** A thread keeps half of another core busy with what the engine compiles and collects; a browser does that in processes of its own. */
function usualAtOnce(browser: boolean): number {
  return browser ? availableParallelism() : Math.max(1, availableParallelism() - 1)
}

/** Probes every component at some paths. */
export async function runProbe(request: ProbeRequest): Promise<ProbesReport> {
  const threads = request.browser ? undefined : openThreads(atOnceOf(request))
  try {
    return await probeWith(request, threads)
  } finally {
    threads?.end()
  }
}

function atOnceOf({ browser, atOnce = usualAtOnce(browser) }: ProbeRequest): number {
  return atOnce
}

async function probeWith(request: ProbeRequest, threads: EmbeddedThreads | undefined): Promise<ProbesReport> {
  const { paths, components: only, seed, clauses, trusted = false, before = [] } = request
  const plan = await inThread('probePlan', { paths, components: only }, request.patience)
  const wanted = plan.components.filter((_, at) => isInPart(at, request.part))
  const judged = new Map(before.map((report) => [keyOf(report), report]))
  const keys = wanted.map(({ tag, file }) => keyOf({ component: tag, file: shown(file) }))
  const jobs = wanted
    .filter((_, at) => !judged.has(keys[at] as string))
    .map((component): ProbeJob => ({
      ...component,
      seed,
      clauses,
      trusted,
      broken: [],
      ...(request.moves === undefined ? {} : { moves: request.moves }),
      ...(request.patience === undefined ? {} : { patience: request.patience }),
    }))
  const troubles = [...plan.troubles]
  const troubled = new Set<string>()
  let ranIn = request.browser ? 'Chromium' : EMBEDDED
  const report = (): ProbesReport => {
    const left = keys.filter((key) => !judged.has(key) && !troubled.has(key))
    return {
      kind: 'probe',
      version: 1,
      seed,
      ranIn,
      ...(clauses === undefined ? {} : { only: clauses }),
      components: keys.flatMap((key) => judged.get(key) ?? []),
      troubles,
      ...(left.length === 0 ? {} : { left: left.map((key) => key.split('\n')[0] as string) }),
    }
  }
  const take = (outcome: ProbeOutcome) => {
    const key = keyOf({ component: outcome.job.tag, file: shown(outcome.job.file) })
    const unready = 'report' in outcome ? outcome.report.unready : undefined
    const found = 'report' in outcome && unready === undefined ? componentReport(outcome, request) : undefined
    if (found !== undefined) judged.set(key, found)
    else {
      troubled.add(key)
      const { file, tag } = outcome.job
      addTrouble(
        troubles,
        troubleReport(
          'trouble' in outcome
            ? outcome.trouble
            : { file, place: undefined, says: `<${tag}> could not be judged: ${unready ?? 'nothing came back'}` },
        ),
      )
    }
    request.onJudged?.(report(), found)
  }
  if (jobs.length > 0) ranIn = await probed(jobs, request, threads, take)
  return report()
}

/** Each component goes to one part, by its place in the sorted list: which part does not change what is found. */
function isInPart(at: number, part: Part | undefined): boolean {
  return part === undefined || at % part.of === part.part - 1
}

/** A component is told from another by its tag and the file of its contract, as reports name them. */
function keyOf({ component, file }: Pick<ComponentReport, 'component' | 'file'>): string {
  return `${component}\n${file}`
}

function addTrouble(troubles: TroubleReport[], trouble: TroubleReport): void {
  if (!troubles.some((one) => one.file === trouble.file && one.says === trouble.says)) troubles.push(trouble)
}

/** Says of each component what was found once all its parts are there, in the order of the jobs; gives where it ran. */
async function probed(
  jobs: readonly ProbeJob[],
  request: ProbeRequest,
  threads: EmbeddedThreads | undefined,
  take: (outcome: ProbeOutcome) => void,
): Promise<string> {
  const { endpoint, signal } = request
  const atOnce = atOnceOf(request)
  const parts = await inParts(jobs, atOnce, threads === undefined ? 'page' : 'thread')
  const found: ProbeOutcome[] = []
  const waiting = [...jobs]
  const isWhole = (job: ProbeJob) =>
    parts.filter((part) => isOf(job, part)).length === found.filter((one) => isOf(job, one.job)).length
  const onDone = (outcome: ProbeOutcome) => {
    found.push(outcome)
    for (let next = waiting[0]; next !== undefined && isWhole(next); next = waiting[0]) {
      waiting.shift()
      for (const one of joined([next], found)) take(one)
    }
  }
  const finish = () => {
    // Ended before its time, what is whole behind a gap counts all the same.
    for (const job of waiting.filter(isWhole)) for (const one of joined([job], found)) take(one)
  }
  if (threads !== undefined) {
    await threads.probe(parts, onDone, signal)
    finish()
    return EMBEDDED
  }
  const { probeInBrowser } = await import('../node/browser.js')
  const { ranIn } = await probeInBrowser(parts, onDone, { workers: atOnce, endpoint, signal })
  finish()
  return ranIn
}

function componentReport(
  { job, report }: Extract<ProbeOutcome, { report: unknown }>,
  { browser, trusted, seed, moves }: ProbeRequest,
): ComponentReport {
  const file = shown(job.file)
  return {
    component: report.component,
    file,
    replay: `npx caulker probe ${quoted(file)}${browser ? ' --browser' : ''}${trusted === true ? ' --trusted' : ''} --seed ${seed}${moves === undefined ? '' : ` --moves ${moves}`} --component ${job.tag}`,
    ...(report.isUnoperated === true ? { isUnoperated: true } : {}),
    clauses: report.clauses,
  }
}

/** A path as a shell takes it. */
function quoted(file: string): string {
  return /^[\w./@+-]+$/.test(file) ? file : `'${file.replaceAll("'", `'\\''`)}'`
}
