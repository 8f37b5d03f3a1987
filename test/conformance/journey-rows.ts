import { expect } from 'chai'
import { back, draft, go, journey, load, payload, reckon, screen, set, submit, twoWay } from 'caulker'
import { button, count, note, office, text, whole } from './parts.js'
import { row, type Row } from './player.js'

/** Three screens: one that edits what is shared and what is its own, one with a draft, and one that loads and sends. */
export const trip = (leaving: 'keep' | 'discard' | 'stay' = 'keep', name: object = {}) => {
  const first = screen('first', {
    cells: { name: { ...text, ...name }, own: whole, kept: whole },
    fittings: { field: note, own: count, kept: count, on: button, gated: button },
    reckoned: ({ cells }) => ({ isNamed: reckon([cells.name], (one) => one !== '') }),
    bind: ({ cells, reckoned }) => ({
      field: { text: twoWay(cells.name) },
      own: { n: twoWay(cells.own) },
      kept: { n: twoWay(cells.kept) },
      on: { on: { press: [go('second')] } },
      gated: { on: { press: [go('second', { when: reckoned.isNamed, otherwise: 'Name her first' })] } },
    }),
    keeps: ['kept'],
  })
  const second = screen('second', {
    cells: { remark: { ...text, initial: 'old' } },
    fittings: { field: note, on: button, back: button },
    bind: ({ cells }) => ({
      field: { text: draft(cells.remark) },
      on: { on: { press: [go('third')] } },
      back: { on: { press: [back()] } },
    }),
    keeps: ['remark'],
  })
  const third = screen('third', {
    cells: { name: text, bales: { ...whole, initial: 2 }, number: text },
    sources: { office },
    fittings: { bales: count, book: button, back: button },
    loads: ({ sources }) => ({ bales: load(sources.office.bales, 1) }),
    bind: ({ cells }) => ({
      bales: { n: twoWay(cells.bales) },
      book: { on: { press: [submit()] } },
      back: { on: { press: [back()] } },
    }),
    submit: {
      sends: ['bales', 'name'],
      to: 'office.book',
      then: ({ cells }) => [set(cells.number, payload('/number')), go('first')],
    },
    keeps: ['bales'],
  })
  return journey('trip', {
    cells: { vessel: text, number: text },
    screens: { first, second, third },
    start: 'first',
    shares: ({ cells }) => ({ first: { name: cells.vessel }, third: { name: cells.vessel, number: cells.number } }),
    leaving,
  })
}

const named = (run: { edit(fitting: string, name: string, to: unknown): void; leave(fitting: string): void }) => {
  run.edit('field', 'text', 'Heron')
  run.leave('field')
}

export const journeyRows: Row[] = [
  row('12.1', async (player) => {
    const run = player.run(trip())
    named(run)
    run.press('on')
    run.press('on')
    expect([run.front(), run.read('vessel'), run.read('name')]).to.eql(['third', 'Heron', 'Heron'])
    await run.travel(0)
    expect([run.front(), run.shown('field', 'text')]).to.eql(['first', 'Heron'])
  }),
  row('12.2', async (player) => {
    const run = player.run(trip())
    run.edit('own', 'n', 5)
    run.press('on')
    await run.travel(0)
    expect([run.read('own'), run.shown('own', 'n')]).to.eql([0, 0])
  }),
  row('12.3', async (player) => {
    const run = player.run(trip())
    run.edit('kept', 'n', 5)
    run.press('on')
    await run.travel(0)
    expect([run.read('kept'), run.shown('kept', 'n')]).to.eql([5, 5])
  }),
  row('12.4', async (player) => {
    for (const [policy, front, copy] of [
      ['keep', 'third', 'new'],
      ['discard', 'third', undefined],
      ['stay', 'second', 'new'],
    ] as const) {
      const run = player.run(trip(policy))
      run.press('on')
      run.edit('field', 'text', 'new')
      run.leave('field')
      run.press('on')
      expect(run.front(), policy).to.equal(front)
      if (front === 'third') await run.travel(1)
      expect(run.draft('field', 'text')?.copy, policy).to.equal(copy)
      expect(run.shown('field', 'text'), policy).to.equal(copy ?? 'old')
      run.remove()
    }
  }),
  row('13.14', (player) => {
    const run = player.run(trip())
    run.edit('field', 'text', 'Heron')
    run.press('on')
    expect([run.front(), run.read('vessel')]).to.eql(['second', 'Heron'])
    run.remove()
    const other = player.run(trip('keep', { refuse: (name: string) => (name === 'Kraken' ? 'no krakens' : undefined) }))
    other.edit('field', 'text', 'Kraken')
    other.press('on')
    expect([other.front(), other.problem('field')]).to.eql(['first', 'no krakens'])
  }),
  row('13.43', async (player) => {
    const run = player.run(trip())
    run.press('on')
    run.press('on')
    run.press('book')
    run.press('back')
    await run.answer('office.book', { number: 'MC-3' })
    expect([run.front(), run.read('number')]).to.eql(['second', 'MC-3'])
  }),
  row('13.44', async (player) => {
    const run = player.run(trip())
    run.press('on')
    run.press('on')
    run.press('back')
    await run.answer('office.bales', 12)
    await run.travel(2)
    expect(run.read('bales')).to.equal(12)
  }),
  row('13.59', async (player) => {
    const run = player.run(trip())
    run.press('on')
    run.press('on')
    await run.answer('office.bales', 12)
    run.edit('bales', 'n', 7)
    run.leave('bales')
    await run.travel(1)
    await run.travel(2)
    expect([run.front(), run.read('bales'), run.pending()]).to.eql(['third', 7, []])
    // The same where it has not answered, or has failed.
    const other = player.run(trip())
    other.press('on')
    other.press('on')
    await other.fail('office.bales', 'The office is closed')
    other.edit('bales', 'n', 7)
    other.leave('bales')
    await other.travel(1)
    await other.travel(2)
    expect([other.read('bales'), other.pending()]).to.eql([7, []])
  }),
  row('13.60', async (player) => {
    const run = player.run(trip())
    run.press('on')
    run.press('on')
    run.edit('bales', 'n', 7)
    run.leave('bales')
    await run.answer('office.bales', 12)
    await run.travel(1)
    await run.travel(2)
    expect([run.read('bales'), run.pending()]).to.eql([7, []])
    run.edit('bales', 'n', 2)
    run.leave('bales')
    await run.travel(1)
    await run.travel(2)
    expect([run.read('bales'), run.pending()]).to.eql([2, ['office.bales']])
  }),
  row('13.45', async (player) => {
    const run = player.run(trip('stay'))
    run.press('on')
    run.edit('field', 'text', 'new')
    run.leave('field')
    await run.travel(0)
    expect([run.front(), run.stays]).to.eql(['second', ['Save or forget what is being edited first']])
    expect(run.problem()).to.equal('Save or forget what is being edited first')
  }),
  row('13.50', (player) => {
    const design = trip()
    const one = player.run(design)
    named(one)
    one.remove()
    const other = player.run(design)
    expect([other.read('vessel'), other.shown('field', 'text')]).to.eql(['', ''])
  }),
  row('13.54', (player) => {
    const run = player.run(trip())
    run.press('gated')
    expect([run.front(), run.stays, run.problem()]).to.eql(['first', ['Name her first'], 'Name her first'])
    named(run)
    run.press('gated')
    expect(run.front()).to.equal('second')
  }),
]
