import { createChecker, type Design, type Finding } from 'caulker/inside/check'
import { placeOf, type AnyContract } from 'caulker/inside/contract'
import { checkPages } from 'caulker/inside/page'
import type { CheckReport, LocatedFinding } from 'caulker/inside/report'
import { locate } from '../node/locate.js'
import { loadProject, openProject, type OpenProject, type Project } from '../node/project.js'
import { positionOf, troubleReport } from '../node/trouble-report.js'
import { checkAnswer, type CheckWishes } from './check-answer.js'
import { task, type Around } from './task.js'

type Checker = ReturnType<typeof createChecker>

const checkerFor = ({ begin }: Pick<Around, 'begin'>): Checker =>
  createChecker(undefined, (written, name) => begin({ file: placeOf(written)?.file ?? '', what: 'read', name }))

export interface CheckAsked {
  readonly paths: readonly string[]
  readonly wishes: CheckWishes
}

/** Checks what is at some paths, and says where in the files each finding is. */
export const check = task(async ({ paths, wishes }: CheckAsked, around) =>
  checkAnswer(reportOn(await loadProject(paths, around), checkerFor(around)), wishes),
)

let open: { readonly project: OpenProject; readonly checker: Checker } | undefined

/** Checks what is at some paths again and again: only what changed, and what depends on it. */
export const checkAgain = task(
  async ({ paths, wishes, changed }: CheckAsked & { readonly changed: readonly string[] }, around) => {
    open ??= { project: openProject(paths, { ...around, isWatched: true }), checker: checkerFor(around) }
    const report = reportOn(await open.project.look(changed), open.checker)
    return { ...checkAnswer(report, wishes), filesRead: open.project.filesRead }
  },
)

/** What is placed on a screen is known, wherever its contract stands. */
function contractsAbout({ known, screens }: Project): AnyContract[] {
  const placed = screens.flatMap(({ fittings }) => Object.values<AnyContract>(fittings))
  return [...new Set([...known, ...placed.filter(({ tag }) => !known.some((one) => one.tag === tag))])]
}

function reportOn(project: Project, checker: Checker): CheckReport {
  const texts = new Map<string, string>()
  const all = [...checkTogether(project, checker), ...checkPages(project.pages, contractsAbout(project))]
  const findings = all.map(({ place, path, isExact, needsWhole, ...finding }): LocatedFinding => ({
    ...(needsWhole === true && !project.isWhole ? unsure(finding) : finding),
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

/** What more of the project could show to be sound is no error of the part that was given. */
function unsure<F extends { level: Finding['level']; says: string }>(finding: F): F {
  return {
    ...finding,
    level: 'note',
    says: `${finding.says} here; whether one elsewhere does cannot be told without a caulker.config that spans the project`,
  }
}

/** What stands beside what was named is read with it, and only what was named is judged. */
function checkTogether(project: Project, checker: Checker): Finding[] {
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
