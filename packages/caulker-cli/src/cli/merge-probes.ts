import { existsSync } from 'node:fs'
import { CaulkerError, messageOf } from 'caulker/inside/contract'
import { readJson } from '../node/read-json.js'
import type { ProbesReport } from 'caulker/inside/report'

/** A probe report as JSON, of one part of the components. */
export function readProbes(file: string): ProbesReport {
  if (!existsSync(file)) throw new CaulkerError('bad-file', `${file}: there is no such report`)
  try {
    const read = readJson(file) as ProbesReport | null
    if (read?.kind === 'probe' && read.version === 1) return read
  } catch (thrown) {
    throw new CaulkerError('bad-file', `${file}: ${messageOf(thrown).split('\n')[0] ?? ''}`)
  }
  throw new CaulkerError('bad-file', `${file}: is no report of a probe; write one with --format json`)
}

/** The report of the whole, from those of its parts: the components in the order in which one run would list them. */
export function mergedProbes(parts: readonly ProbesReport[]): ProbesReport {
  const [first] = parts
  if (first === undefined) throw new CaulkerError('bad-argument', '--merge: name the reports of the parts')
  const other = parts.find(({ seed }) => seed !== first.seed)
  if (other !== undefined)
    throw new CaulkerError(
      'bad-argument',
      `--merge: the parts were probed with seeds ${first.seed} and ${other.seed}; give all of them one`,
    )
  const most = Math.max(...parts.map(({ components }) => components.length))
  return {
    ...first,
    ranIn: [...new Set(parts.map(({ ranIn }) => ranIn))].join(' and '),
    components: Array.from({ length: most }, (_, at) =>
      parts.flatMap(({ components }) => components.slice(at, at + 1)),
    ).flat(),
    troubles: parts
      .flatMap(({ troubles }) => troubles)
      .filter(({ file, says }, at, all) => all.findIndex((one) => one.file === file && one.says === says) === at),
  }
}
