import { CaulkerError, hint } from '../words/index.js'
import type { Given, Heard, Mounted } from '../mount/index.js'
import { drive, type DriveOptions, type Driver } from './driver.js'
import { typeWatch } from './type-watch.js'
import type { Host, InvalidField } from './host.js'
import type { FittingPlan, Machine } from './plan/index.js'

/** Who puts components in their places and takes them away: elements on a page, ideal components in memory. */
export interface Crew {
  mount(fitting: FittingPlan, given: Given, hear: (heard: Heard) => void, row: string | undefined): Mounted
  /** What a mounted component says against its own value; empty where nothing is wrong. */
  invalid?(fitting: FittingPlan, mounted: Mounted, row: string | undefined): string
  /** A screen is in front: its fittings are mounted next. */
  enter?(screen: string): void
  /** A screen is left: its fittings are gone. */
  leave?(screen: string): void
  /** The places of the entries are put into this order, before what is new is mounted and after what is gone was removed. */
  order?(fitting: FittingPlan, keys: readonly string[]): void
}

/** The rows of a fitting that has none. */
const ONLY = [undefined]

export type OtherHost = Omit<Host, 'tell' | 'command' | 'read' | 'commit' | 'rows'>

/** A machine that runs over mounted components. */
export interface Running {
  readonly driver: Driver
  /** One mounted component of the screen in front; of rows, the one with the key. */
  component(fitting: string, row?: string): Mounted
  /** What is mounted now, by fitting and, of rows, its key: `seam/bow`. Who brings an earlier state back puts back what was mounted then. */
  readonly mounted: Map<string, Mounted>
  remove(): void
}

/** How long what is being typed may take to be committed, in milliseconds. */
export interface CommitLimit {
  wait(milliseconds: number, then: () => void): () => void
  readonly limit: number
}

/** Runs a machine over components: mounts those of the screen in front, and of rows one for each entry. */
export function driveOver(
  machine: Machine,
  crew: Crew,
  host: OtherHost,
  options: DriveOptions & { readonly commits?: CommitLimit } = {},
): Running {
  const mounted = new Map<string, Mounted>()
  const key = (fitting: string, row?: string) => (row === undefined ? fitting : `${fitting}/${row}`)
  const at = (fitting: string, row?: string) => mounted.get(key(fitting, row))
  const planOf = (fitting: string) => machine.fittings[driver.index('fitting', fitting)] as FittingPlan

  const driver: Driver = drive(
    machine,
    {
      ...host,
      tell(fitting, changes, row) {
        typeWatch()?.told(`${machine.name} / ${fitting}`, planOf(fitting).contract, changes)
        at(fitting, row)?.tell(changes)
      },
      command: (fitting, name, args, row) => at(fitting, row)?.command(name, ...args),
      read: (fitting, name, row) => at(fitting, row)?.read(name),
      commit,
      rows: (fitting, keys) => placeRows(planOf(fitting), keys),
      go(way) {
        removeAll()
        crew.leave?.(way.from)
        crew.enter?.(way.to)
        mountAll()
        host.go?.(way)
      },
    },
    { ...options, isMounting: true },
  )

  function mountOne(fitting: FittingPlan, row: string | undefined): void {
    const { name } = fitting
    const hear = ({ event, payload, values, veto, isTyping }: Heard) => {
      if (mounted.get(key(name, row)) !== own && own !== undefined) return
      typeWatch()?.heard(`${machine.name} / ${name}`, fitting.contract, event, payload)
      if (veto !== undefined && driver.vetoes(name, event, payload)) veto()
      driver.hear(name, event, payload, values, row, isTyping)
    }
    let own: Mounted | undefined
    own = crew.mount(fitting, driver.given(name, row), hear, row)
    mounted.set(key(name, row), own)
  }

  function mountAll(): void {
    const front = machine.screens.find(({ name }) => name === driver.front())
    for (const index of front?.fittings ?? []) {
      const fitting = machine.fittings[index] as FittingPlan
      const rows = driver.rows(fitting.name)
      if (rows === undefined) mountOne(fitting, undefined)
      else placeRows(fitting, rows)
      if (fitting.shown !== undefined) host.show?.(fitting.name, driver.isShown(fitting.name))
      const problem = rows === undefined ? driver.problem(fitting.name) : ''
      if (problem !== '') host.problem?.(fitting.name, problem)
    }
  }

  function placeRows(fitting: FittingPlan, keys: readonly string[]): void {
    const before = [...mounted.keys()].filter((one) => one.startsWith(`${fitting.name}/`))
    for (const one of before)
      if (!keys.includes(one.slice(fitting.name.length + 1))) {
        mounted.get(one)?.remove()
        mounted.delete(one)
      }
    crew.order?.(fitting, keys)
    for (const row of keys) if (!mounted.has(key(fitting.name, row))) mountOne(fitting, row)
  }

  function commit(fittings: readonly string[], done: (invalid: readonly InvalidField[]) => void): void {
    const all: { readonly name: string; readonly row: string | undefined; readonly one: Mounted }[] = []
    for (const name of fittings)
      for (const row of driver.rows(name) ?? ONLY) {
        const one = at(name, row)
        if (one !== undefined) all.push({ name, row, one })
      }
    const slow = new Map<(typeof all)[number], Promise<void>>()
    for (const each of all) {
      const committed = each.one.commit()
      if (committed instanceof Promise) slow.set(each, committed)
    }
    const end = (unended: ReadonlySet<unknown>) =>
      done(
        all.flatMap(({ name, row, one }, index) => {
          const text = unended.has(all[index])
            ? 'This has not been finished yet'
            : (crew.invalid?.(planOf(name), one, row) ?? '')
          return text === '' ? [] : [{ fitting: name, row, text }]
        }),
      )
    if (slow.size === 0) return end(new Set())
    const waiting = new Set<unknown>(slow.keys())
    let isOver = false
    const over = () => {
      if (isOver) return
      isOver = true
      stop?.()
      end(waiting)
    }
    const stop = options.commits?.wait(options.commits.limit, over)
    for (const [each, promise] of slow)
      promise.then(
        () => waiting.delete(each) && waiting.size === 0 && over(),
        (error: unknown) => host.fault?.({ place: `commit of ${each.name}`, error }),
      )
  }

  function removeAll(): void {
    const all = [...mounted.values()]
    mounted.clear()
    for (const one of all)
      try {
        one.remove()
      } catch (error) {
        host.fault?.({ place: 'removal of a fitting', error })
      }
  }

  try {
    crew.enter?.(driver.front())
    mountAll()
  } catch (thrown) {
    // A mount that fails leaves nothing behind.
    driver.end()
    removeAll()
    throw thrown
  }
  driver.begin()
  return {
    driver,
    mounted,
    component(fitting, row) {
      const found = at(fitting, row)
      if (found !== undefined) return found
      throw new CaulkerError(
        'unknown-name',
        `${driver.who()} has no fitting '${key(fitting, row)}'${hint(key(fitting, row), mounted.keys())}`,
      )
    },
    remove() {
      driver.end()
      removeAll()
    },
  }
}
