import { expect } from 'chai'
import { call, contract, load, oneWay, reckon, screen, source, twoWay, Type, type AnyScreen } from 'caulker'
import { mountJourney, mountScreen } from 'caulker/dom'
import { defineElements, type Operable } from './conformance/elements.js'
import { trip } from './conformance/journey-rows.js'
import { count, office, tag, whole } from './conformance/parts.js'
import { openWindow } from './support/window.js'
import { WHOLE } from './support/whole.js'

/** 1,000 where the whole is asked. */
const MOUNTS = WHOLE ? 1000 : 200

/** Counts what stays behind: listeners on elements and the window, timers, elements, and calls that nobody aborted. */
function watched(view: Window & typeof globalThis) {
  const counts = { listeners: 0, timers: new Set<unknown>(), out: 0 }
  const { addEventListener, removeEventListener } = view.EventTarget.prototype
  const { setTimeout, clearTimeout } = globalThis
  view.EventTarget.prototype.addEventListener = function (
    this: EventTarget,
    ...args: Parameters<EventTarget['addEventListener']>
  ) {
    counts.listeners++
    return addEventListener.apply(this, args)
  }
  view.EventTarget.prototype.removeEventListener = function (
    this: EventTarget,
    ...args: Parameters<EventTarget['removeEventListener']>
  ) {
    counts.listeners--
    return removeEventListener.apply(this, args)
  }
  globalThis.setTimeout = ((work: () => void, ...rest: [number]) => {
    const timer = setTimeout(
      () => {
        counts.timers.delete(timer)
        work()
      },
      ...rest,
    )
    counts.timers.add(timer)
    return timer
  }) as never
  globalThis.clearTimeout = ((timer: Parameters<typeof clearTimeout>[0]) => {
    counts.timers.delete(timer)
    clearTimeout(timer)
  }) as never
  return {
    counts,
    stop() {
      Object.assign(view.EventTarget.prototype, { addEventListener, removeEventListener })
      Object.assign(globalThis, { setTimeout, clearTimeout })
    },
  }
}

describe('what changes on a screen', () => {
  let page: ReturnType<typeof openWindow>
  before(() => {
    page = openWindow()
    defineElements(page.view)
  })
  after(() => page.close())

  const mounted = () => {
    page.view.document.body.innerHTML =
      '<crew-count data-fitting="one"></crew-count><yard-tag data-fitting="total"></yard-tag>'
    return mountScreen(
      screen('store', {
        cells: { bales: { ...whole, amend: (n) => Math.min(n, 9) }, other: whole },
        fittings: { one: count, total: tag },
        reckoned: ({ cells }) => ({ total: reckon([cells.bales], (n) => n * 2) }),
        bind: ({ cells, reckoned }) => ({ one: { n: twoWay(cells.bales) }, total: { amount: oneWay(reckoned.total) } }),
      }),
      page.view.document.body,
    )
  }
  const element = () => page.view.document.querySelector<Operable>('crew-count')!

  it('can be followed one by one, several together as one change, each with who changed it', () => {
    const one = mounted()
    const heard: unknown[] = []
    const { unsubscribe } = one.follow().subscribe((changes) => heard.push(changes))
    one.setAll({ bales: 4, other: 1 })
    element().person('n', 12)
    unsubscribe()
    one.set('bales', 1)
    expect(heard).to.eql([
      [
        { name: 'bales', from: 0, to: 4, by: 'owner' },
        { name: 'other', from: 0, to: 1, by: 'owner' },
        { name: 'total', from: 0, to: 8, by: 'screen' },
        { name: 'one.n', from: 0, to: 4, by: 'owner' },
        { name: 'total.amount', from: 0, to: 8, by: 'screen' },
      ],
      [
        { name: 'bales', from: 4, to: 9, by: 'person' },
        { name: 'total', from: 8, to: 18, by: 'screen' },
        { name: 'one.n', from: 4, to: 9, by: 'person' },
        { name: 'total.amount', from: 8, to: 18, by: 'screen' },
      ],
    ])
    one.remove()
  })

  it('can be followed by for await, and by whatever takes an observable; both end with the screen', async () => {
    const one = mounted()
    const seen: unknown[] = []
    const looped = (async () => {
      for await (const [change] of one.follow('total')) seen.push(change?.to)
    })()
    const observable = (one.follow('bales') as never as Record<string, () => { subscribe(o: object): unknown }>)[
      '@@observable'
    ]!()
    observable.subscribe({ next: ([change]: { to: unknown }[]) => seen.push(change!.to) })
    one.set('bales', 2)
    one.set('bales', 3)
    one.set('other', 3)
    await one.settled()
    await new Promise((done) => setTimeout(done, 5))
    one.remove()
    await looped
    expect(seen).to.have.members([2, 3, 4, 6])
    expect(seen.length).to.equal(4)
  })
})

describe('a screen that lasts', () => {
  let page: ReturnType<typeof openWindow>
  before(() => {
    page = openWindow()
    defineElements(page.view)
  })
  after(() => page.close())

  it('leaves no listener, timer, element or call behind, however often it is mounted and removed', async () => {
    const { document } = page.view
    const loading = screen('loading', {
      cells: { bales: whole },
      sources: { office },
      fittings: { bales: count },
      loads: ({ sources }) => ({ bales: load(sources.office.bales, 1) }),
      bind: ({ cells }) => ({ bales: { n: twoWay(cells.bales) } }),
    })
    let aborted = 0
    const never = (_given: unknown, { signal }: { signal: AbortSignal }) =>
      new Promise<never>(() => signal.addEventListener('abort', () => aborted++))
    const answers = { office: { bales: never, berths: never, book: never, remark: never } } as never
    const root = document.createElement('div')
    root.innerHTML = `<form><crew-count data-fitting="bales"></crew-count></form>
      ${['first', 'second', 'third'].map((name) => `<template data-screen="${name}"><h2>x</h2><yard-note data-fitting="field"></yard-note><crew-count data-fitting="own"></crew-count><crew-count data-fitting="kept"></crew-count><crew-count data-fitting="bales"></crew-count>${['on', 'gated', 'back', 'book'].map((one) => `<yard-press data-fitting="${one}"></yard-press>`).join('')}</template>`).join('')}`
    document.body.append(root)
    const form = root.querySelector('form') as ParentNode
    const once = () => {
      const one = mountScreen(loading as AnyScreen, form, { sources: answers })
      one.follow('bales').subscribe(() => undefined)
      one.remove()
      const other = mountJourney(trip(), root, { sources: answers, isInAddress: false })
      root.querySelector<Operable>('section [data-fitting="on"]')?.send('press', null)
      root.querySelector<Operable>('section [data-fitting="on"]')?.send('press', null)
      expect(other.front()).to.equal('third')
      other.remove()
    }
    once()
    const { counts, stop } = watched(page.view)
    const elements = document.querySelectorAll('*').length
    const before = aborted
    for (let turn = 0; turn < MOUNTS; turn++) once()
    // What the embedded DOM does a little later for itself.
    await new Promise((done) => setTimeout(done, 30))
    stop()
    // The elements that a template was copied to are gone, with what they listen to themselves.
    expect([counts.timers.size, document.querySelectorAll('*').length]).to.eql([0, elements])
    expect(aborted - before).to.equal(2 * MOUNTS)
    const own = MOUNTS * document.querySelectorAll('template').length
    expect(counts.listeners).to.be.at.most(own * 10)
    root.remove()
  }).timeout(60_000)

  const BOOM = () => {
    throw new Error('boom')
  }
  const winch = contract('crew-count', {
    properties: { most: { type: Type.Integer(), default: 40 } },
    values: { n: { type: Type.Integer(), default: 0 } },
    events: { slipped: {} },
    commands: { reset: { effect: 'reset' } },
  })
  const yard = source('yard-office', { bales: { effect: 'reads', gives: Type.Integer() } })
  const thrown = (where: string, of: object = {}, at7: object = {}) => ({
    where,
    design: screen('store', {
      cells: { bales: { ...whole, ...at7 }, other: whole },
      sources: { office: yard },
      fittings: { one: winch, total: tag },
      reckoned: ({ cells }) => ({
        total: reckon([cells.bales], (n) => {
          if (where === 'reckoned' && n === 7) BOOM()
          return n
        }),
      }),
      actions: ({ cells, sources }) => ({ ask: [call(sources.office.bales, undefined, { into: cells.other })] }),
      bind: ({ cells, reckoned }) => ({ one: { n: twoWay(cells.bales) }, total: { amount: oneWay(reckoned.total) } }),
    }),
    options: of,
  })
  const at7 = (n: number) => (n === 7 ? BOOM() : undefined)

  for (const { where, design, options } of [
    thrown('amend', {}, { amend: (n: number) => (at7(n), n) }),
    thrown('refuse', {}, { refuse: at7 }),
    thrown('after', {}, { after: at7 }),
    thrown('reckoned'),
    thrown('a source', { sources: { office: { bales: BOOM } } }),
    thrown('onSettled', { onSettled: BOOM }),
    thrown('onAmended', { onAmended: BOOM }),
    thrown('onRefused', { onRefused: BOOM }),
  ])
    it(`goes on after a throw in ${where}`, async () => {
      const { document } = page.view
      document.body.innerHTML = '<crew-count data-fitting="one"></crew-count><yard-tag data-fitting="total"></yard-tag>'
      const faults: string[] = []
      const mounted = mountScreen(design as AnyScreen, document.body, {
        onFault: ({ place }: { place: string }) => void faults.push(place),
        ...options,
      } as never)
      const element = document.querySelector<Operable>('crew-count')!
      element.person('n', 7)
      mounted.act('ask' as never)
      await mounted.settled()
      element.person('n', 9)
      expect(mounted.set('other' as never, 'many' as never)).to.match(/not of type/)
      const { amount } = document.querySelector('yard-tag') as never as { amount: number }
      expect([mounted.read('bales' as never), amount]).to.eql([9, 9])
      mounted.remove()
    })
})
