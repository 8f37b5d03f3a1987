import { expect } from 'chai'
import {
  call,
  clear,
  draft,
  load,
  oneWay,
  payload,
  reckon,
  refresh,
  reset,
  run as command,
  save,
  discard,
  screen,
  set,
  shownWhile,
  states,
  submit,
  twoWay,
  rowsOf,
  announce,
  Type,
} from 'caulker'
import {
  button,
  count,
  freed,
  line,
  loose,
  marked,
  moody,
  note,
  office,
  pair,
  seams,
  season,
  span,
  strict,
  tag,
  text,
  whole,
} from './parts.js'
import { row, type Row } from './player.js'

/** One counter and a button that sends what it counts. */
const alone = (of: object) =>
  screen('alone', {
    cells: { bales: { ...whole, initial: 3 }, name: text },
    sources: { office },
    fittings: { one: of as typeof count, book: button },
    bind: ({ cells }) => ({ one: { n: twoWay(cells.bales) }, book: { on: { press: [submit()] } } }),
    submit: { sends: ['bales', 'name'], to: 'office.book' },
  })

/** One cell of whole numbers with a counter that shares it, and a tag that follows what it comes to. */
const counted = (cell: object = {}, of = count, more: object = {}) =>
  screen('store', {
    cells: { bales: { ...whole, initial: 10, ...cell }, most: { ...whole, initial: 40 } },
    fittings: { one: of as typeof count, other: of as typeof count, total: tag },
    reckoned: ({ cells }) => ({ total: reckon([cells.bales], (bales) => bales * 2) }),
    actions: ({ cells, fittings }) => ({
      reset: [command(fittings.one, 'reset')],
      hush: [command(fittings.one, 'hush')],
      both: [set(cells.bales, 50), set(cells.most, 60)],
    }),
    bind: ({ cells, reckoned }) => ({
      one: { n: twoWay(cells.bales), most: oneWay(cells.most), ...more },
      other: { n: twoWay(cells.bales), most: oneWay(cells.most), ...more },
      total: { amount: oneWay(reckoned.total) },
    }),
  })

const noted = (more: object = {}, cell: object = {}) =>
  screen('log', {
    cells: { name: { ...text, ...cell }, other: text },
    fittings: { field: note, other: note },
    bind: ({ cells }) => ({ field: { text: twoWay(cells.name), ...more }, other: { text: twoWay(cells.other) } }),
  })

/** A screen that edits, loads, saves, sends and is reset. */
const order = ({
  field = {},
  name = {},
  to = 'initial',
  leaves = [],
  bales = {},
}: {
  field?: object
  name?: object
  to?: 'initial' | 'default' | 'saved'
  leaves?: 'number'[]
  bales?: object
} = {}) =>
  screen('order', {
    cells: { bales: { ...whole, initial: 3, ...bales }, name: { ...text, initial: 'Bittern', ...name }, number: text },
    sources: { office },
    fittings: { bales: count, field: note, book: button },
    actions: ({ cells, sources }) => ({
      book: [submit()],
      again: [reset()],
      fetch: [call(sources.office.bales, cells.bales, { into: cells.bales })],
    }),
    bind: ({ cells, actions }) => ({
      bales: { n: twoWay(cells.bales) },
      field: { text: twoWay(cells.name), ...field },
      book: { on: { press: actions.book } },
    }),
    submit: {
      sends: ['bales', 'name'],
      to: 'office.book',
      then: ({ cells }) => [set(cells.number, payload('/number'))],
    },
    reset: { to, leaves },
  })

const drafted = (sends = false, cell: object = {}) =>
  screen('remarks', {
    cells: {
      id: { ...whole, initial: 7 },
      name: { ...text, initial: 'old', ...cell },
      other: { ...text, initial: 'x' },
    },
    sources: { office },
    fittings: { field: note, second: note },
    actions: ({ cells, fittings, sources }) => ({
      keep: [
        save(fittings.field, sends ? { to: sources.office.remark, given: { id: cells.id, name: cells.name } } : {}),
      ],
      drop: [discard(fittings.field)],
      again: [reset()],
      send: [submit()],
    }),
    bind: ({ cells }) => ({ field: { text: draft(cells.name) }, second: { text: draft(cells.other) } }),
    submit: { sends: { bales: 'id', name: 'name' }, to: 'office.book' },
    reset: { to: 'saved' },
  })

const loaded = (initial = 0) =>
  screen('berths', {
    cells: { free: { type: Type.Array(Type.String()), initial: [] }, bales: { ...whole, initial } },
    sources: { office },
    fittings: { bales: count },
    loads: ({ sources }) => ({ free: load(sources.office.berths), bales: load(sources.office.bales, 1) }),
    actions: ({ cells }) => ({ again: [refresh(cells.bales)], reset: [reset()] }),
    bind: ({ cells }) => ({ bales: { n: twoWay(cells.bales) } }),
    reset: { to: 'initial' },
  })

export const rows: Row[] = [
  row('1.1', (player) => {
    const run = player.run(counted())
    run.set({ bales: 5, most: 7 })
    run.edit('one', 'n', 6)
    run.act('reset')
    expect(run.read('bales')).to.equal(0)
    expect(run.told.filter((name) => name.startsWith('total'))).to.eql([
      'total.amount=10',
      'total.amount=12',
      'total.amount=0',
    ])
  }),
  row('1.2', (player) => {
    let run: ReturnType<typeof player.run>
    const seen: unknown[] = []
    const design = screen('queue', {
      cells: {
        bales: { ...whole, after: (now) => (seen.push(now), now === 1 && run.edit('one', 'n', 2)) },
        copy: whole,
      },
      fittings: { one: count, other: count },
      bind: ({ cells }) => ({ one: { n: twoWay(cells.bales) }, other: { n: twoWay(cells.copy) } }),
    })
    run = player.run(design as never)
    run.edit('one', 'n', 1)
    expect(seen).to.eql([1, 2])
    expect(run.read('bales')).to.equal(2)
  }),
  row('1.3', (player) => {
    let run: ReturnType<typeof player.run>
    const other = (cell: string) => (now: number) => void (now > 0 && run.edit(cell, 'n', (now % 30) + 1))
    const design = screen('circle', {
      cells: { a: { ...whole, after: other('other') }, b: { ...whole, after: other('one') } },
      fittings: { one: count, other: count },
      bind: ({ cells }) => ({ one: { n: twoWay(cells.a) }, other: { n: twoWay(cells.b) } }),
    })
    run = player.run(design as never)
    run.set({ a: 1 })
    expect([run.read('a'), run.read('b'), run.shown('one', 'n'), run.shown('other', 'n')]).to.eql([0, 0, 0, 0])
    expect(run.faults.map(({ place, error }) => `${place}: ${(error as Error).message}`).join()).to.match(
      /^circle: .*\ba, b\b/,
    )
  }),

  row('2.1', (player) => {
    const run = player.run(counted())
    expect(run.set({ bales: 'many' })).to.match(/not of type integer/)
    expect(run.read('bales')).to.equal(10)
  }),
  row('2.2', (player) => {
    const run = player.run(counted({ amend: [(n: number) => n + 1, (n: number) => n * 2] }))
    run.set({ bales: 4 })
    expect(run.read('bales')).to.equal(10)
  }),
  row('2.3', (player) => {
    const run = player.run(counted())
    run.edit('one', 'n', 99)
    expect([run.read('bales'), run.shown('one', 'n')]).to.eql([40, 40])
  }),
  row('2.4', (player) => {
    const run = player.run(counted({}, strict as never))
    run.report('one', 'n-set', { n: 99 })
    expect(run.read('bales')).to.equal(10)
    expect(run.refusals[0]?.reason).to.match(/above the most, 40/)
  }),
  row('2.5', (player) => {
    const no = (reason: string) => (n: number) => (n === 8 ? reason : undefined)
    const run = player.run(counted({ refuse: [no('eight is sold'), no('eight is gone')] }))
    expect(run.set({ bales: 8 })).to.equal('eight is sold')
    run.edit('one', 'n', 8)
    expect(run.shown('one', 'n')).to.equal(10)
    expect(run.refusals.map(({ reason }) => reason)).to.eql(['eight is sold', 'eight is sold'])
  }),
  row('2.13', (player) => {
    // As plain JavaScript writes it.
    const odd = (n: number): any => (n === 7 ? true : n === 8 ? '' : n === 9 ? null : n > 20 && 'that is too many')
    const run = player.run(counted({ refuse: odd }))
    for (const n of [8, 9, 11]) {
      expect(run.set({ bales: n })).to.equal(undefined)
      expect(run.read('bales')).to.equal(n)
    }
    expect(run.set({ bales: 30 })).to.equal('that is too many')
    run.edit('one', 'n', 7)
    expect([run.read('bales'), run.shown('one', 'n')]).to.eql([11, 11])
    expect(run.faults.length).to.equal(1)
  }),
  row('2.6', (player) => {
    const run = player.run(counted({ initial: 99, amend: (n: number) => n - 1 }))
    expect([run.read('bales'), run.shown('one', 'n'), run.read('total')]).to.eql([40, 40, 80])
  }),
  row('2.7', async (player) => {
    const run = player.run(loaded())
    await run.answer('office.bales', 99)
    expect([run.read('bales'), run.shown('bales', 'n')]).to.eql([40, 40])
  }),
  row('2.9', (player) => {
    const run = player.run(counted())
    run.set({ bales: 1000 })
    expect([run.read('bales'), run.shown('one', 'n'), run.shown('total', 'amount')]).to.eql([40, 40, 80])
  }),
  row('2.10', (player) => {
    const run = player.run(counted())
    run.set({ most: 6 })
    expect([run.read('bales'), run.shown('one', 'n'), run.shown('total', 'amount')]).to.eql([6, 6, 12])
  }),
  row('2.11', (player) => {
    const run = player.run(counted())
    run.set({ bales: 1000 })
    expect(run.amendments).to.eql([{ cell: 'bales', proposed: 1000, stands: 40 }])
  }),
  row('2.12', (player) => {
    const design = screen('board', {
      cells: { bales: { ...whole, initial: 90 } },
      fittings: { one: count },
      bind: ({ cells }) => ({ one: { n: oneWay(cells.bales, { showOnly: true }) } }),
    })
    const run = player.run(design)
    expect([run.read('bales'), run.shown('one', 'n')]).to.eql([90, 40])
    run.set({ bales: 70 })
    expect([run.read('bales'), run.shown('one', 'n')]).to.eql([70, 40])
  }),

  row('3.1', (player) => {
    const order: string[] = []
    const design = screen('sums', {
      cells: { a: whole, b: whole },
      fittings: { total: tag },
      reckoned: ({ cells }) => {
        const left = reckon([cells.a], (a) => (order.push('left'), a + 1))
        const right = reckon([cells.a, cells.b], (a, b) => (order.push('right'), a + b))
        return { total: reckon([left, right], (one, other) => (order.push('total'), one * other)), left, right }
      },
      bind: ({ reckoned }) => ({ total: { amount: oneWay(reckoned.total) } }),
    })
    const run = player.run(design)
    order.length = 0
    run.set({ a: 2, b: 3 })
    expect(order).to.have.members(['left', 'right', 'total'])
    expect(order[2]).to.equal('total')
    expect(run.shown('total', 'amount')).to.equal(15)
  }),
  row('3.2', (player) => {
    const seen: number[] = []
    const design = screen('sums', {
      cells: { a: { ...whole, initial: 1 }, b: { ...whole, initial: 1 } },
      fittings: { total: tag },
      reckoned: ({ cells }) => ({ total: reckon([cells.a, cells.b], (a, b) => (seen.push(a - b), a - b)) }),
      bind: ({ reckoned }) => ({ total: { amount: oneWay(reckoned.total) } }),
    })
    const run = player.run(design)
    run.set({ a: 8, b: 8 })
    expect(seen).to.eql([0, 0])
    expect(run.told).to.eql([])
  }),
  row('3.3', (player) => {
    const design = screen('sums', {
      cells: { bales: { ...whole, initial: 4 } },
      fittings: { one: count, total: tag },
      reckoned: ({ cells }) => ({
        total: reckon([cells.bales], (n) => {
          if (n === 7) throw new Error('seven breaks the scale')
          return n
        }),
      }),
      bind: ({ cells, reckoned }) => ({ one: { n: twoWay(cells.bales) }, total: { amount: oneWay(reckoned.total) } }),
    })
    const run = player.run(design)
    run.edit('one', 'n', 7)
    expect([run.read('bales'), run.shown('one', 'n'), run.shown('total', 'amount')]).to.eql([4, 4, 4])
    expect(run.faults.map(({ place }) => place)).to.eql(['reckoned total'])
    run.edit('one', 'n', 8)
    expect(run.shown('total', 'amount')).to.equal(8)
  }),
  row('3.4', (player) => {
    const boom = () => {
      throw new Error('the bell is broken')
    }
    const run = player.run(counted({ after: boom }))
    run.edit('one', 'n', 6)
    expect([run.read('bales'), run.shown('other', 'n'), run.shown('total', 'amount')]).to.eql([6, 6, 12])
    expect(run.faults.map(({ place }) => place)).to.eql(['after of bales'])
  }),
  row('3.6', (player) => {
    const design = screen('sums', {
      cells: { bales: { ...whole, initial: 1 }, double: whole, more: whole },
      sources: { office },
      fittings: { one: count, ask: button },
      reckoned: ({ cells }) => ({ total: reckon([cells.bales], (bales) => bales * 2) }),
      actions: ({ cells, reckoned, sources }) => ({
        edited: [set(cells.double, reckoned.total)],
        ask: [set(cells.bales, 9), call(sources.office.bales, reckoned.total, { into: cells.more })],
      }),
      bind: ({ cells, actions }) => ({
        one: { n: twoWay(cells.bales), on: { 'n-set': actions.edited } },
        ask: { on: { press: actions.ask } },
      }),
    })
    const run = player.run(design)
    run.edit('one', 'n', 4)
    expect(run.read('double')).to.equal(8)
    run.press('ask')
    expect(run.calls).to.eql([{ operation: 'office.bales', given: 18 }])
  }),
  row('3.7', (player) => {
    const design = screen('store', {
      cells: { bales: { ...whole, initial: 10 }, isOpen: { type: Type.Boolean(), initial: false } },
      fittings: { one: count, open: button, shut: button },
      shown: ({ cells }) => ({ one: shownWhile(cells.isOpen) }),
      actions: ({ cells, fittings }) => ({
        open: [set(cells.isOpen, true), command(fittings.one, 'reset')],
        shut: [set(cells.bales, 7), set(cells.isOpen, false), command(fittings.one, 'reset')],
      }),
      bind: ({ cells, actions }) => ({
        one: { n: twoWay(cells.bales) },
        open: { on: { press: actions.open } },
        shut: { on: { press: actions.shut } },
      }),
    })
    const run = player.run(design)
    run.press('open')
    expect(run.read('bales')).to.equal(0)
    run.press('shut')
    expect(run.read('bales')).to.equal(7)
  }),
  row('3.5', async (player) => {
    const run = player.run(
      order({
        name: {
          after: () => {
            throw new Error('late')
          },
        },
      }),
    )
    run.press('book')
    run.edit('field', 'text', 'Heron')
    run.leave('field')
    expect(run.calls.map(({ operation }) => operation)).to.eql(['office.book'])
    await run.answer('office.book', { number: 'MC-1' })
    expect(run.read('number')).to.equal('MC-1')
  }),

  row('4.1', (player) => {
    const run = player.run(counted())
    run.set({ bales: 10 })
    expect(run.told).to.eql([])
    run.set({ bales: 11 })
    expect(run.told).to.eql(['one.n=11', 'other.n=11', 'total.amount=22'])
  }),
  row('4.2', (player) => {
    const run = player.run(counted())
    run.set({ bales: 5, most: 30 })
    const names = run.told.map((one) => one.split('=')[0])
    expect(names).to.have.members(['one.n', 'one.most', 'other.n', 'other.most', 'total.amount'])
    expect(new Set(names).size).to.equal(names.length)
  }),
  row('4.3', (player) => {
    const design = screen('seam', {
      cells: { low: { ...whole, type: Type.Number() }, high: { ...whole, type: Type.Number(), initial: 9 } },
      fittings: { span, total: tag },
      reckoned: ({ cells }) => ({ width: reckon([cells.low, cells.high], (low, high) => high - low) }),
      bind: ({ cells, reckoned }) => ({
        span: { low: twoWay(cells.low), high: twoWay(cells.high) },
        total: { amount: oneWay(reckoned.width) },
      }),
    })
    const run = player.run(design)
    run.report('span', 'span-set', { low: 3, high: 8 })
    expect([run.read('low'), run.read('high')]).to.eql([3, 8])
    expect(run.told).to.eql(['total.amount=5'])
  }),
  row('4.4', (player) => {
    const run = player.run(counted())
    run.act('reset')
    expect([run.read('bales'), run.shown('other', 'n')]).to.eql([0, 0])
  }),
  row('4.5', (player) => {
    const run = player.run(counted())
    run.act('hush')
    expect([run.read('bales'), run.shown('one', 'n'), run.shown('other', 'n')]).to.eql([0, 0, 0])
    expect(run.told).to.eql(['other.n=0', 'total.amount=0'])
  }),
  row('4.6', (player) => {
    const run = player.run(counted())
    run.edit('one', 'n', 4)
    expect(run.told).to.eql(['other.n=4', 'total.amount=8'])
  }),
  row('4.7', (player) => {
    const run = player.run(counted({ amend: (n: number) => n - (n % 2) }))
    run.edit('one', 'n', 7)
    expect(run.told[0]).to.equal('one.n=6')
    expect(run.shown('one', 'n')).to.equal(6)
  }),

  row('5.1', (player) => {
    const run = player.run(noted())
    run.edit('field', 'text', 'Herr')
    run.set({ other: 'x' })
    expect(run.read('name')).to.equal('')
    expect(run.told).to.eql(['other.text="x"'])
    run.leave('field')
    expect(run.read('name')).to.equal('Herr')
  }),
  row('5.2', (player) => {
    const run = player.run(noted({}, { amend: (name: string) => name.trim() }))
    run.edit('field', 'text', ' Heron ')
    expect(run.read('name')).to.equal('')
    run.leave('field')
    expect([run.read('name'), run.shown('field', 'text')]).to.eql(['Heron', 'Heron'])
  }),

  row('6.1', (player) => {
    const run = player.run(counted({ initial: 2 }, count, { fewest: 2, stride: 4 }))
    run.set({ bales: 9 })
    expect(run.read('bales')).to.equal(10)
    run.set({ bales: 40 })
    expect(run.read('bales')).to.equal(38)
  }),
  row('6.2', (player) => {
    const run = player.run(counted({}, count, { fewest: 50 }))
    expect(run.read('bales')).to.equal(50)
  }),
  row('6.3', (player) => {
    const design = screen('pitch', {
      cells: { pair: { type: Type.Array(Type.Number()), initial: [2, 6] } },
      fittings: { pair },
      bind: ({ cells }) => ({ pair: { pair: twoWay(cells.pair) } }),
    })
    const run = player.run(design)
    run.report('pair', 'pair-set', { pair: [8, 6] })
    expect(run.read('pair')).to.eql([6, 6])
    expect(run.shown('pair', 'pair')).to.eql([6, 6])
  }),
  row('6.4', (player) => {
    const design = screen('pitch', {
      cells: { pair: { type: Type.Array(Type.Number()), initial: [2, 6] } },
      fittings: { pair },
      bind: ({ cells }) => ({ pair: { pair: twoWay(cells.pair) } }),
    })
    const run = player.run(design)
    expect(run.set({ pair: [8, 6] })).to.match(/crossed/)
    expect(run.read('pair')).to.eql([2, 6])
  }),

  row('7.1', (player) => {
    const design = counted()
    const [one, other] = [player.run(design), player.run(design)]
    one.edit('one', 'n', 4)
    expect([one.read('bales'), other.read('bales'), other.shown('one', 'n')]).to.eql([4, 10, 10])
  }),
  row('7.2', async (player) => {
    const run = player.run(order())
    run.press('book')
    run.remove()
    await run.answerLate(0, { number: 'MC-1' })
    run.set({ bales: 9 })
    expect([run.read('bales'), run.read('number')]).to.eql([3, ''])
  }),
  row('7.4', (player) => {
    const run = player.run(counted({ initial: 99 }))
    expect([run.read('bales'), run.shown('one', 'n'), run.shown('other', 'n')]).to.eql([40, 40, 40])
  }),

  row('8.1', (player) => {
    const run = player.run(drafted())
    expect(run.draft('field', 'text')).to.equal(undefined)
    run.edit('field', 'text', 'new')
    run.leave('field')
    expect([run.read('name'), run.shown('field', 'text'), run.draft('field', 'text')?.copy]).to.eql([
      'old',
      'new',
      'new',
    ])
  }),
  row('8.2', (player) => {
    const run = player.run(drafted())
    for (const field of ['field', 'second']) {
      run.edit(field, 'text', 'new')
      run.leave(field)
    }
    run.act('keep')
    expect([run.read('name'), run.read('other'), run.shown('second', 'text')]).to.eql(['new', 'x', 'new'])
    expect(run.draft('field', 'text')).to.equal(undefined)
  }),
  row('8.3', (player) => {
    const run = player.run(drafted())
    run.edit('field', 'text', 'new')
    run.leave('field')
    run.act('drop')
    expect([run.read('name'), run.shown('field', 'text'), run.draft('field', 'text')]).to.eql(['old', 'old', undefined])
  }),
  row('8.4', (player) => {
    const run = player.run(drafted())
    run.edit('field', 'text', 'mine')
    run.leave('field')
    run.set({ name: 'theirs' })
    expect(run.draft('field', 'text')).to.include({ copy: 'mine', isOvertaken: true })
    expect([run.read('name'), run.shown('field', 'text')]).to.eql(['theirs', 'mine'])
  }),
  row('8.5', async (player) => {
    const run = player.run(drafted(true))
    run.edit('field', 'text', 'first')
    run.leave('field')
    run.act('keep')
    run.edit('field', 'text', 'second')
    run.leave('field')
    await run.answer('office.remark')
    expect(run.read('name')).to.equal('first')
    expect(run.draft('field', 'text')).to.include({ base: 'first', copy: 'second', isOvertaken: false })
  }),
  row('8.6', async (player) => {
    const run = player.run(drafted(true))
    run.edit('field', 'text', 'first')
    run.leave('field')
    run.act('keep')
    run.act('drop')
    expect(run.draft('field', 'text')).to.equal(undefined)
    await run.answer('office.remark')
    expect([run.read('name'), run.shown('field', 'text')]).to.eql(['first', 'first'])
  }),

  row('9.1', async (player) => {
    const run = player.run(loaded())
    run.edit('bales', 'n', 6)
    await run.answer('office.bales', 20)
    expect([run.read('bales'), run.shown('bales', 'n')]).to.eql([6, 6])
  }),
  row('9.2', async (player) => {
    const run = player.run(loaded())
    run.act('again')
    expect(run.aborted).to.equal(1)
    await run.answer('office.bales', 8)
    await run.answerLate(1, 30)
    expect(run.read('bales')).to.equal(8)
  }),
  row('9.3', async (player) => {
    const run = player.run(loaded())
    await run.answer('office.bales', 'a few')
    expect(run.read('bales')).to.equal(0)
    expect(run.faults.map(({ place }) => place)).to.eql(['the answer of office.bales'])
    expect(run.problem('bales')).to.match(/not of type integer/)
  }),

  row('10.1', (player) => {
    const run = player.run(order())
    run.edit('field', 'text', 'Heron')
    run.press('book')
    expect(run.calls).to.eql([{ operation: 'office.book', given: { bales: 3, name: 'Heron' } }])
  }),
  row('10.2', (player) => {
    const run = player.run(order({ field: { needed: true } }))
    run.edit('field', 'text', '')
    run.press('book')
    expect(run.calls).to.eql([])
    expect(run.problem('field')).to.equal('This is needed')
  }),
  row('10.3', async (player) => {
    const run = player.run(order())
    run.press('book')
    run.press('book')
    expect(run.calls.length).to.equal(1)
    await run.answer('office.book', { number: 'MC-1' })
    run.press('book')
    expect(run.calls.length).to.equal(2)
  }),
  row('10.4', async (player) => {
    const run = player.run(order())
    run.edit('field', 'text', 'Heron')
    run.press('book')
    await run.fail('office.book', 'The yard is full', { '/name': 'She is here already' })
    expect(run.problem('field')).to.equal('She is here already')
    expect([run.read('name'), run.shown('field', 'text'), run.read('bales')]).to.eql(['Heron', 'Heron', 3])
    run.press('book')
    expect(run.calls.length).to.equal(2)
  }),
  row('10.5', async (player) => {
    const run = player.run(order())
    run.press('book')
    expect(run.read('number')).to.equal('')
    await run.answer('office.book', { number: 'MC-9' })
    expect(run.read('number')).to.equal('MC-9')
  }),

  row('11.1', (player) => {
    const run = player.run(order())
    run.edit('bales', 'n', 9)
    run.edit('field', 'text', 'Heron')
    run.leave('field')
    run.act('again')
    expect([run.read('bales'), run.read('name')]).to.eql([3, 'Bittern'])
    expect([run.shown('bales', 'n'), run.shown('field', 'text')]).to.eql([3, 'Bittern'])
  }),
  row('11.2', (player) => {
    const run = player.run(order({ leaves: ['number'] }))
    run.set({ number: 'MC-1', bales: 9 })
    run.act('again')
    expect([run.read('number'), run.read('bales')]).to.eql(['MC-1', 3])
  }),
  row('11.3', (player) => {
    const run = player.run(drafted())
    run.edit('field', 'text', 'new')
    run.leave('field')
    run.act('again')
    expect([run.draft('field', 'text'), run.shown('field', 'text')]).to.eql([undefined, 'old'])
  }),

  row('13.1', (player) => {
    const run = player.run(counted())
    run.act('hush')
    expect([run.read('bales'), run.shown('other', 'n')]).to.eql([0, 0])
  }),
  row('13.2', (player) => {
    const design = screen('board', {
      cells: { bales: { ...whole, initial: 5 } },
      fittings: { one: count },
      actions: ({ fittings }) => ({ hush: [command(fittings.one, 'hush')] }),
      bind: ({ cells }) => ({ one: { n: oneWay(cells.bales, { showOnly: true }) } }),
    })
    const run = player.run(design)
    run.act('hush')
    expect([run.read('bales'), run.shown('one', 'n'), run.told]).to.eql([5, 0, []])
    run.set({ bales: 6 })
    expect(run.shown('one', 'n')).to.equal(6)
  }),
  row('13.3', (player) => {
    const run = player.run(counted())
    run.set({ most: 4 })
    expect(run.amendments).to.eql([{ cell: 'bales', proposed: 10, stands: 4 }])
  }),
  row('13.4', (player) => {
    const design = screen('order', {
      cells: { bales: { ...whole, initial: 10 }, name: text, most: { ...whole, initial: 40 } },
      sources: { office },
      fittings: { bales: strict },
      bind: ({ cells }) => ({ bales: { n: twoWay(cells.bales), most: oneWay(cells.most) } }),
      submit: { sends: ['bales', 'name'], to: 'office.book' },
    })
    const run = player.run(design)
    run.set({ most: 4 })
    expect([run.read('bales'), run.problem('bales')]).to.eql([10, '10 is above the most, 4'])
    run.set({ most: 12 })
    expect(run.problem('bales')).to.equal('')
    run.set({ most: 4 })
    run.submit()
    expect(run.calls).to.eql([])
    expect(run.problem('bales')).to.match(/above the most, 4/)
  }),
  row('13.5', (player) => {
    const run = player.run(counted({}, loose as never))
    run.set({ most: 4 })
    expect([run.read('bales'), run.shown('one', 'n')]).to.eql([10, 10])
  }),
  row('13.6', (player) => {
    const run = player.run(counted())
    run.act('both')
    expect([run.read('bales'), run.read('most')]).to.eql([50, 60])
  }),
  row('13.7', (player) => {
    let isFull = false
    const run = player.run(
      order({ bales: { refuse: (n: number) => (isFull && n > 2 ? 'the store has two' : undefined) } }),
    )
    isFull = true
    expect(run.read('bales')).to.equal(3)
    run.press('book')
    expect(run.calls).to.eql([])
    expect(run.problem('bales')).to.equal('the store has two')
  }),
  row('13.8', (player) => {
    const run = player.run(counted({ refuse: (n: number) => (n === 10 ? 'ten is sold' : undefined) }))
    expect(run.read('bales')).to.equal(10)
    expect(run.faults.map(({ place }) => place)).to.eql(['the initial value of bales'])
  }),
  row('13.9', (player) => {
    const design = screen('seam', {
      cells: {
        low: { ...whole, type: Type.Number() },
        high: { ...whole, type: Type.Number(), initial: 9, refuse: (n) => (n > 12 ? 'too wide' : undefined) },
      },
      fittings: { span },
      bind: ({ cells }) => ({ span: { low: twoWay(cells.low), high: twoWay(cells.high) } }),
    })
    const run = player.run(design)
    run.report('span', 'span-set', { low: 3, high: 20 })
    expect([run.read('low'), run.read('high'), run.shown('span', 'high')]).to.eql([3, 9, 9])
  }),
  row('13.10', (player) => {
    const run = player.run(counted({ amend: (n: number) => Math.min(n, 12) }))
    run.type('one', 'n', 13)
    expect([run.read('bales'), run.shown('other', 'n'), run.shown('one', 'n')]).to.eql([12, 12, 13])
    run.leave('one')
    expect(run.shown('one', 'n')).to.equal(12)
    const other = player.run(
      order({ bales: { refuse: (n: number) => (n < 8 ? 'eight at least' : undefined), initial: 9 } }),
    )
    other.type('bales', 'n', 3)
    expect([other.read('bales'), other.shown('bales', 'n'), other.problem('bales')]).to.eql([9, 3, ''])
    other.type('bales', 'n', 34)
    expect([other.read('bales'), other.shown('bales', 'n')]).to.eql([34, 34])
    // What stands goes on following its owner, also while the person is still in the field.
    other.set({ bales: 20 })
    expect(other.shown('bales', 'n')).to.equal(20)
    other.type('bales', 'n', 34)
    other.type('bales', 'n', 3)
    other.press('book')
    expect([other.calls.length, other.problem('bales'), other.read('bales')]).to.eql([0, 'eight at least', 34])
  }),
  row('13.11', (player) => {
    const run = player.run(order())
    run.edit('field', 'text', 'Her')
    run.act('again')
    expect(run.shown('field', 'text')).to.equal('Bittern')
    run.leave('field')
    expect(run.read('name')).to.equal('Bittern')
  }),
  row('13.12', (player) => {
    const design = screen('log', {
      cells: { name: { ...text, initial: 'Heron' } },
      fittings: { field: note, seen: tag },
      reckoned: ({ cells }) => ({ seen: reckon([states.touched(cells.name)], (is) => (is ? 'touched' : '')) }),
      bind: ({ cells, reckoned }) => ({ field: { text: twoWay(cells.name) }, seen: { text: oneWay(reckoned.seen) } }),
    })
    const run = player.run(design)
    run.edit('field', 'text', 'Her')
    run.edit('field', 'text', 'Heron')
    run.leave('field')
    expect([run.read('name'), run.shown('seen', 'text')]).to.eql(['Heron', 'touched'])
    expect(run.told).to.eql(['seen.text="touched"'])
  }),
  row('13.13', (player) => {
    const run = player.run(counted({}, strict as never))
    run.report('one', 'n-set', { n: 99 })
    run.leave('one')
    expect([run.shown('one', 'n'), run.problem('one')]).to.eql([10, '99 is above the most, 40'])
  }),
  row('13.15', (player) => {
    let run: ReturnType<typeof player.run>
    const other = (cell: string) => (now: number) => void (now > 0 && run.edit(cell, 'n', (now % 30) + 1))
    const design = screen('circle', {
      cells: { a: { ...whole, after: other('other') }, b: { ...whole, after: other('one') }, c: whole },
      fittings: { one: count, other: count, third: count },
      bind: ({ cells }) => ({
        one: { n: twoWay(cells.a) },
        other: { n: twoWay(cells.b) },
        third: { n: twoWay(cells.c) },
      }),
    })
    run = player.run(design as never)
    run.set({ a: 1 })
    run.edit('third', 'n', 5)
    expect([run.read('a'), run.read('c')]).to.eql([0, 5])
  }),
  row('13.16', (player) => {
    const design = screen('board', {
      cells: { bales: whole },
      fittings: { total: moody, other: tag },
      bind: ({ cells }) => ({ total: { amount: oneWay(cells.bales) }, other: { amount: oneWay(cells.bales) } }),
    })
    const run = player.run(design)
    run.set({ bales: 7 })
    expect([run.read('bales'), run.shown('total', 'amount'), run.shown('other', 'amount')]).to.eql([7, 0, 7])
    expect(run.faults.map(({ place }) => place)).to.eql(['tell of total'])
    run.set({ bales: 8 })
    expect([run.shown('total', 'amount'), run.shown('other', 'amount')]).to.eql([8, 8])
  }),
  row('13.17', (player) => {
    const boom = (n: number) => {
      if (n === 7) throw new Error('the book is wet')
      return undefined
    }
    const run = player.run(counted({ refuse: boom }))
    run.edit('one', 'n', 7)
    expect([run.read('bales'), run.shown('one', 'n')]).to.eql([10, 10])
    expect(run.faults.length).to.equal(1)
  }),
  row('13.19', (player) => {
    const run = player.run(
      order({ name: { refuse: (name: string) => (name === 'Kraken' ? 'no krakens' : undefined) } }),
    )
    run.edit('field', 'text', 'Kraken')
    run.press('book')
    expect(run.calls).to.eql([])
    expect([run.problem('field'), run.shown('field', 'text')]).to.eql(['no krakens', 'Bittern'])
  }),
  row('13.20', (player) => {
    const run = player.run(order({ name: { amend: (name: string) => name.trim() } }))
    run.edit('field', 'text', ' Heron ')
    run.press('book')
    expect(run.calls[0]?.given).to.eql({ bales: 3, name: 'Heron' })
  }),
  row('13.22', (player) => {
    const design = screen('order', {
      cells: { bales: { ...whole, initial: 1 }, name: text, isNamed: { type: Type.Boolean(), initial: false } },
      sources: { office },
      fittings: { field: note },
      reckoned: ({ cells }) => ({ wrong: reckon([cells.name], (name) => (name === 'Heron' ? '' : 'Not her')) }),
      shown: ({ cells }) => ({ field: shownWhile(cells.isNamed) }),
      bind: ({ cells }) => ({ field: { text: twoWay(cells.name), needed: true } }),
      submit: { sends: ['bales', 'name'], needs: { name: 'Name her' }, heldBy: { name: 'wrong' }, to: 'office.book' },
    })
    const run = player.run(design)
    run.submit()
    expect(run.calls).to.eql([{ operation: 'office.book', given: { bales: 1, name: '' } }])
  }),
  row('13.23', (player) => {
    const run = player.run(order({ name: { initial: '' }, field: { needed: true, disabled: true } }))
    run.press('book')
    expect(run.calls.length).to.equal(1)
  }),
  row('13.24', async (player) => {
    const run = player.run(order())
    run.press('book')
    run.set({ number: 'by hand' })
    await run.answer('office.book', { number: 'MC-1' })
    expect(run.read('number')).to.equal('by hand')
    expect(run.refusals.map(({ reason }) => reason).join()).to.match(/changed after this was sent/)
  }),
  row('13.25', async (player) => {
    const run = player.run(order())
    run.press('book')
    await run.fail('office.book', 'No', { '/keel': 'Her keel is too deep' })
    expect([run.problem(), run.problem('field')]).to.eql(['Her keel is too deep', ''])
  }),
  row('13.26', async (player) => {
    const run = player.run(order())
    run.press('book')
    await run.fail('office.book', 'No', { '/name': 'Taken', '/bales': 'Too many' })
    run.edit('field', 'text', 'Heron')
    run.leave('field')
    expect([run.problem('field'), run.problem('bales')]).to.eql(['', 'Too many'])
  }),
  row('13.27', async (player) => {
    const run = player.run(order())
    run.press('book')
    await run.fail('office.book', 'No', { '/name': 'Taken', '/keel': 'Deep' })
    run.press('book')
    expect([run.problem('field'), run.problem()]).to.eql(['', ''])
  }),
  row('13.28', async (player) => {
    const run = player.run(order())
    run.press('book')
    await run.fail('office.book', 'The line is dead')
    expect([run.problem(), run.pending()]).to.eql(['The line is dead', []])
  }),
  row('13.29', async (player) => {
    const run = player.run(order())
    run.press('book')
    await run.giveUp('office.book')
    expect([run.pending(), run.problem()]).to.satisfy(
      ([out, why]: [string[], string]) => out.length === 0 && /no answer/.test(why),
    )
    await run.answerLate(0, { number: 'MC-1' })
    expect(run.read('number')).to.equal('')
    expect(run.refusals.map(({ reason }) => reason).join()).to.match(/after its time was over/)
  }),
  row('13.30', async (player) => {
    const run = player.run(loaded())
    run.act('again')
    await run.fail('office.bales', 'The scale is broken')
    await run.answerLate(1, 30)
    expect([run.read('bales'), run.problem('bales')]).to.eql([0, 'The scale is broken'])
  }),
  row('13.31', async (player) => {
    const run = player.run(loaded())
    run.set({ bales: 0 })
    await run.answer('office.bales', 20)
    expect(run.read('bales')).to.equal(20)
  }),
  row('13.32', async (player) => {
    const design = screen('remarks', {
      cells: { id: { ...whole, initial: 7 }, name: text },
      sources: { office },
      fittings: {},
      actions: ({ cells, sources }) => ({
        tell: [call(sources.office.remark, { id: cells.id, name: cells.name })],
      }),
      bind: () => ({}),
    })
    const run = player.run(design)
    run.set({ name: 'first' })
    run.act('tell')
    run.set({ name: 'second' })
    run.act('tell')
    expect(run.calls.length).to.equal(1)
    await run.answer('office.remark')
    expect(run.calls.map(({ given }) => (given as { name: string }).name)).to.eql(['first', 'second'])
  }),
  row('13.33', async (player) => {
    const run = player.run(drafted(true))
    run.edit('field', 'text', 'new')
    run.leave('field')
    run.act('keep')
    run.act('keep')
    expect(run.calls.length).to.equal(1)
    run.edit('field', 'text', 'newer')
    run.leave('field')
    run.act('keep')
    await run.answer('office.remark')
    expect(run.calls.map(({ given }) => (given as { name: string }).name)).to.eql(['new', 'newer'])
  }),
  row('13.34', async (player) => {
    const run = player.run(drafted(true))
    run.edit('field', 'text', 'mine')
    run.leave('field')
    run.act('keep')
    run.set({ name: 'theirs' })
    await run.answer('office.remark')
    expect(run.read('name')).to.equal('theirs')
    expect(run.draft('field', 'text')).to.include({ copy: 'mine', isOvertaken: true })
  }),
  row('13.35', (player) => {
    const run = player.run(drafted())
    run.edit('field', 'text', 'mine')
    run.leave('field')
    run.set({ name: 'theirs' })
    run.act('keep')
    expect([run.read('name'), run.draft('field', 'text')]).to.eql(['mine', undefined])
  }),
  row('13.36', (player) => {
    const run = player.run(drafted(false, { refuse: (name: string) => (name === 'bad' ? 'not that' : undefined) }))
    run.edit('field', 'text', 'bad')
    run.leave('field')
    expect([run.draft('field', 'text'), run.shown('field', 'text'), run.problem('field')]).to.eql([
      undefined,
      'old',
      'not that',
    ])
  }),
  row('13.37', (player) => {
    const run = player.run(drafted())
    run.edit('field', 'text', 'new')
    run.leave('field')
    run.act('send')
    expect(run.calls).to.eql([])
    expect(run.problem('field')).to.equal('Save or forget this first')
  }),
  row('13.38', async (player) => {
    const run = player.run(order({ leaves: ['number'] }))
    run.press('book')
    run.act('again')
    await run.answer('office.book', { number: 'MC-1' })
    expect(run.read('number')).to.equal('MC-1')
  }),
  row('13.39', async (player) => {
    const run = player.run(loaded())
    run.act('reset')
    await run.answerLate(1, 20)
    expect(run.read('bales')).to.equal(0)
    expect(run.pending()).to.eql([])
  }),
  row('13.40', async (player) => {
    const run = player.run(order({ to: 'saved' }))
    run.edit('bales', 'n', 9)
    run.act('again')
    expect(run.read('bales')).to.equal(3)
    run.edit('bales', 'n', 8)
    run.press('book')
    await run.answer('office.book', { number: 'MC-1' })
    run.edit('bales', 'n', 2)
    run.act('again')
    expect([run.read('bales'), run.shown('bales', 'n')]).to.eql([8, 8])
    const single = player.run(drafted(true))
    single.edit('field', 'text', 'new')
    single.leave('field')
    single.act('keep')
    await single.answer('office.remark')
    single.set({ id: 9 })
    single.act('again')
    expect([single.read('name'), single.read('id')]).to.eql(['new', 7])
  }),
  row('13.55', async (player) => {
    const spread = screen('spread', {
      cells: { name: text, id: { ...whole, initial: 1 } },
      sources: { office },
      fittings: { field: note, n: count, fetch: button, again: button },
      actions: ({ cells, sources }) => ({
        fetch: [
          call(sources.office.record, undefined, {
            then: [set(cells.name, payload('/name')), set(cells.id, payload('/id'))],
          }),
        ],
        again: [reset()],
      }),
      bind: ({ cells, actions }) => ({
        field: { text: twoWay(cells.name) },
        n: { n: twoWay(cells.id) },
        fetch: { on: { press: actions.fetch } },
        again: { on: { press: actions.again } },
      }),
      reset: { to: 'saved' },
    })
    const run = player.run(spread)
    run.press('fetch')
    await run.answer('office.record', { name: 'Heron', id: 7 })
    run.edit('n', 'n', 9)
    run.edit('field', 'text', 'Bittern')
    run.leave('field')
    run.press('again')
    expect([run.read('name'), run.read('id'), run.shown('n', 'n')]).to.eql(['Heron', 7, 7])
  }),
  row('13.56', async (player) => {
    const span = screen('nights', {
      cells: { from: { ...whole, initial: 3 }, until: { ...whole, initial: 2 } },
      sources: { office },
      fittings: { from: count, until: count, book: button },
      reckoned: ({ cells }) => ({
        late: reckon([cells.from, cells.until], (from, until) => (until < from ? 'She leaves before she comes' : '')),
      }),
      bind: ({ cells }) => ({
        from: { n: twoWay(cells.from) },
        until: { n: twoWay(cells.until) },
        book: { on: { press: [submit()] } },
      }),
      submit: {
        sends: { bales: 'until', name: 'late' },
        leaves: ['from'],
        heldBy: { until: 'late' },
        to: 'office.book',
      },
    })
    const run = player.run(span)
    run.press('book')
    expect([run.problem('until'), run.pending()]).to.eql(['She leaves before she comes', []])
    run.edit('until', 'n', 5)
    run.press('book')
    expect([run.problem('until'), run.pending()]).to.eql(['', ['office.book']])
  }),
  row('13.57', (player) => {
    const run = player.run(alone(season))
    run.set({ bales: 20 })
    expect([run.read('bales'), run.shown('one', 'n')]).to.eql([20, 20])
    run.edit('one', 'n', 30)
    expect([run.read('bales'), run.shown('one', 'n')]).to.eql([20, 20])
    run.edit('one', 'n', 4)
    expect(run.read('bales')).to.equal(4)
  }),
  row('13.58', (player) => {
    const run = player.run(alone(marked))
    run.edit('one', 'n', 12)
    expect([run.read('bales'), run.shown('one', 'n')]).to.eql([12, 12])
    run.press('book')
    expect([run.pending(), run.problem('one')]).to.eql([[], '12 is above the most, 9'])
    run.edit('one', 'n', 8)
    run.press('book')
    expect(run.pending()).to.eql(['office.book'])
  }),
  row('13.61', async (player) => {
    const design = screen('seams', {
      cells: { seams },
      sources: { office },
      fittings: { seam: count },
      rows: ({ cells }) => ({ seam: rowsOf(cells.seams, 'id') }),
      loads: ({ sources }) => ({ seams: load(sources.office.seams) }),
      bind: ({ row: its }) => ({ seam: { n: twoWay(its.seam.feet) } }),
    })
    const run = player.run(design as never)
    await run.fail('office.seams', 'The office is closed')
    expect(run.problem()).to.equal('The office is closed')
  }),
  row('13.42', (player) => {
    const run = player.run(order({ field: { needed: true }, name: { initial: '' } }))
    run.press('book')
    expect(run.problem('field')).to.equal('This is needed')
    run.act('again')
    expect(run.problem('field')).to.equal('')
  }),
  row('13.51', (player) => {
    const hidden = (how: 'kept' | 'cleared') =>
      screen('damage', {
        cells: { isDamaged: { type: Type.Boolean(), initial: true }, name: text },
        fittings: { field: note },
        shown: ({ cells }) => ({ field: shownWhile(cells.isDamaged, { hidden: how }) }),
        bind: ({ cells }) => ({ field: { text: twoWay(cells.name) } }),
      })
    for (const [how, left] of [
      ['kept', 'a plank'],
      ['cleared', ''],
    ] as const) {
      const run = player.run(hidden(how))
      run.edit('field', 'text', 'a plank')
      run.leave('field')
      run.set({ isDamaged: false })
      expect([run.isShown('field'), run.read('name')]).to.eql([false, left])
      run.set({ isDamaged: true })
      expect([run.isShown('field'), run.shown('field', 'text')]).to.eql([true, left])
    }
  }),
  row('13.52', (player) => {
    const design = screen('seams', {
      cells: { seams },
      fittings: { seam: count, drop: button },
      rows: ({ cells }) => ({ seam: rowsOf(cells.seams, 'id') }),
      bind: ({ row: its }) => ({ seam: { n: twoWay(its.seam.feet) }, drop: {} }),
    })
    const run = player.run(design as never)
    expect([run.rows('seam'), run.shown('seam', 'n', 'a'), run.shown('seam', 'n', 'b')]).to.eql([['a', 'b'], 3, 4])
    run.edit('seam', 'n', 9, 'b')
    expect(run.read('seams')).to.eql([
      { id: 'a', feet: 3 },
      { id: 'b', feet: 9 },
    ])
    run.set({
      seams: [
        { id: 'b', feet: 9 },
        { id: 'c', feet: 50 },
      ],
    })
    expect([run.rows('seam'), run.shown('seam', 'n', 'b'), run.shown('seam', 'n', 'c')]).to.eql([['b', 'c'], 9, 40])
    run.set({ seams: [{ id: 'b', feet: 1 }] })
    expect(run.told.slice(-1)).to.eql(['seam/b.n=1'])
  }),
  row('13.53', (player) => {
    const design = screen('slip', {
      cells: { heard: whole, bales: whole },
      topics: { freed },
      fittings: { go: button, one: count },
      actions: ({ cells, topics }) => ({ go: [announce(topics.freed, cells.bales), clear(cells.bales)] }),
      hears: ({ cells }) => ({ freed: [set(cells.heard, payload())] }),
      bind: ({ cells, actions }) => ({ go: { on: { press: actions.go } }, one: { n: twoWay(cells.bales) } }),
    })
    const run = player.run(design)
    run.edit('one', 'n', 4)
    run.press('go')
    expect([run.read('heard'), run.read('bales')]).to.eql([4, 0])
  }),
  row('13.62', (player) => {
    const design = screen('order', {
      cells: { name: { ...text, initial: 'Bittern' }, isNamed: { type: Type.Boolean(), initial: true } },
      fittings: { field: note },
      shown: ({ cells }) => ({ field: shownWhile(cells.isNamed) }),
      bind: ({ cells }) => ({ field: { text: twoWay(cells.name) } }),
    })
    const run = player.run(design)
    run.edit('field', 'text', 'Her')
    run.set({ isNamed: false })
    run.set({ isNamed: true })
    expect([run.shown('field', 'text'), run.read('name')]).to.eql(['Bittern', 'Bittern'])
  }),
  row('13.63', async (player) => {
    const design = screen('slip', {
      cells: { berths: { type: Type.Array(Type.String()), initial: [] } },
      sources: { office },
      fittings: { go: button },
      loads: ({ sources }) => ({ berths: load(sources.office.berths) }),
      actions: ({ cells }) => ({ twice: [refresh(cells.berths), refresh(cells.berths)] }),
      bind: ({ actions }) => ({ go: { on: { press: actions.twice } } }),
    })
    const run = player.run(design)
    await run.answer('office.berths', [])
    run.press('go')
    expect([run.calls.length, run.aborted, run.pending()]).to.eql([2, 0, ['office.berths']])
    await run.answer('office.berths', ['N1'])
    expect([run.read('berths'), run.pending()]).to.eql([['N1'], []])
  }),
  row('13.64', (player) => {
    const design = screen('board', {
      cells: { seams },
      fittings: { line },
      rows: ({ cells }) => ({ line: rowsOf(cells.seams, 'id') }),
      actions: ({ fittings }) => ({ keep: [save(fittings.line)], drop: [discard(fittings.line)] }),
      bind: ({ row: its, actions }) => ({
        line: { n: draft(its.line.feet), on: { kept: actions.keep, dropped: actions.drop } },
      }),
    })
    const run = player.run(design as never)
    const feet = () => (run.read('seams') as { feet: number }[]).map((seam) => seam.feet)
    const shown = () => ['a', 'b'].map((key) => run.shown('line', 'n', key))
    run.edit('line', 'n', 7, 'a')
    run.edit('line', 'n', 8, 'b')
    expect([feet(), shown()]).to.eql([
      [3, 4],
      [7, 8],
    ])
    run.press('line', 'kept', null, 'b')
    expect([feet(), shown()]).to.eql([
      [3, 8],
      [7, 8],
    ])
    run.press('line', 'dropped', null, 'a')
    expect([feet(), shown()]).to.eql([
      [3, 8],
      [3, 8],
    ])
  }),
]
