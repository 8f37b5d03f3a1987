import { CaulkerError, hint } from 'caulker/inside/words'
import { placeOf, waiverOf, type Waivers } from 'caulker/inside/contract'
import {
  coveringScripts,
  explore,
  isScript,
  ledgerOf,
  nameOfWiring,
  playScript,
  randomWalks,
  scriptFromJson,
  whereOf,
  withoutHosts,
  type Bounds,
  type FoundLeak,
  type PlayedScript,
  type Script,
} from 'caulker/inside/rehearse'
import type { RehearsedLeak, RehearsedWiring, TroubleReport } from 'caulker/inside/report'
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { setupFor } from '../node/config.js'
import type { Trouble } from '../node/errors.js'
import { withOddClock } from '../node/odd-clock.js'
import { locate } from '../node/locate.js'
import { loadProject, type Project } from '../node/project.js'
import { placeInJson, readJson } from '../node/read-json.js'
import { shown } from '../node/shown.js'
import { positionOf, troubleReport } from '../node/trouble-report.js'
import { task, type Around } from './task.js'

/** What is to be rehearsed at some paths. */
export interface RehearseAsked {
  readonly paths: readonly string[]
  readonly only: readonly string[] | undefined
}

export interface RehearsePlan {
  readonly names: readonly string[]
  readonly troubles: readonly TroubleReport[]
}

type Wiring = Project['screens'][number] | Project['journeys'][number]

let open: { readonly key: string; readonly project: Project } | undefined

async function projectAt({ paths }: RehearseAsked, around: Around): Promise<Project> {
  const key = paths.join('\n')
  if (open?.key !== key) open = { key, project: await loadProject(paths, around) }
  return open.project
}

/** Every journey, and every screen that is in none of them: those are rehearsed where they stand. */
function wiringsIn({ screens, journeys }: Project, only: readonly string[] | undefined): Wiring[] {
  const within = new Set(journeys.flatMap((journey) => Object.values(journey.screens)))
  const all: Wiring[] = [...journeys, ...screens]
  if (only === undefined) return [...journeys, ...screens.filter((screen) => !within.has(screen))]
  const names = all.map(nameOfWiring)
  for (const name of only)
    if (!names.includes(name))
      throw new CaulkerError(
        'bad-argument',
        `--only ${name}: there is no such screen or journey here${hint(name, names)}`,
      )
  return all.filter((wiring) => only.includes(nameOfWiring(wiring)))
}

/** Which screens and journeys there are to rehearse. */
export const rehearsePlan = task(async (asked: RehearseAsked, around): Promise<RehearsePlan> => {
  const project = await projectAt(asked, around)
  const all = wiringsIn(project, asked.only)
  const doubled = all.filter((wiring) => wiring !== wiringNamed(project, nameOfWiring(wiring)))
  return {
    names: all.filter((wiring) => !doubled.includes(wiring)).map(nameOfWiring),
    troubles: [...project.troubles, ...doubled.map((wiring) => doubledTrouble(project, wiring))].map(troubleReport),
  }
})

/** Wirings are told apart by their names: of two alike the first is rehearsed, and the other is not taken for it. */
function doubledTrouble(project: Project, wiring: Wiring): Trouble {
  const name = nameOfWiring(wiring)
  const [place, first] = [placeOf(wiring), placeOf(wiringNamed(project, name))]
  return {
    file: place?.file ?? '',
    place,
    says: `a second ${wiring.kind} is called '${name}', as the one at ${first === undefined ? 'another place' : `${shown(first.file)}:${first.line}`}; give it a name of its own to have it rehearsed`,
  }
}

/** What is asked of one exploration; the memory says whether it is to end. */
export interface ExploreAsked extends RehearseAsked {
  readonly name: string
  readonly bounds: Partial<Bounds>
  readonly ended: SharedArrayBuffer
  readonly replay: string
  /** Whether scripts that pass over every transition are wanted. */
  readonly covers: boolean
  /** How many random walks are wanted, and of which seed. */
  readonly walks: number
  readonly seed: number
}

export interface ExploreAnswer {
  readonly wiring: RehearsedWiring
  readonly scripts: readonly Script[]
  readonly walks: readonly Script[]
  readonly cover: { readonly scripts: readonly Script[]; readonly passed: number; readonly all: number } | undefined
}

/** Explores one screen or journey. */
export const exploreOne = task(
  async (asked: ExploreAsked, around): Promise<ExploreAnswer | { readonly trouble: TroubleReport }> => {
    const project = await projectAt(asked, around)
    const stuck = around.skip.find(({ says }) => says.startsWith(`'${asked.name}' `))
    if (stuck !== undefined) return { trouble: troubleReport(stuck) }
    const wiring = wiringNamed(project, asked.name)
    const file = placeOf(wiring)?.file ?? ''
    const isEnded = new Int32Array(asked.ended)
    around.begin({ file, what: 'rehearse', name: asked.name })
    const explored = withOddClock(() =>
      explore(wiring, {
        ...asked.bounds,
        makeHost,
        progress(progress) {
          around.begin({ file, what: 'rehearse', name: asked.name, ...progress })
          return Atomics.load(isEnded, 0) === 0
        },
      }),
    )
    const { leaks, transitions, ends, ...rest } = explored
    const waived = leaks.flatMap((leak) => {
      const reason = waiverFor(wiring, leak)
      return reason === undefined ? [] : [{ invariant: leak.invariant.id, reason, leak }]
    })
    const texts = new Map<string, string>()
    const told = leaks
      .filter((leak) => waived.every((one) => one.leak !== leak))
      .map((leak) => leakReport(wiring, leak, texts))
    return {
      wiring: {
        wiring: wiring.kind,
        name: asked.name,
        file: shown(file),
        ...rest,
        ...positionOf(placeOf(wiring)),
        leaks: told,
        waived: waived.map(({ invariant, reason }) => ({ invariant, reason })),
        ...(ends === undefined ? {} : { ends: { asked: ends.asked, unknown: ends.unknown } }),
        replay: `${asked.replay} ${shown(file)} --only ${asked.name}`,
      },
      scripts: told.map(({ trail, says }) => ({ kind: 'script', title: says, of: asked.name, steps: trail })),
      walks: withoutHosts(await randomWalks(wiring, { ...asked, makeHost })),
      cover: asked.covers ? withoutHosts(coveringScripts(wiring, explored)) : undefined,
    }
  },
)

/** Where scripts are played live: the file of what they are of, and the modules that define its elements. */
export interface LivePlan {
  readonly of: string
  readonly file: string
  readonly defines: readonly string[]
  readonly scripts: readonly Script[]
}

/** What has to be loaded to play some scripts on a page. */
export const livePlan = task(
  async (
    {
      files,
      scripts,
      trail,
      ...asked
    }: RehearseAsked & {
      readonly files: readonly string[]
      readonly scripts: readonly Script[]
      readonly trail?: string | undefined
    },
    around,
  ): Promise<LivePlan[]> => {
    const project = await projectAt(asked, around)
    const all = [...scripts]
    for (const file of files) all.push(...(await scriptsIn(resolve(file), project)))
    if (trail !== undefined) all.push(trailScript(trail, wiringsIn(project, asked.only)))
    const plans: LivePlan[] = []
    for (const of of new Set(all.map((script) => script.of))) {
      const file = placeOf(wiringNamed(project, of))?.file ?? ''
      const { defines } = await setupFor(of, file, project.load)
      plans.push({ of, file, defines, scripts: withoutHosts(all.filter((script) => script.of === of)) })
    }
    return plans
  },
)

/** A script as it was played on the screen or journey that it is of. */
export const playScripts = task(
  async (
    {
      files,
      trail,
      ...asked
    }: RehearseAsked & { readonly files: readonly string[]; readonly trail: string | undefined },
    around,
  ): Promise<PlayedScript[]> => {
    const project = await projectAt(asked, around)
    const scripts: { script: Script; file: string }[] = []
    for (const file of files)
      for (const script of await scriptsIn(resolve(file), project)) scripts.push({ script, file })
    if (trail !== undefined)
      scripts.push({ script: trailScript(trail, wiringsIn(project, asked.only)), file: '--play' })
    return scripts.map(({ script, file }) => {
      try {
        const wiring = wiringNamed(project, script.of)
        around.begin({ file: placeOf(wiring)?.file ?? '', what: 'rehearse', name: script.of })
        return playScript(wiring, script)
      } catch (thrown) {
        if (thrown instanceof CaulkerError) throw new CaulkerError(thrown.code, `${file}: ${thrown.message}`)
        throw thrown
      }
    })
  },
)

async function scriptsIn(file: string, { load }: Project): Promise<Script[]> {
  if (!/\.json$/.test(file)) {
    const all = Object.values((await load(file)) as object).filter(isScript)
    if (all.length === 0)
      throw new CaulkerError('bad-file', `${shown(file)}: exports no script; export what script(…) returned`)
    return all
  }
  try {
    readFileSync(file)
  } catch {
    throw new CaulkerError('bad-file', `${shown(file)}: there is no such file`)
  }
  try {
    return [scriptFromJson(readJson(file))]
  } catch (thrown) {
    if (!(thrown instanceof CaulkerError)) throw thrown
    const step = /step (\d+):/.exec(thrown.message)?.[1]
    const { line, column } = placeInJson(file, step === undefined ? [] : ['steps', (Number(step) - 1) as never])
    throw new CaulkerError(thrown.code, `${shown(file)}:${line}:${column}: ${thrown.message}`)
  }
}

function trailScript(text: string, wirings: readonly Wiring[]): Script {
  const [wiring] = wirings
  if (wiring === undefined || wirings.length > 1)
    throw new CaulkerError(
      'bad-argument',
      `--play needs one screen or journey: name it with --only${wiring === undefined ? '' : ` ${nameOfWiring(wiring)}`}`,
    )
  let steps: unknown
  try {
    steps = JSON.parse(text)
  } catch {
    throw new CaulkerError(
      'bad-argument',
      `--play: ${text.slice(0, 40)} is no JSON; write a list of steps, such as '[{"press":"next"}]'`,
    )
  }
  return scriptFromJson({ script: 1, of: nameOfWiring(wiring), title: 'this trail', steps })
}

function wiringNamed({ screens, journeys, beside }: Project, name: string): Wiring {
  const all: Wiring[] = [...journeys, ...screens, ...beside.journeys, ...beside.screens]
  const found = all.find((one) => nameOfWiring(one) === name)
  if (found !== undefined) return found
  const names = all.map(nameOfWiring)
  throw new CaulkerError('bad-script', `there is no screen or journey '${name}' at these paths${hint(name, names)}`)
}

/** Why a leak is knowingly left: said by the journey, or by the screen on which it is. */
function waiverFor(wiring: Wiring, leak: FoundLeak): string | undefined {
  const { screen } = whereOf(wiring, leak)
  const screens = 'screens' in wiring ? wiring.screens : {}
  const names = [leak.subject, ...leak.subject.split(' '), screen]
  const all: (Waivers | undefined)[] = [wiring.waives, screens[screen]?.waives]
  return all
    .map((waives) => waives && waiverOf(waives, leak.invariant.id, names))
    .find((reason) => reason !== undefined)
}

function leakReport(wiring: Wiring, leak: FoundLeak, texts: Map<string, string>): RehearsedLeak {
  const { place, path, screen } = whereOf(wiring, leak)
  const { id, title, mend } = leak.invariant
  return {
    invariant: id,
    title,
    says: leak.says,
    mend: leak.mend ?? mend,
    screen,
    ...positionOf(place === undefined ? undefined : locate(place, path, texts)),
    trail: withoutHosts(leak.trail),
    ledger: ledgerOf(wiring, leak.trail, leak),
  }
}

const files = new Map<string, File>()

/** Host objects that Node has, too. */
function makeHost(name: string): unknown[] {
  if (name !== 'File') return []
  const file = files.get(name) ?? new File(['survey'], 'hull.jpg', { type: 'image/jpeg' })
  files.set(name, file)
  return [file]
}
