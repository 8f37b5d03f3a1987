import { expect } from 'chai'
import { screen, twoWay } from 'caulker'
import { trip } from './journey-rows.js'
import { count, note, office, text, whole } from './parts.js'
import type { Operable } from './elements.js'
import { row, type Row } from './player.js'

const stored = (more: object = {}) =>
  JSON.stringify({
    caulker: 1,
    journey: 'trip',
    version: 1,
    cells: { vessel: 'Heron', 'first.kept': 99 },
    way: { entries: ['first', 'second'], at: 1 },
    drafts: { 'second.field.text (draft)': { base: 'old', copy: 'half' } },
    out: [],
    ...more,
  })

const inForm = screen('order', {
  cells: { bales: { ...whole, initial: 3 }, name: text },
  sources: { office },
  fittings: { bales: count, field: note },
  bind: ({ cells }) => ({ bales: { n: twoWay(cells.bales) }, field: { text: twoWay(cells.name) } }),
  submit: { sends: ['bales', 'name'], to: 'office.book' },
  reset: { to: 'initial' },
})

const turn = () => new Promise((done) => setTimeout(done, 15))

/** Only a page has a native form, a store, and fields that take their time. */
export const pageRows: Row[] = [
  row(
    '2.8',
    (player) => {
      const run = player.run(trip(), { stored: { trip: stored({ way: { entries: ['first'], at: 0 } }) } })
      expect([run.read('vessel'), run.read('kept'), run.shown('kept', 'n')]).to.eql(['Heron', 40, 40])
      run.remove()
    },
    'page',
  ),
  row(
    '7.3',
    (player) => {
      const bad = screen('bad', {
        cells: { bales: whole, name: text },
        sources: { office },
        fittings: { one: count, two: { ...count, tag: 'no-such-tag' } as typeof count },
        bind: ({ cells }) => ({ one: { n: twoWay(cells.bales) }, two: { n: twoWay(cells.bales) } }),
        submit: { sends: ['bales', 'name'], to: 'office.book' },
      })
      expect(() => player.run(bad, { isInForm: true })).to.throw(/no-such-tag/)
      // The form is the browser's again.
      expect(document.querySelector('form')?.noValidate).to.equal(false)
      // The first one was mounted already: nothing hears it any more, and it can be mounted again.
      const run = player.run(inForm)
      run.edit('bales', 'n', 4)
      expect(run.read('bales')).to.equal(4)
      run.remove()
    },
    'page',
  ),
  row(
    '13.18',
    (player) => {
      const run = player.run(trip())
      const left = document.querySelector<Operable>('[data-screen="first"] [data-fitting="kept"]') as Operable
      run.edit('kept', 'n', 3)
      run.press('on')
      left.person('n', 9)
      left.send('n-set', { value: 9 })
      run.press('back')
      expect([run.front(), run.read('kept'), run.shown('kept', 'n')]).to.eql(['first', 3, 3])
      run.remove()
    },
    'page',
  ),
  row(
    '11.4',
    async (player) => {
      const run = player.run(inForm, { isInForm: true })
      const form = document.querySelector('form') as HTMLFormElement
      run.edit('bales', 'n', 9)
      const keep = (event: Event) => event.preventDefault()
      form.addEventListener('reset', keep)
      form.reset()
      await turn()
      expect([run.read('bales'), run.shown('bales', 'n')]).to.eql([9, 9])
      form.removeEventListener('reset', keep)
      form.reset()
      await turn()
      expect([run.read('bales'), run.shown('bales', 'n')]).to.eql([3, 3])
      run.remove()
    },
    'page',
  ),
  row(
    '13.21',
    async (player) => {
      const run = player.run(inForm, { endless: ['field'] })
      run.submit()
      run.submit()
      expect(run.calls).to.eql([])
      await new Promise((done) => setTimeout(done, 60))
      expect([run.calls.length, run.problem('field')]).to.eql([0, 'This has not been finished yet'])
    },
    'page',
  ),
  row(
    '13.41',
    async (player) => {
      const run = player.run(inForm, { isInForm: true })
      const element = document.querySelector('crew-count') as never as { held: { n: number } }
      element.held.n = 77
      document.querySelector('form')?.reset()
      await turn()
      expect([run.read('bales'), run.shown('bales', 'n')]).to.eql([3, 3])
      run.remove()
    },
    'page',
  ),
  row(
    '13.46',
    async (player) => {
      const run = player.run(trip())
      run.edit('field', 'text', 'Heron')
      run.leave('field')
      run.press('on')
      run.edit('field', 'text', 'half')
      run.leave('field')
      run.press('on')
      run.press('back')
      run.edit('field', 'text', 'unfinished')
      const left = JSON.parse(sessionStorage.getItem('trip') ?? '') as Record<string, never>
      expect(left['cells']).to.include({ vessel: 'Heron', 'second.remark': 'old' })
      expect(left['way']).to.eql({ entries: ['first', 'second', 'third'], at: 1 })
      expect(JSON.stringify(left['drafts'])).to.include('"copy":"half"')
      expect(JSON.stringify(left)).not.to.include('unfinished')
      expect(Object.keys(left)).not.to.include('calls')
      run.remove()
      const again = player.run(trip(), { stored: { trip: JSON.stringify(left) } })
      expect([again.front(), again.read('vessel'), again.shown('field', 'text')]).to.eql(['second', 'Heron', 'half'])
      again.remove()
    },
    'page',
  ),
  row(
    '13.47',
    (player) => {
      const run = player.run(trip(), { stored: { trip: stored({ out: ['office.book'] }) } })
      expect(run.problem()).to.equal('It is not known whether what was sent has arrived (office.book)')
      run.remove()
    },
    'page',
  ),
  row(
    '13.48',
    (player) => {
      for (const [text, why] of [
        [stored().slice(0, 40), /no JSON/],
        [stored({ version: 2 }), /version 2/],
        [stored({ way: { entries: ['elsewhere'], at: 0 } }), /damaged/],
        [stored({ journey: 'other' }), /not of this journey/],
      ] as const) {
        const run = player.run(trip(), { stored: { trip: text } })
        expect([run.front(), run.read('vessel')]).to.eql(['first', ''])
        expect(run.faults.map(({ error }) => (error as Error).message).join()).to.match(why)
        run.remove()
      }
    },
    'page',
  ),
  row(
    '13.49',
    (player) => {
      const cells = { vessel: 7, 'first.kept': 5 }
      const run = player.run(trip(), { stored: { trip: stored({ cells, way: { entries: ['first'], at: 0 } }) } })
      expect([run.read('vessel'), run.read('kept')]).to.eql(['', 5])
      expect(run.faults.map(({ place }) => place)).to.eql(['what was stored for vessel'])
      run.remove()
    },
    'page',
  ),
]
