import { parentPort, workerData } from 'node:worker_threads'
import { refuseUndefined } from 'caulker/inside/dom'
import { playAllLive } from 'caulker/inside/live'
import { adoptDefined, probe } from 'caulker/inside/probe'
import { stepText } from 'caulker/inside/probe'
import { importParts } from './embedded-parts.js'
import type { EmbeddedWindow } from './embedded-window.js'
import { troubleOf } from './errors.js'
import { beat } from './heartbeat.js'
import { readDesign } from './read-contract.js'
import { watchIntrinsics } from './intrinsics.js'
import { createLoader, type Loader } from './load.js'
import { brokeOff, brokenAt, wiringIn, type Plays, type ProbeJob, type ProbeMessage } from './probe-job.js'

await importParts()
const { openEmbeddedWindow } = await import('./embedded-window.js')

const isUnspoiled = watchIntrinsics()

/** A document with the elements of some modules in it; a second is far slower than the first, so it is kept while it is clean. */
interface Place {
  readonly modules: string
  readonly window: EmbeddedWindow
  readonly load: Loader
}

let place: Place | undefined

function placeFor(defines: readonly string[]): Place {
  const modules = defines.join('\n')
  if (place !== undefined && (place.modules !== modules || !place.window.isClean())) {
    place.window.close()
    place = undefined
  }
  return (place ??= { modules, window: openEmbeddedWindow(), load: createLoader() })
}

/** Modules are evaluated once a thread: where one has left something behind, or changed the language's own objects, the thread has served. */
function isUsedUp(): boolean {
  return !isUnspoiled() || place?.window.isClean() === false
}

/** Probes one component after another. The thread is ended when a component never comes back. */
async function work(job: ProbeJob): Promise<ProbeMessage> {
  if (job.plays !== undefined) return playAll(job, job.plays)
  return job.adopts === undefined ? probeOne(job) : adoptAll(job, job.adopts)
}

async function playAll({ file, defines }: ProbeJob, { of, scripts }: Plays): Promise<ProbeMessage> {
  const {
    window: { document, frames },
    load,
  } = placeFor(defines)
  let loading = file
  try {
    const wiring = wiringIn(await readDesign(file, load), of)
    for (const module of defines) await load((loading = module))
    loading = file
    const played = await playAllLive(wiring, scripts, { document, frames }, (title) =>
      beat(workerData as SharedArrayBuffer, title),
    )
    return { kind: 'played', played, spoiled: isUsedUp() }
  } catch (thrown) {
    return { kind: 'trouble', trouble: troubleOf(loading, thrown), spoiled: isUsedUp() }
  }
}

async function adoptAll(job: ProbeJob, tags: readonly string[]): Promise<ProbeMessage> {
  const { defines } = job
  const { window, load } = placeFor(defines)
  let loading = ''
  const loadAll = async () => {
    for (const module of defines) await load((loading = module))
  }
  const onTag = (tag: string) => beat(workerData as SharedArrayBuffer, `adopt ${tag}`)
  try {
    const adopted = await adoptDefined(tags, loadAll, { ...window, onTag })
    return { kind: 'adopted', adopted, spoiled: isUsedUp() }
  } catch (thrown) {
    return { kind: 'trouble', trouble: troubleOf(loading, thrown), spoiled: isUsedUp() }
  }
}

async function probeOne(job: ProbeJob): Promise<ProbeMessage> {
  const { file, tag, defines, seed, moves, clauses, gestures, broken } = job
  const {
    window: { document, frames },
    load,
  } = placeFor(defines)
  let loading = file
  try {
    const contract = (await readDesign(file, load)).contracts.find((one) => one.tag === tag)
    if (contract === undefined) throw new Error(`there is no contract '${tag}' here any more`)
    for (const module of defines) await load((loading = module))
    loading = file
    refuseUndefined(contract)
    const report = await probe(contract, {
      document,
      frames,
      seed,
      ...(moves === undefined ? {} : { moves }),
      gestures,
      ...(clauses === undefined ? {} : { clauses }),
      onStep: (trail, row) => beat(workerData as SharedArrayBuffer, stepText(contract, trail, row)),
      breaks: (trail, row) => brokenAt(broken, stepText(contract, trail, row)),
    }).catch((thrown: unknown) => {
      throw brokeOff(tag, thrown)
    })
    return { kind: 'done', report, spoiled: isUsedUp() }
  } catch (thrown) {
    return { kind: 'trouble', trouble: troubleOf(loading, thrown), spoiled: isUsedUp() }
  }
}

function post(message: ProbeMessage): void {
  parentPort?.postMessage(message)
}

parentPort?.on('message', (job: ProbeJob) => void work(job).then(post))
