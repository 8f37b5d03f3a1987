import { expect } from 'chai'
import fc from 'fast-check'
import {
  call,
  CaulkerError,
  clear,
  contract,
  discard,
  draft,
  explore,
  go,
  journey,
  load,
  oneWay,
  payload,
  playScript,
  reckon,
  refresh,
  reset,
  save,
  screen,
  script,
  scriptFromJson,
  scriptTest,
  scriptToJson,
  set,
  shownWhile,
  source,
  states,
  submit,
  twoWay,
  Type,
  type Explored,
} from 'caulker'
import { nativeButton, nativeOutput, nativeText } from 'caulker/dom'
import { everyInvariant, moveText } from 'caulker/inside/rehearse'
import { INVARIANTS } from 'caulker/inside/wiring'
import { resolve } from 'node:path'
import { soundWirings } from './support/sound-wirings.js'
import { WHOLE } from './support/whole.js'
import { createLoader } from '../packages/caulker-cli/dist/node/load.js'

const loaded = createLoader()
const rehearsed = (file: string) => loaded(resolve('examples', file)) as Promise<Record<string, never>>
const bounds = await rehearsed('bilge/rehearsed/bounds.screen.js')
const drafts = await rehearsed('bilge/rehearsed/drafts.screen.js')
const loading = await rehearsed('bilge/rehearsed/loading.screen.js')
const sending = await rehearsed('bilge/rehearsed/sending.screen.js')
const ways = await rehearsed('bilge/rehearsed/ways.journey.js')

const berthOffice = source('berth-office', {
  note: { effect: 'updates', takes: Type.Object({ vessel: Type.String() }) },
  enter: { effect: 'reads', takes: Type.Object({ vessel: Type.String() }) },
})

/** A field and a button, or the field alone, with what is done where one of them speaks. */
function noted(steps: (cells: any, sources: any) => unknown[], on: 'press' | 'input' = 'press'): never {
  return screen('noted', {
    cells: { vessel: { type: Type.String(), initial: '' } },
    sources: { office: berthOffice },
    fittings: { vessel: nativeText, send: nativeButton, problem: nativeOutput },
    actions: ({ cells, sources }: any) => ({ done: steps(cells, sources) }),
    bind: ({ cells, actions }: any) => ({
      vessel:
        on === 'press' ? { value: twoWay(cells.vessel) } : { value: oneWay(cells.vessel), on: { input: actions.done } },
      send: { text: 'Send', on: on === 'press' ? { press: actions.done } : {} },
      problem: { text: oneWay(states.problem()) },
    }),
  } as never) as never
}

const LEAKS: [what: string, wiring: never, invariant: string][] = [
  [
    'a field is emptied as it is sent, and the call fails',
    noted((cells, sources) => [call(sources.office.note, { vessel: cells.vessel }), clear(cells.vessel)]),
    'failure-keeps-typed',
  ],
  [
    'an edit sends what stood before it',
    noted(
      (cells, sources) => [call(sources.office.note, { vessel: cells.vessel }), set(cells.vessel, payload())],
      'input',
    ),
    'sent-is-shown',
  ],
  ['an older text is sent by Enter', sending['enterTooSoon'], 'sent-is-shown'],
  ['two bookings by two presses', sending['twoBookings'], 'sent-once'],
  ['typed text is gone after a failure', sending['failureForgets'], 'failure-keeps-typed'],
  ['a cleared cell and a full field', sending['clearedAndFull'], 'shown-is-held'],
  ['an open draft survives a reset', drafts['draftOutlivesReset'], 'reset-is-whole'],
  ['one saved draft undoes the field of another', drafts['oneUndoesTheOther'], 'draft-writes-alone'],
  ['a cancelled draft comes back', drafts['cancelledComesBack'], 'draft-stays-gone'],
  ['a late load over an edit', loading['readOver'], 'answer-yields'],
  ['a choice is lost between screens', ways['lostChoice'], 'screens-keep-typed'],
  ['a copied cell is stale on review', ways['staleCopy'], 'copy-follows'],
  ['a bound drops below the value', bounds['leftAbove'], 'within-bounds'],
  ['the ends of a pair cross', bounds['crossedEnds'], 'sent-is-whole'],
  ['a required thing is missing and sent', sending['sentWithout'], 'sent-is-whole'],
  ['a refresh before the answer', loading['readTooSoon'], 'read-after-write'],
  ['a reset brings back what stood before the load', loading['resetBeforeLoad'], 'reset-keeps-loaded'],
  ['a choice is no longer among its options', loading['goneChoice'], 'choice-in-list'],
  ['a draft is saved though leaving discards', ways['savedByLeaving'], 'leaving-discards'],
  ['an owner refuses and a field goes on showing it', sending['refusedAndShown'], 'shown-is-held'],
].map(([what, wiring, id]) => [what as string, wiring as never, id as string])

const text = { type: Type.String(), initial: '' }
const office = source('quay-office', {
  book: { effect: 'creates', takes: Type.Object({ vessel: Type.String() }) },
  crew: { effect: 'reads', gives: Type.String({ minLength: 1 }) },
})
const problem = { problem: nativeOutput }
const told = { problem: { text: oneWay(states.problem()) } }

/** The same, mended: nothing is said of them. */
const MENDED: [what: string, made: () => object][] = [
  [
    'Enter sends with submit, which finishes the line',
    () => {
      const line = contract('log-line', {
        values: { line: { type: Type.String(), default: '', reports: 'commit' } },
        events: { entered: {} },
      })
      return screen('logged', {
        cells: { vessel: text },
        sources: { office },
        fittings: { line, ...problem },
        bind: ({ cells }) => ({ line: { line: twoWay(cells.vessel), on: { entered: [submit()] } }, ...told }),
        submit: { sends: ['vessel'], to: 'office.book' },
      })
    },
  ],
  [
    'the button is away while a booking is out',
    () =>
      screen('booked-once', {
        cells: { vessel: text },
        sources: { office },
        fittings: { vessel: nativeText, book: nativeButton, ...problem },
        actions: () => ({ book: [submit()] }),
        bind: ({ cells, actions }) => ({
          vessel: { value: twoWay(cells.vessel) },
          book: { text: 'Book', disabled: oneWay(states.sending()), on: { press: actions.book } },
          ...told,
        }),
        submit: { sends: ['vessel'], to: 'office.book', then: ({ cells }) => [set(cells.vessel, '')] },
      }),
  ],
  [
    'a reset of all, drafts too',
    () =>
      screen('started-again', {
        cells: { vessel: text, remark: text },
        fittings: {
          vessel: nativeText,
          remark: nativeText,
          keep: nativeButton,
          drop: nativeButton,
          again: nativeButton,
        },
        actions: ({ fittings }) => ({
          keep: [save(fittings.remark)],
          drop: [discard(fittings.remark)],
          again: [reset()],
        }),
        bind: ({ cells, actions }) => ({
          vessel: { value: twoWay(cells.vessel) },
          remark: { value: draft(cells.remark) },
          keep: { text: 'Keep', on: { press: actions.keep } },
          drop: { text: 'Forget it', on: { press: actions.drop } },
          again: { text: 'Again', on: { press: actions.again } },
        }),
        reset: { to: 'initial' },
      }),
  ],
  [
    'a cancel that forgets the draft',
    () =>
      screen('cancelled', {
        cells: { isOpen: { type: Type.Boolean(), initial: false }, remark: text },
        fittings: { open: nativeButton, remark: nativeText, keep: nativeButton, cancel: nativeButton },
        shown: ({ cells }) => ({ remark: shownWhile(cells.isOpen) }),
        actions: ({ cells, fittings }) => ({
          open: [set(cells.isOpen, true)],
          keep: [save(fittings.remark), set(cells.isOpen, false)],
          cancel: [discard(fittings.remark), set(cells.isOpen, false)],
        }),
        bind: ({ cells, actions }) => ({
          open: { text: 'A remark', on: { press: actions.open } },
          remark: { value: draft(cells.remark) },
          keep: { text: 'Keep', on: { press: actions.keep } },
          cancel: { text: 'Cancel', on: { press: actions.cancel } },
        }),
      }),
  ],
  [
    'what is loaded is read once, and reset to what was saved',
    () =>
      screen('crewed', {
        cells: { crew: text },
        sources: { office },
        fittings: { crew: nativeText, again: nativeButton, problem: nativeOutput },
        loads: ({ sources }) => ({ crew: load(sources.office.crew) }),
        bind: ({ cells }) => ({
          crew: { value: twoWay(cells.crew) },
          again: { text: 'Again', on: { press: [reset()] } },
          problem: { text: oneWay(states.problem(cells.crew)) },
        }),
        reset: { to: 'saved' },
      }),
  ],
  [
    'a list is read again once the booking was taken',
    () =>
      screen('read-in-time', {
        cells: { vessel: text, crew: text },
        sources: { office },
        fittings: { vessel: nativeText, book: nativeButton, ...problem, crew: nativeOutput },
        loads: ({ sources }) => ({ crew: load(sources.office.crew) }),
        bind: ({ cells }) => ({
          vessel: { value: twoWay(cells.vessel) },
          book: { text: 'Book', on: { press: [submit()] } },
          crew: { text: oneWay(cells.crew) },
          ...told,
        }),
        submit: { sends: ['vessel'], to: 'office.book', then: ({ cells }) => [refresh(cells.crew)] },
      }),
  ],
]

const found = ({ leaks }: Explored) => leaks.map(({ invariant }) => invariant.id)

describe('an exploration', () => {
  for (const [what, wiring, id] of LEAKS)
    it(`finds by an invariant, without a word: ${what}`, () => {
      const { leaks } = explore(wiring)
      const leak = leaks.find(({ invariant }) => invariant.id === id)
      expect(leak, found(explore(wiring)).join()).to.not.equal(undefined)
      const { trail, subject } = leak!
      expect(trail.length).to.be.within(1, 5)
      // Every step is needed: without it the leak is not there.
      trail.forEach((_, without) => {
        const shorter = trail.filter((_step, at) => at !== without)
        let leaks: readonly { invariant: string; says: string }[] = []
        try {
          leaks = playScript(wiring, { kind: 'script', title: 'shorter', of: nameOf(wiring), steps: shorter }).leaks
        } catch (thrown) {
          expect(thrown).to.be.instanceOf(CaulkerError)
        }
        const before = playScript(wiring, { kind: 'script', title: 'all', of: nameOf(wiring), steps: trail }).leaks
        const same = before.filter(({ invariant }) => invariant === id)
        expect(same.length, subject).to.be.greaterThan(0)
        expect(
          leaks.filter(({ invariant, says }) => invariant === id && same.some((one) => one.says === says)),
          `without ${moveText(trail[without]!)}`,
        ).to.eql([])
      })
    })

  for (const [what, made] of MENDED)
    it(`says nothing where it is mended: ${what}`, () => {
      const explored = explore(made() as never)
      expect(explored.leaks.map(({ says }) => says)).to.eql([])
      expect(explored.ended).to.equal('all-seen')
    })

  it('says nothing of what is emptied because it was taken, or emptied and then sent', () => {
    const taken = noted((cells, sources) => [
      call(sources.office.enter, { vessel: cells.vessel }, { then: [clear(cells.vessel)] }),
    ])
    const emptied = noted((cells, sources) => [
      clear(cells.vessel),
      call(sources.office.note, { vessel: cells.vessel }),
    ])
    for (const one of [taken, emptied]) expect(explore(one).leaks.map(({ says }) => says)).to.eql([])
  })

  for (const wiring of soundWirings)
    it(`says nothing of a sound one, whatever is done with it: ${wiring.name}`, () => {
      const explored = explore(wiring)
      expect(explored.leaks.map(({ says }) => says)).to.eql([])
      expect(explored.states).to.be.greaterThan(5)
      expect(explored.ends?.unknown ?? 0).to.equal(0)
    })

  const counter = screen('counter', {
    cells: { isOpen: { type: Type.Boolean(), initial: false }, name: text },
    fittings: { name: nativeText, open: nativeButton },
    bind: ({ cells }) => ({
      name: { value: twoWay(cells.name) },
      open: { text: 'Open', on: { press: [set(cells.isOpen, true)] } },
    }),
  })

  it('counts states as one does by hand, and says how many it has left', () => {
    // Open or not; nothing typed, typed once with one edit left, typed and emptied again: six, and nothing else differs.
    const all = explore(counter)
    expect([all.states, all.ended]).to.eql([6, 'all-seen'])
    const bounded = explore(counter, { moves: 1 })
    expect([bounded.ended, bounded.left > 0]).to.eql(['at-the-bound', true])
    const ended = explore(counter, { progress: () => false })
    expect([ended.ended, ended.states]).to.eql(['stopped', 1])
  })

  it('takes states for one that differ in what nothing looks at', () => {
    const list = { type: Type.Array(Type.String()), initial: [] }
    const reads = { effect: 'reads', gives: Type.Array(Type.String()) } as const
    const yard = source('yard', { ropes: reads, sails: reads })
    const store = screen('store', {
      cells: { ropes: list, sails: list },
      sources: { yard },
      fittings: { ropes: nativeButton, sails: nativeButton },
      loads: ({ sources }) => ({ ropes: load(sources.yard.ropes), sails: load(sources.yard.sails) }),
      bind: ({ cells }) => ({
        ropes: { text: 'Ropes', on: { press: [refresh(cells.ropes)] } },
        sails: { text: 'Sails', on: { press: [refresh(cells.sails)] } },
      }),
    })
    // Each list is asked for first, is there, or is asked for once more: three by three, whichever was asked for first.
    const { states: count, ended } = explore(store, { failures: 0 })
    expect([count, ended]).to.eql([9, 'all-seen'])
  })

  it('goes on where the field that is left hides the one that was to be used', () => {
    const late = contract('late-text', { values: { text: { type: Type.String(), default: '', reports: 'commit' } } })
    const pier = screen('pier', {
      cells: { name: { type: Type.String(), initial: '' }, note: { type: Type.String(), initial: '' } },
      fittings: { name: late, note: late },
      reckoned: ({ cells }) => ({ isNameless: reckon([cells.name], (name) => name === '') }),
      shown: ({ reckoned }) => ({ note: shownWhile(reckoned.isNameless) }),
      bind: ({ cells }) => ({ name: { text: twoWay(cells.name) }, note: { text: twoWay(cells.note) } }),
    })
    const { leaks, ended, states: seen } = explore(pier)
    expect([leaks.map(({ says }) => says), ended, seen > 5]).to.eql([[], 'all-seen', true])
  })

  it('lets the form around a screen submit and reset it, where no step does', () => {
    const order = screen('order', {
      cells: { vessel: { type: Type.String(), initial: '' } },
      sources: { office: berthOffice },
      fittings: { vessel: nativeText, problem: nativeOutput },
      reckoned: () => ({ problem: reckon([states.problem()], (text) => text) }),
      bind: ({ cells, reckoned }) => ({
        vessel: { value: twoWay(cells.vessel) },
        problem: { text: oneWay(reckoned.problem) },
      }),
      submit: { sends: ['vessel'], to: 'office.note' },
      reset: { to: 'initial' },
    })
    const { leaks, transitions } = explore(order)
    expect(leaks.map(({ says }) => says)).to.eql([])
    expect(transitions.map(({ transition }) => transition)).to.include.members([
      'order: submits the form',
      'order: resets the form',
    ])
  })

  it('enters both of two values, also where a handler takes neither', () => {
    const lamp = contract('quay-lamp', { values: { lit: { type: Type.Boolean(), default: false } } })
    const pier = screen('pier', {
      cells: { lit: { type: Type.Boolean(), initial: false } },
      fittings: { lamp },
      bind: ({ cells }) => ({ lamp: { lit: oneWay(cells.lit), on: { 'lit-set': [set(cells.lit, true)] } } }),
    })
    expect(explore(pier).leaks.map(({ invariant, trail }) => [invariant.id, trail.length])).to.eql([['edit-stands', 2]])
  })

  it('gives the same twice', () => {
    const one = explore(loading['readTooSoon'] as never)
    const other = explore(loading['readTooSoon'] as never)
    expect([other.states, other.passages, found(other)]).to.eql([one.states, one.passages, found(one)])
  })

  it('finds a function that keeps something to itself', () => {
    let asked = 0
    const odd = screen('odd', {
      cells: { name: text, count: { type: Type.Integer(), initial: 0 } },
      fittings: { name: nativeText, more: nativeButton, total: nativeOutput },
      reckoned: ({ cells }) => ({ total: reckon([cells.count], (count) => `${count + asked++}`) }),
      bind: ({ cells, reckoned }) => ({
        name: { value: twoWay(cells.name) },
        more: { text: 'More', on: { press: [set(cells.count, 1)] } },
        total: { text: oneWay(reckoned.total) },
      }),
    })
    expect(found(explore(odd))).to.include('repeatable')
  })

  it('finds that a person is stuck, and does not where a way is left', () => {
    const noted = (more: object) => {
      const first = screen('first', {
        cells: { note: text },
        fittings: { note: nativeText, next: nativeButton, drop: nativeButton },
        bind: ({ cells }) => ({
          note: { value: draft(cells.note) },
          next: { text: 'Next', on: { press: [go('done')] } },
          drop: { text: 'Forget', ...more },
        }),
      })
      const done = screen('done', { cells: {}, fittings: {}, bind: () => ({}) })
      return journey('noted', { screens: { first, done }, start: 'first', ends: ['done'], leaving: 'stay' })
    }
    const stuck = explore(noted({}))
    expect(found(stuck)).to.eql(['end-in-reach'])
    expect(stuck.leaks[0]?.trail.map(moveText)).to.eql(['enters "oakum" in note.value'])
    expect(found(explore(noted({ on: { press: [discard({ kind: 'fitting', name: 'note' })] } })))).to.eql([])
  })

  it('holds a screen and a journey to their own sentences', () => {
    const pitch = screen('pitch', {
      cells: { low: { type: Type.Integer(), initial: 3 }, high: { type: Type.Integer(), initial: 9 } },
      fittings: { swap: nativeButton },
      always: ({ cells }) => ({
        'the coldest is below the hottest': reckon([cells.low, cells.high], (low, high) => low < high),
      }),
      never: ({ cells }) => ({ 'the pitch burns': reckon([cells.high], (high) => high > 100) }),
      bind: ({ cells }) => ({ swap: { text: 'Cool', on: { press: [set(cells.high, 1)] } } }),
    })
    const { leaks } = explore(pitch)
    expect(leaks.map(({ invariant, says, trail }) => [invariant.id, says, trail.length])).to.eql([
      ['always', '“the coldest is below the hottest” does not hold with 3, 1', 1],
    ])
  })

  it('says in one line what is wrong with a sentence', () => {
    const made = () =>
      screen('pitch', { cells: {}, fittings: {}, always: () => ({ 'it is warm': true as never }), bind: () => ({}) })
    expect(made).to.throw(CaulkerError, /screen 'pitch': always must say of “it is warm” how it is reckoned/)
    const other = screen('pitch', {
      cells: {},
      fittings: {},
      always: () => ({ 'it is warm': reckon([{ kind: 'cell', name: 'heat' }], () => true) }),
      bind: () => ({}),
    })
    expect(() => explore(other)).to.throw(
      CaulkerError,
      /“it is warm” is reckoned from 'heat', which is neither a cell nor/,
    )
  })

  it('knows the invariants that a wiring may waive', () =>
    expect(INVARIANTS).to.eql(everyInvariant.map(({ id }) => id)))
})

const nameOf = (wiring: { name: string }) => wiring.name

describe('a script', () => {
  const quay = screen('quay', {
    cells: { vessel: text, crew: text },
    sources: { office },
    fittings: { vessel: nativeText, crew: nativeText, book: nativeButton, ...problem },
    bind: ({ cells }) => ({
      vessel: { value: twoWay(cells.vessel) },
      crew: { value: twoWay(cells.crew) },
      book: { text: 'Book', on: { press: [submit()] } },
      ...told,
    }),
    submit: { sends: ['vessel'], leaves: ['crew'], needs: { vessel: 'Name her' }, to: 'office.book' },
  })
  const booked = script('She is booked after a failure', quay, [
    { press: 'book' },
    { says: 'Name her', beside: 'vessel' },
    { sent: 'office.book', times: 0 },
    { edit: 'vessel.value', to: 'Bittern' },
    { press: 'book' },
    { sent: 'office.book', with: { vessel: 'Bittern' }, times: 1 },
    { fail: 'office.book', because: 'the office is closed' },
    { says: 'the office is closed' },
    { shows: 'problem.text', as: 'the office is closed' },
    { holds: 'vessel', as: 'Bittern' },
    { lost: 'nothing' },
    { press: 'book' },
    { answer: 'office.book' },
    { sent: 'office.book', times: 2 },
    { on: 'quay' },
  ])

  it('is played over ideal components, with a ledger of every step', () => {
    const played = playScript(quay, booked)
    expect([played.wrong, played.leaks]).to.eql([undefined, []])
    expect(played.ledger.map(({ step }) => step)).to.eql([
      'in the beginning',
      'presses book',
      'enters "Bittern" in vessel.value',
      'presses book',
      'office.book fails: the office is closed',
      'presses book',
      'office.book answers',
    ])
    expect(played.ledger[2]).to.include({
      owner: 'vessel "Bittern"',
      component: 'vessel "Bittern"',
      shown: '"Bittern"',
    })
  })

  it('stops at the first step that is not as expected', () => {
    const { wrong } = playScript(
      quay,
      script('wrong', quay, [{ edit: 'vessel.value', to: 'a' }, { holds: 'vessel', as: 'b' }, { press: 'book' }]),
    )
    expect(wrong).to.eql({ step: 2, says: 'vessel holds "b", and it is "a"', expected: 'b', found: 'a' })
  })

  it('is the same after a JSON file', () => {
    const there = JSON.parse(JSON.stringify(scriptToJson(booked))) as unknown
    expect(scriptFromJson(there)).to.eql(booked)
    expect(playScript(quay, scriptFromJson(there)).wrong).to.equal(undefined)
  })

  it('tells what leaks before anything was done', () => {
    const late = screen('late', {
      cells: { vessel: { ...text, initial: 'Bittern' } },
      fittings: { vessel: nativeText },
      bind: ({ cells }) => ({ vessel: { on: { input: [set(cells.vessel, payload())] } } }),
    })
    const { leaks } = playScript(late, script('nothing is done', late, []))
    expect(leaks.map(({ invariant, step }) => [invariant, step])).to.eql([['shown-is-held', 0]])
  })

  it('makes one test, which fails with the ledger', () => {
    const tests: [string, () => void][] = []
    const it_ = (title: string, body: () => void) => void tests.push([title, body])
    scriptTest(quay, booked, { it: it_ })
    scriptTest(quay, script('wrong', quay, [{ holds: 'vessel', as: 'b' }]), { it: it_ })
    const [[title, sound], [, wrong]] = tests as [[string, () => void], [string, () => void]]
    expect(title).to.equal('She is booked after a failure')
    sound()
    expect(wrong).to.throw(/step 1: vessel holds "b", and it is ""\n0\. in the beginning/)
  })

  const BAD: [what: string, steps: unknown[], says: RegExp][] = [
    ['a step that is none', [{ prss: 'book' }], /step 1: .* is no step; did you mean 'press'\?/],
    ['two steps in one', [{ press: 'book', edit: 'vessel.value' }], /press and edit are two steps/],
    ['a part too many', [{ press: 'book', too: 1 }], /press has no part 'too'/],
    ['a part too few', [{ edit: 'vessel.value' }], /edit needs 'to'/],
    ['a part of another type', [{ pass: 'long' }], /pass cannot be "long"/],
    ['a fitting that is not there', [{ press: 'bok' }], /step 1: .*'bok'.*did you mean 'book'/],
    ['a value that is not there', [{ edit: 'vessel.valeu', to: '' }], /'vessel' has no value 'valeu'.*'value'/],
    ['an event that is not there', [{ press: 'book.prss' }], /'book' has no event 'prss'/],
    ['an answer that nobody waits for', [{ answer: 'office.book' }], /no call waits for an answer of 'office.book'/],
    ['an expectation of what is not there', [{ holds: 'vesel', as: '' }], /no cell 'vesel'.*'vessel'/],
    ['an operation that nothing sends', [{ sent: 'office.bok' }], /nothing sends 'office.bok'.*'office.book'/],
    ['a screen that is not there', [{ on: 'key' }], /there is no screen 'key'/],
    ['a way that does not lead anywhere', [{ travel: 'back' }], /no screen to go back to/],
  ]
  for (const [what, steps, says] of BAD)
    it(`says in one line what is wrong: ${what}`, () => {
      const play = () => playScript(quay, scriptFromJson({ script: 1, of: 'quay', title: 'bad', steps }))
      expect(play).to.throw(CaulkerError, says)
      expect(play).to.throw(/^[^\n]*$/)
    })

  it('ends in one line however it is changed', function () {
    this.timeout(60_000)
    const keys = ['press', 'edit', 'to', 'as', 'holds', 'on', 'which', 'with', 'set', 'row', 'given', 'travel']
    const odd = fc.oneof(
      fc.constantFrom('book', 'vessel.value', 'office.book', '', 'back', null, 3, -1),
      fc.jsonValue(),
    )
    const change = fc.record({ at: fc.nat(14), key: fc.constantFrom(...keys), value: odd, drops: fc.boolean() })
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 3 }), (changes) => {
        const steps = JSON.parse(JSON.stringify(booked.steps)) as Record<string, unknown>[]
        for (const { at, key, value, drops } of changes)
          if (drops) steps.splice(at, 1)
          else if (steps[at] !== undefined) steps[at][key] = value
        try {
          playScript(quay, scriptFromJson({ script: 1, of: 'quay', title: 'changed', steps }))
        } catch (thrown) {
          expect(thrown).to.be.instanceOf(CaulkerError)
          expect((thrown as Error).message).to.match(/^script 'changed', step \d+: [^\n]+$/)
        }
      }),
      { numRuns: WHOLE ? 10_000 : 3000 },
    )
  })
})
