import { CaulkerError } from 'caulker/inside/words'
import { hitBy } from 'caulker/inside/check'
import { compareContracts, nextVersion, type Place } from 'caulker/inside/contract'
import { compareText, reportJson, type CompareReport } from 'caulker/inside/report'
import { shown } from '../node/shown.js'
import { locate } from '../node/locate.js'
import { loadProject } from '../node/project.js'
import { troubleReport } from '../node/trouble-report.js'
import { EXIT } from '../node/exit.js'
import type { Answer } from './check-answer.js'
import { task } from './task.js'

/** One side of a comparison: how it was named, where its files are, and the version that its package.json says. */
export interface ComparedSide {
  readonly named: string
  readonly path: string
  readonly version: string | undefined
}

export interface Compared {
  readonly old: ComparedSide
  readonly now: ComparedSide
  readonly screens: readonly string[] | undefined
  readonly format: 'text' | 'json'
  readonly colour: boolean
}

/** Compares the contracts of two sides, and finds the fittings that each change hits. */
export const compare = task(
  async ({ old, now, screens: screenPaths, format, colour }: Compared, around): Promise<Answer> => {
    const [before, after] = [await loadProject([old.path], around), await loadProject([now.path], around)]
    for (const [{ named }, { contracts, troubles }] of [
      [old, before],
      [now, after],
    ] as const)
      if (contracts.length + troubles.length === 0)
        throw new CaulkerError('bad-argument', `${named}: no contract was found there`)
    const { screens } = screenPaths === undefined ? after : await loadProject(screenPaths, around)
    const texts = new Map<string, string>()
    const position = (place: Place | undefined, path: readonly string[]) => {
      const found = place === undefined ? undefined : locate(place, path, texts)
      return found === undefined ? {} : { file: shown(found.file), line: found.line, column: found.column }
    }
    const all = compareContracts(before.contracts, after.contracts)
    // What could not be read is neither gone nor new.
    const unread = { major: after.troubles.length > 0, minor: before.troubles.length > 0, patch: false }
    const changes = all.filter(
      ({ path, weight, says }) => path.length > 0 || !unread[weight] || !/ is (?:gone|new)$/.test(says),
    )
    const next = old.version === undefined ? undefined : nextVersion(old.version, changes)
    const report: CompareReport = {
      kind: 'compare',
      version: 1,
      ...(old.version === undefined || next === undefined ? {} : { from: old.version, next }),
      changes: changes.map((change) => ({
        ...change,
        hits: hitBy(
          change,
          screens,
          after.contracts.find((one) => one.tag === change.contract),
        ).map(({ screen, fitting, place, path }) => ({ screen, fitting, ...position(place, path) })),
      })),
      troubles: [...before.troubles, ...after.troubles].map(troubleReport),
    }
    const text = compareText(report, { colour })
    return { printed: format === 'json' ? reportJson(report) : text, answer: text, code: codeOf(report) }
  },
)

function codeOf({ troubles, changes }: CompareReport): number {
  if (troubles.length > 0) return EXIT.unjudged
  return changes.some((change) => change.weight === 'major') ? EXIT.leaks : EXIT.sound
}
