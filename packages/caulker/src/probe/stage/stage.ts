import type { AnyContract } from '../../contract/index.js'
import { drive, type Machine } from '../../machine/index.js'
import type { Given } from '../../mount/index.js'
import { personAt } from '../person/index.js'
import { trustedPersonAt } from '../person/trusted.js'
import { ownObjects } from './around.js'
import { stateOf } from './form-state.js'
import { guardOf } from './guard.js'
import { listenAround, watchStrays } from './hearing.js'
import { mountIt, mountTwin } from './mounting.js'
import { make } from './moves.js'
import { rowAfter } from './observe.js'
import { ownerOf, unbounded } from './owner.js'
import type { Played, Row, StageOptions } from './played.js'
import { noteFault, nothingYet, rootOf, type Scene } from './scene.js'
import { placeFor } from './settings.js'
import { settle } from './settle.js'
import { tell, type Move, type Trail } from './trail.js'

/** Plays trails on fresh mounts of one component, each in a place of its own. */
export interface Stage {
  play(trail: Trail): Promise<Played>
  /** Looks at the component once it stands there settled, freshly mounted. */
  look<T>(given: Given, moves: readonly Move[], at: (container: HTMLElement) => T): Promise<T | undefined>
  /** The same at the end of a whole trail. */
  lookAt<T>(trail: Trail, at: (container: HTMLElement) => T): Promise<T | undefined>
}

export function stageFor(contract: AnyContract, options: StageOptions): Stage {
  const plans = { bounded: ownerOf(contract), unbounded: ownerOf(unbounded(contract)) }
  async function lookAt<T>(trail: Trail, at: (container: HTMLElement) => T): Promise<T | undefined> {
    let seen: T | undefined
    await play(sceneOf(contract, plans.bounded, trail, options), (container) => (seen = at(container)))
    return seen
  }

  return {
    play: (trail) =>
      play(sceneOf(contract, trail.unbounded === true ? plans.unbounded : plans.bounded, trail, options)),
    look: (given, moves, at) => lookAt({ given, moves }, at),
    lookAt,
  }
}

function sceneOf(contract: AnyContract, plan: Machine, trail: Trail, options: StageOptions): Scene {
  const { document, hands } = options
  options.frames.restart?.()
  const container = document.body.appendChild(document.createElement('div'))
  const place = placeFor(trail, container)
  // Beside a second one, a person acts at the first.
  const reach = trail.setting === 'twin' ? place : container
  const owned = ownObjects()
  const scene: Scene = {
    contract,
    plan,
    trail,
    options,
    view: document.defaultView as Window & typeof globalThis,
    container,
    place,
    person: hands === undefined ? personAt(reach) : trustedPersonAt(reach, hands),
    owned,
    runner: drive(
      plan,
      {
        tell: (_, changes) => scene.mounted?.tell(owned.copy(changes)),
        command: (_, name, args) => scene.mounted?.command(name, ...args),
        read: (_, name) => scene.mounted?.read(name),
        fault: ({ error }) => noteFault(scene, error),
      },
      { initial: trail.given, isMounting: true },
    ),
    fills: [],
    mounted: undefined,
    twin: undefined,
    recorded: undefined,
    answers: [],
    heardInAll: 0,
    since: nothingYet(),
  }
  return scene
}

async function play(scene: Scene, atEnd?: (container: HTMLElement) => void): Promise<Played> {
  const { trail, options, container } = scene
  const guard = guardOf(scene.view)
  const stopListening = listenAround(scene)
  const putBack = () => scene.since.spoils.push(...guard())
  const begin = (row: number) => {
    const breaks = options.breaks?.(trail, row)
    if (breaks !== undefined) throw new Error(breaks)
    options.onStep?.(trail, row)
  }
  try {
    try {
      begin(0)
      scene.mounted = mountIt(scene)
      scene.runner.begin()
      if (trail.setting === 'twin') mountTwin(scene)
      if (options.mountOn !== undefined) watchStrays(scene)
    } catch (thrown) {
      noteFault(scene, thrown)
    }
    putBack()
    const rows: [Row, ...Row[]] = [await mountedRow(scene)]
    scene.recorded = stateOf(rootOf(scene))
    for (const move of trail.moves) {
      const last = rows[rows.length - 1] as Row
      if (last.fault !== undefined || last.unsettled === 'flood') break
      let impossible: string | undefined
      try {
        begin(rows.length)
        impossible = await make(scene, move)
      } catch (thrown) {
        noteFault(scene, thrown)
      }
      putBack()
      rows.push(await rowAfter(scene, move, impossible))
    }
    atEnd?.(container)
    return { trail, rows }
  } finally {
    removeAll(scene)
    guard()
    container.remove()
    stopListening()
  }
}

/** The first row: what is lost at the mount is told once more, and what is heard of that belongs to no clause. */
async function mountedRow(scene: Scene): Promise<Row> {
  const { again, given } = scene.trail
  if (again === undefined || scene.since.fault !== undefined) return rowAfter(scene, undefined, undefined)
  await settle(scene, 0)
  const heard = scene.since.heard.length
  try {
    // What was reported at the mount its owner holds by now: it is set back first.
    void make(scene, tell(Object.fromEntries(again.map((name) => [name, given[name]]))))
    for (const name of again) void make(scene, { retell: name })
  } catch (thrown) {
    noteFault(scene, thrown)
  }
  const row = await rowAfter(scene, undefined, undefined)
  return { ...row, heard: row.heard.slice(0, heard) }
}

/** What a component throws while it is removed is judged by no clause of a trail that has ended. */
function removeAll({ mounted, twin }: Scene): void {
  try {
    mounted?.remove()
    twin?.mounted.remove()
  } catch {
    return
  }
}
