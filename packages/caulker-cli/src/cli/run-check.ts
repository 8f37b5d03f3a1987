import { createChecker, type Design, type Finding } from 'caulker/inside/check'
import { checkPages } from 'caulker/inside/page'
import type { Place } from 'caulker/inside/contract'
import { shown } from '../node/find.js'
import { locate } from '../node/locate.js'
import { loadProject, openProject, type Project } from '../node/project.js'
import type { Trouble } from '../node/errors.js'
import type { CheckReport, LocatedFinding, TroubleReport } from 'caulker/inside/report'

/** Checks what is at some paths, and says where in the files each finding is. */
export async function runCheck(paths: readonly string[]): Promise<CheckReport> {
  return reportOn(await loadProject(paths), createChecker())
}

/** Checks what is at some paths again and again: only what changed, and what depends on it. */
export function openCheck(
  paths: readonly string[],
): (changed?: Iterable<string>) => Promise<CheckReport & { filesRead: number }> {
  const project = openProject(paths, { isWatched: true })
  const checker = createChecker()
  return async (changed) => ({ ...reportOn(await project.look(changed), checker), filesRead: project.filesRead })
}

function reportOn(project: Project, checker: ReturnType<typeof createChecker>): CheckReport {
  const texts = new Map<string, string>()
  const all = [...checkTogether(project, checker), ...checkPages(project.pages, project.known)]
  const findings = all.map(({ place, path, isExact, ...finding }): LocatedFinding => ({
    ...finding,
    ...positionOf(place === undefined || isExact === true ? place : locate(place, path, texts)),
  }))
  return {
    kind: 'check',
    version: 1,
    contracts: project.contracts.length,
    screens: project.screens.length,
    interiors: project.interiors.length,
    journeys: project.journeys.length,
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

/** What stands beside files that were named themselves is read with them, and only those are judged. */
function checkTogether(project: Project, checker: ReturnType<typeof createChecker>): Finding[] {
  const { beside } = project
  const isBeside = Object.values(beside).some((kind) => kind.length > 0)
  if (!isBeside) return checker(project)
  const judged = new Set(project.files)
  const both = <K extends keyof Design>(kind: K) => [...new Set([...project[kind], ...beside[kind]])] as never
  return checker({
    contracts: project.contracts,
    screens: both('screens'),
    interiors: both('interiors'),
    journeys: both('journeys'),
    topics: both('topics'),
    handlers: both('handlers'),
  }).filter(({ place }) => place === undefined || judged.has(place.file))
}
