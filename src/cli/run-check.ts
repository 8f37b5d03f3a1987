import { check } from '../check/index.js'
import { checkPages } from '../page/index.js'
import type { Place } from '../contract/index.js'
import { shown } from '../node/find.js'
import { locate } from '../node/locate.js'
import { loadProject } from '../node/project.js'
import type { Trouble } from '../node/errors.js'
import type { CheckReport, LocatedFinding, TroubleReport } from '../report/index.js'

/** Checks the contracts and screens at some paths, and says where in the files each finding is. */
export async function runCheck(paths: readonly string[]): Promise<CheckReport> {
  const project = await loadProject(paths)
  const texts = new Map<string, string>()
  const all = [...check(project), ...checkPages(project.pages, project.known)]
  const findings = all.map(({ place, path, isExact, ...finding }): LocatedFinding => ({
    ...finding,
    ...positionOf(place === undefined || isExact === true ? place : locate(place, path, texts)),
  }))
  return {
    kind: 'check',
    version: 1,
    contracts: project.contracts.length,
    screens: project.screens.length,
    pages: project.pages.length,
    findings,
    troubles: project.troubles.map(troubleReport),
  }
}

export function troubleReport({ file, place, says }: Trouble): TroubleReport {
  return { file: shown(file), says, ...positionOf(place) }
}

function positionOf(place: Place | undefined): { file?: string; line?: number; column?: number } {
  return place === undefined ? {} : { file: shown(place.file), line: place.line, column: place.column }
}
