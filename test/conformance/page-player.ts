import type { AnyContract, AnyScreen, Journey } from 'caulker'
import { elementMount, mountJourney, mountScreen } from 'caulker/dom'
import type { Fault } from 'caulker/inside/machine'
import { defineElements, type Operable } from './elements.js'
import type { Player, Run, RunOptions } from './player.js'

interface Out {
  readonly operation: string
  readonly resolve: (given: unknown) => void
  readonly reject: (error: unknown) => void
  readonly isOver: () => boolean
}

/** Plays a row over hand-written elements, in whatever window there is; sources are promises that are settled by hand. */
export function pagePlayer(view: Window & typeof globalThis): Player {
  defineElements(view)
  return { name: 'page', run: (wiring, options = {}) => pageRun(view, wiring as never, options) }
}

function pageRun(view: Window & typeof globalThis, wiring: AnyScreen | Journey, options: RunOptions): Run {
  const { document } = view
  const root = document.createElement(options.isInForm === true ? 'form' : 'div')
  const screens: [string, AnyScreen][] =
    wiring.kind === 'journey' ? Object.entries((wiring as Journey).screens) : [['', wiring as AnyScreen]]
  root.innerHTML = screens.map(([name, screen]) => markupOf(name, screen)).join('')
  document.body.replaceChildren(root)

  const out: Out[] = []
  const seen = { calls: [] as Run['calls'], aborted: 0, told: [] as string[] }
  const records = {
    refusals: [] as Run['refusals'],
    amendments: [] as Run['amendments'],
    faults: [] as Fault[],
    stays: [] as string[],
    announced: [] as Run['announced'],
  }
  const answers =
    (source: string, operation: string) =>
    (given: unknown, { signal }: { signal: AbortSignal }) => {
      seen.calls.push({ operation: `${source}.${operation}`, given })
      return new Promise((resolve, reject) => {
        let isOver = false
        const end = (with_: (value: unknown) => void) => (value: unknown) => ((isOver = true), with_(value))
        signal.addEventListener('abort', () => seen.aborted++)
        out.push({
          operation: `${source}.${operation}`,
          resolve: end(resolve),
          reject: end(reject),
          isOver: () => isOver || signal.aborted,
        })
      })
    }
  const sources = Object.fromEntries(
    screens.flatMap(([, screen]) =>
      Object.entries(screen.sources as Record<string, { operations: object }>).map(([source, { operations }]) => [
        source,
        Object.fromEntries(Object.keys(operations).map((name) => [name, answers(source, name)])),
      ]),
    ),
  )
  const store = view.sessionStorage
  store.clear()
  for (const [name, text] of Object.entries(options.stored ?? {})) store.setItem(name, text)
  const shared = {
    sources,
    initial: options.initial ?? {},
    limits: { answer: 40, commit: 30 },
    mounts: Object.fromEntries(
      (options.endless ?? []).map((name) => [
        name,
        (contract: AnyContract, given: object, hear: never) => ({
          ...elementMount({ into: root })(contract, given as never, hear),
          commit: () => new Promise<void>(() => undefined),
        }),
      ]),
    ),
    onFault: (fault: Fault) => void records.faults.push(fault),
    onRefused: (refusal: never) => void records.refusals.push(refusal),
    onAmended: (amendment: never) => void records.amendments.push(amendment),
  }
  const heard = (event: Event) =>
    records.announced.push((event as CustomEvent<{ topic: string; value: unknown }>).detail)
  document.addEventListener('caulker-topic', heard)
  const mounted =
    wiring.kind === 'journey'
      ? mountJourney(wiring as Journey, root, {
          ...(shared as object),
          store: { in: store, as: 'trip', version: options.version ?? 1 },
          onStay: (reason) => records.stays.push(reason),
        })
      : mountScreen(wiring as AnyScreen, root, shared as never)
  for (const one of root.querySelectorAll<Operable>('[data-fitting]')) one.dataset['given'] = `${one.log?.length ?? 0}`
  const front = () => ('front' in mounted ? (mounted.front as () => string)() : '')
  const place = () =>
    (wiring.kind === 'journey' ? root.querySelector(`[data-screen="${front()}"]`) : root) as ParentNode
  const rowOf = (fitting: string, row: string) => {
    const all = [...place().querySelectorAll<Operable>(`[data-fitting="${fitting}"]`)]
    return all.find(
      (one) => mounted.component(fitting, row).read('n') === (one as never as { n: unknown }).n && keyOf(one) === row,
    )
  }
  const keyOf = (one: Element) => keys(one.getAttribute('data-fitting') ?? '')[indexOf(one)]
  const indexOf = (one: Element) =>
    [...place().querySelectorAll(`[data-fitting="${one.getAttribute('data-fitting')}"]`)].indexOf(one)
  const keys = (fitting: string): string[] => {
    const screen = screens.find(([name]) => name === front())?.[1]
    const { source, key } = screen?.rows[fitting] ?? {}
    const list = source === undefined ? [] : (mounted.read(source.name as never) as Record<string, unknown>[])
    return list.map((entry) => String(entry[key ?? '']))
  }
  const at = (fitting: string, row?: string): Operable =>
    (row === undefined ? place().querySelector(`[data-fitting="${fitting}"]`) : rowOf(fitting, row)) as Operable
  const tick = async () => {
    for (let turn = 0; turn < 8; turn++) await Promise.resolve()
  }
  const after = (milliseconds: number) => new Promise<void>((done) => setTimeout(done, milliseconds))
  const waiting = (operation: string, which: number) =>
    out.filter((one) => one.operation === operation && !one.isOver())[which] as Out

  return {
    edit: (fitting, name, to, row) => at(fitting, row).person(name, to),
    type: (fitting, name, to) => at(fitting).type(name, to),
    leave(fitting, row) {
      at(fitting, row).focus()
      at(fitting, row).blur()
    },
    press: (fitting, event = 'press', payload = null, row) => {
      if (!at(fitting, row).hidden) at(fitting, row).send(event, payload)
    },
    report(fitting, event, values) {
      const element = at(fitting)
      for (const [name, value] of Object.entries(values))
        (element as never as { held: Record<string, unknown> }).held[name] = value
      const single = Object.values(values)[0]
      const isOne = Object.keys(values).length === 1
      element.send(event, isOne ? { value: single } : values)
    },
    set: (changes) => mounted.setAll(changes as never),
    act: (action) => mounted.act(action as never),
    submit: () => mounted.submit(),
    reset: () => mounted.reset(),
    async travel(to) {
      const { at: now } = (mounted as unknown as { way(): { at: number } }).way()
      const entry = () => (view.history.state as { caulker?: { at?: number } } | null)?.caulker?.at
      for (let turns = 0; turns < 500 && entry() !== now; turns++) await after(10)
      // A turn that was asked for earlier may still arrive: only the one to the entry that is meant counts.
      const { promise: turned, resolve } = promised()
      const heard = () => entry() === to && resolve()
      view.addEventListener('popstate', heard)
      view.history.go(to - now)
      await Promise.race([turned, after(5000)])
      view.removeEventListener('popstate', heard)
      await after(20)
    },
    async answer(operation, given, which = 0) {
      waiting(operation, which).resolve(given)
      await tick()
    },
    async fail(operation, reason, problems = {}, which = 0) {
      waiting(operation, which).reject(Object.assign(new Error(reason), { problems }))
      await tick()
    },
    giveUp: () => after(60),
    async answerLate(call, given) {
      out[call]?.resolve(given)
      await tick()
    },
    read: (name) => mounted.read(name as never),
    shown: (fitting, name, row) => mounted.component(fitting, row).read(name),
    front,
    rows: (fitting) => [...place().querySelectorAll(`[data-fitting="${fitting}"]`)].map((one) => keyOf(one) as string),
    isShown: (fitting) => !at(fitting).hidden,
    problem: mounted.problem,
    draft: mounted.draft,
    pending: () => mounted.pending().map(({ operation }) => operation),
    get told() {
      return told(place(), keyOf)
    },
    calls: seen.calls,
    get aborted() {
      return seen.aborted
    },
    ...records,
    remove() {
      mounted.remove()
      document.removeEventListener('caulker-topic', heard)
    },
  }
}

function promised(): { promise: Promise<void>; resolve: () => void } {
  let resolve = (): void => undefined
  const promise = new Promise<void>((done) => (resolve = done))
  return { promise, resolve }
}

/** What elements were told since they were mounted: what they were given first is not counted. */
function told(place: ParentNode, keyOf: (one: Element) => string | undefined): string[] {
  return [...place.querySelectorAll<Operable>('[data-fitting]')].flatMap((one) => {
    const name = one.getAttribute('data-fitting')
    const isRow = one.parentElement?.hasAttribute('data-row') === true
    return one.log
      .slice(Number(one.dataset['given']))
      .map((entry) => `${name}${isRow ? `/${keyOf(one)}` : ''}.${entry}`)
  })
}

function markupOf(name: string, screen: AnyScreen): string {
  const fittings = Object.entries(screen.fittings as Record<string, AnyContract>).map(([fitting, { tag }]) => {
    const element = `<${tag} data-fitting="${fitting}"></${tag}>`
    return Object.hasOwn(screen.rows, fitting)
      ? `<template data-rows="${fitting}"><p data-row>${element}</p></template>`
      : element
  })
  return name === ''
    ? fittings.join('')
    : `<section data-screen="${name}"><h2>${name}</h2>${fittings.join('')}</section>`
}
