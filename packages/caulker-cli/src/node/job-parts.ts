import type { Clause } from 'caulker/inside/probe'
import type { ProbeJob, ProbeOutcome } from './probe-job.js'

/** Clauses that need about the same work, so that one component alone can keep several workers busy; all others are the last part. */
const PARTS: readonly (readonly Clause['group'][])[] = [['down'], ['up', 'both ways', 'bounds']]
/** With more components than this for each worker, whole components divide the work well enough; a page costs more than a thread. */
const FEW = { thread: 4, page: 0.5 }

/** Few components are tried in parts, clause by clause; what is found does not depend on it. */
export async function inParts(
  jobs: readonly ProbeJob[],
  workers: number,
  each: keyof typeof FEW,
): Promise<readonly ProbeJob[]> {
  if (workers < 2 || jobs.length > FEW[each] * workers) return jobs
  const { clauses } = await import('caulker/inside/probe')
  return jobs.flatMap((job) => {
    const partOf = ({ group }: Clause) => PARTS.findIndex((groups) => groups.includes(group))
    const parts = [...PARTS.keys(), -1]
      .map((part) =>
        clauses
          .filter((clause) => partOf(clause) === part && (job.clauses?.includes(clause.id) ?? true))
          .map(({ id }) => id),
      )
      .filter((ids) => ids.length > 0)
    return parts.length < 2 ? [job] : parts.map((ids) => ({ ...job, clauses: ids }))
  })
}

/** The outcome of each component from those of its parts; what stopped one part is said of the whole. */
export function joined(jobs: readonly ProbeJob[], outcomes: readonly ProbeOutcome[]): ProbeOutcome[] {
  return jobs.map((job) => {
    const parts = outcomes.filter((one) => isOf(job, one.job))
    const trouble = parts.find((one) => 'trouble' in one)
    if (trouble !== undefined) return { ...trouble, job }
    const [first, ...others] = parts.flatMap((one) => ('report' in one ? [one.report] : []))
    if (first === undefined) throw new Error(`nothing came back of <${job.tag}>`)
    return { job, report: { ...first, clauses: [first, ...others].flatMap((report) => report.clauses) } }
  })
}

export function isOf(job: ProbeJob, part: ProbeJob): boolean {
  return part.file === job.file && part.tag === job.tag
}
