import { CaulkerError, messageOf } from 'caulker/inside/words'
import { existsSync } from 'node:fs'
import type { ComponentReport, ProbesReport } from 'caulker/inside/report'
import { readJson } from '../node/read-json.js'

/** What has to be the same for the judgement of another run to stand in this one. */
export interface Terms {
  readonly seed: number
  readonly browser: boolean
  readonly clauses: readonly string[] | undefined
}

export const EMBEDDED = 'an embedded DOM'

/** The components that earlier reports have judged, on the same terms: of runs that were ended, or of parts of the whole. */
export function judgedBefore(files: readonly string[], terms: Terms): ComponentReport[] {
  return files.flatMap((file) => {
    const report = read(file)
    const differs = difference(report, terms)
    if (differs !== undefined) throw new CaulkerError('bad-argument', `--continue ${file}: ${differs}`)
    return [...report.components]
  })
}

function read(file: string): ProbesReport {
  if (!existsSync(file)) throw new CaulkerError('bad-file', `--continue ${file}: there is no such report`)
  try {
    const found = readJson(file) as ProbesReport | null
    if (found?.kind === 'probe' && found.version === 1) return found
  } catch (thrown) {
    throw new CaulkerError('bad-file', `--continue ${file}: ${messageOf(thrown).split('\n')[0] ?? ''}`)
  }
  throw new CaulkerError('bad-file', `--continue ${file}: is no report of a probe; write one with --format json`)
}

function difference(report: ProbesReport, { seed, browser, clauses }: Terms): string | undefined {
  if (report.seed !== seed)
    return `it was probed with seed ${report.seed}, and this run has ${seed}; give both the same`
  if ((report.ranIn === EMBEDDED) === browser && report.components.length > 0)
    return `it was probed in ${report.ranIn}; ${browser ? 'leave --browser out' : 'add --browser'}`
  const [before, now] = [report.only ?? [], clauses ?? []].map((ids) => [...ids].sort().join(', '))
  return before === now ? undefined : `it asked ${before || 'all clauses'}, and this run asks ${now || 'all clauses'}`
}
