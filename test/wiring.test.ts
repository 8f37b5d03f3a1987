import { expect } from 'chai'
import { existsSync, writeFileSync } from 'node:fs'
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { z } from 'zod'
import {
  accepts,
  announce,
  call,
  CaulkerError,
  clear,
  check,
  compareContracts,
  contract,
  contractFromJson,
  contractToJson,
  designOf,
  explore,
  extend,
  go,
  handlers,
  host,
  ideal,
  idealMount,
  interior,
  journey,
  oneWay,
  payload,
  reckon,
  rehearsal,
  report,
  reset,
  rowsOf,
  run,
  save,
  screen,
  set,
  shownWhile,
  source,
  submit,
  topic,
  twoWay,
  Type,
  typeFrom,
} from 'caulker'
import { markup } from 'caulker/page'
import { caulker, CLI, folderWith } from './support/cli.js'
import { inDocument } from './support/embedded.js'

const rulesOf = (...made: unknown[]) =>
  check(designOf(made))
    .filter(({ level }) => level !== 'note')
    .map(({ rule, says, mend }) => ({ rule, says, mend }))
const text = contract('yard-text', {
  summary: 'A text',
  values: { text: { type: Type.String(), default: '' } },
  events: { done: { payload: Type.Object({ place: Type.String() }) } },
})
const press = contract('press-button', { summary: 'A button', events: { press: {} } })
const office = source('yard-office', {
  berths: { effect: 'reads', gives: Type.Array(Type.String()) },
  book: {
    effect: 'creates',
    takes: Type.Object({ name: Type.String() }),
    gives: Type.Object({ number: Type.String() }),
  },
  move: { effect: 'updates', key: 'number', takes: Type.Object({ number: Type.String(), name: Type.String() }) },
})
const cells = { name: { type: Type.String(), initial: '' }, number: { type: Type.String(), initial: '' } }

describe('a pair', () => {
  const range = (outside: 'clamp' | 'refuse' | 'keep' = 'clamp', gap?: number) =>
    contract('pitch-range', {
      values: {
        ends: {
          type: Type.Tuple([Type.Union([Type.Number(), Type.Null()]), Type.Union([Type.Number(), Type.Null()])]),
          default: [2, 8],
          ordered: true,
          outside,
          bounds: { least: 0, most: 10 },
          ...(gap === undefined ? {} : { gap }),
        },
      },
    })
  const edited = (of: ReturnType<typeof range>, to: unknown, told: unknown = undefined) => {
    const mounted = idealMount(of, told === undefined ? {} : { ends: told }, () => undefined)
    mounted.edit('ends', to)
    return mounted.read('ends')
  }
  it('stops the end that moved at the other one', () => {
    expect(edited(range(), [9, 8])).to.eql([8, 8])
    expect(edited(range(), [2, 1])).to.eql([2, 2])
    expect(edited(range('clamp', 3), [7, 8])).to.eql([5, 8])
    expect(edited(range('clamp', 3), [2, -4])).to.eql([2, 5])
  })
  it('leaves an end that is nothing unordered, and brings both inside the bounds', () => {
    expect(edited(range(), [9, null])).to.eql([9, null])
    expect(edited(range(), [2, 40])).to.eql([2, 10])
  })
  it('refuses a crossed pair of its owner, and keeps what it is made to keep', () => {
    const mounted = idealMount(range(), {}, () => undefined)
    mounted.tell({ ends: [9, 1] })
    expect(mounted.read('ends')).to.eql([2, 8])
    expect(edited(range('keep'), [9, 1])).to.eql([9, 1])
    expect(edited(range('refuse'), [9, 1])).to.eql([2, 8])
  })
})

describe('a value that applies when told', () => {
  const pick = contract('berth-pick', {
    values: { berth: { type: Type.String(), default: 'A1', applies: 'when-told' } },
  })
  it('proposes, and changes only when its owner tells it', () => {
    const heard: unknown[] = []
    const mounted = idealMount(pick, {}, ({ payload: carried }) => heard.push(carried))
    mounted.edit('berth', 'B2')
    expect([mounted.read('berth'), heard]).to.eql(['A1', ['B2']])
    mounted.tell({ berth: 'B2' })
    expect([mounted.read('berth'), heard]).to.eql(['B2', ['B2']])
  })
  it('is told by its screen what it proposed, unless the cell refuses', () =>
    inDocument(async (document) => {
      const { mountScreen } = await import('caulker/dom')
      const told: string[] = []
      const make =
        () => (_contract: unknown, _given: unknown, hear: (heard: { event: string; payload: unknown }) => void) => ({
          tell: (changes: object) => void told.push(JSON.stringify(changes)),
          read: () => undefined,
          commit: () => undefined,
          command: (_name: string, value: unknown) => hear({ event: 'berth-set', payload: value }),
          remove: () => undefined,
        })
      const of = screen('berths', {
        cells: {
          berth: { type: Type.String(), initial: 'A1', refuse: (to) => (to === 'X' ? 'no such berth' : undefined) },
        },
        fittings: { pick },
        bind: ({ cells: its }) => ({ pick: { berth: twoWay(its.berth) } }),
      })
      const mounted = mountScreen(of, document.body, { mounts: { pick: make() as never } })
      mounted.component('pick').command('propose', 'B2')
      mounted.component('pick').command('propose', 'X')
      expect(told).to.eql(['{"berth":"B2"}'])
    }))
})

describe('an event that asks first', () => {
  it('is vetoed where the cell would refuse the change', () =>
    inDocument(async (document) => {
      const { mountScreen } = await import('caulker/dom')
      const asking = contract('asking-text', {
        values: { name: { type: Type.String(), default: '', vetoEvent: 'name-asks' } },
      })
      customElements.define('asking-text', class extends HTMLElement {})
      document.body.innerHTML = '<asking-text data-fitting="name"></asking-text>'
      mountScreen(
        screen('berth', {
          cells: {
            name: { type: Type.String(), initial: '', refuse: (to) => (to === 'Wreck' ? 'bad luck' : undefined) },
          },
          fittings: { name: asking },
          bind: ({ cells: its }) => ({ name: { name: twoWay(its.name) } }),
        }),
        document.body,
      )
      const asks = (value: string) =>
        document.body.firstChild!.dispatchEvent(new CustomEvent('name-asks', { cancelable: true, detail: { value } }))
      expect([asks('Heron'), asks('Wreck')]).to.eql([true, false])
    }))
})

describe('every clause of a contract', () => {
  const whole = contract('tide-gauge', {
    summary: 'A gauge',
    properties: {
      feet: { type: Type.Number(), default: 1 },
      needed: { type: Type.Boolean(), default: false },
      problem: { type: Type.String(), default: '' },
    },
    values: {
      ends: {
        type: Type.Array(Type.Number()),
        ordered: true,
        gap: 'feet',
        applies: 'when-told',
        vetoEvent: 'ends-ask',
      },
    },
    commands: { goTo: { takes: Type.Number(), gives: Type.Boolean() } },
    readings: { text: { type: Type.String(), from: ['feet', 'ends'], summary: 'Written out' } },
    slots: { marks: { holds: ['tide-mark', '#text'] } },
    form: { value: 'ends', requiredBy: 'needed' },
    problem: 'problem',
  })
  it('is written to a file and read again, and passes to what extends it', () => {
    const json = contractToJson(whole)
    expect(contractToJson(contractFromJson(JSON.parse(JSON.stringify(json))))).to.eql(json)
    expect(contractToJson(extend(whole, { tag: 'tall-gauge' }))).to.eql({ ...json, tag: 'tall-gauge' })
  })
  const wrong: [string, object, RegExp][] = [
    [
      'a gap that names nothing',
      { values: { a: { type: {}, gap: 'x' } } },
      /values\.a\.gap names 'x', which is not declared/,
    ],
    ['a reading of what is not there', { readings: { a: { type: {}, from: ['x'] } } }, /readings\.a\.from names 'x'/],
    [
      'a reading that is a property too',
      { properties: { a: { type: {} } }, readings: { a: { type: {} } } },
      /'a' is a reading and a property/,
    ],
    ['a problem that is no property', { problem: 'x' }, /problem names 'x'/],
    [
      'an obligation that is no property',
      { values: { a: { type: {} } }, form: { value: 'a', requiredBy: 'x' } },
      /form\.requiredBy names 'x'/,
    ],
    ['a slot of another shape', { slots: { a: { holds: 'b' } } }, /slots\.a\.holds must be a list of names/],
    [
      'a misspelt clause',
      { values: { a: { type: {}, aplies: 'at-once' } } },
      /no clause 'aplies'; did you mean 'applies'/,
    ],
  ]
  for (const [what, clauses, message] of wrong)
    it(`is refused in one line: ${what}`, () =>
      expect(() => contractFromJson({ tag: 'a-b', ...clauses })).to.throw(message))

  it('is weighed by compare', async () => {
    const { compareContracts } = await import('caulker')
    const now = contract('tide-gauge', {
      properties: {
        feet: { type: Type.Number(), default: 1 },
        needed: { type: Type.Boolean(), default: false },
        problem: { type: Type.String(), default: '' },
      },
      values: { ends: { type: Type.Array(Type.Number()), ordered: true, gap: 2 } },
      commands: { goTo: { takes: Type.Integer(), gives: Type.Boolean() } },
      readings: { text: { type: Type.Number() } },
      slots: { marks: { holds: ['tide-mark'] } },
    } as never)
    const said = compareContracts([whole], [now]).map(({ weight, path }) => `${weight} ${path.join('.')}`)
    for (const one of [
      'major values.ends',
      'major commands.goTo',
      'major readings.text',
      'major slots.marks',
      'major problem',
      'major form',
    ])
      expect(said).to.include(one)
  })
})

describe('types of a validator library', () => {
  it('are read as JSON Schema, or are code where it offers none', () => {
    const pick = contract('berth-pick', {
      values: { berth: { type: typeFrom(z.object({ dock: z.string(), at: z.number().int().nullable() })) } },
    })
    expect(contractToJson(pick)['values']).to.have.nested.property('berth.type.properties.dock.type', 'string')
    expect(accepts(pick.values.berth.type, { dock: 'A', at: null })).to.equal(true)
    const only = {
      '~standard': {
        version: 1,
        vendor: 'yard',
        validate: (value: unknown) => (value === 'oak' ? { value } : { issues: [] }),
      },
    } as const
    expect([accepts(typeFrom(only), 'oak'), accepts(typeFrom(only), 'pine')]).to.eql([true, false])
    expect(() => typeFrom({} as never)).to.throw(/Standard Schema/)
  })
})

describe('what screens say and rules read', () => {
  const wired = (more: object, bind: (of: any) => object = () => ({})) =>
    screen('berth', { cells, fittings: { name: text, go: press }, sources: { office }, bind, ...more } as never)
  const bound = ({ cells: its, actions = {} }: any) => ({
    name: { text: twoWay(its.name) },
    go: { on: { press: actions.go ?? [] } },
  })
  const slips: [string, object, (of: any) => object, RegExp][] = [
    [
      'an operation',
      { submit: { sends: ['name'], to: 'office.bok' } },
      bound,
      /'office' has no operation 'bok' Did you mean 'book'/,
    ],
    ['a source', { submit: { sends: ['name'], to: 'ofice.book' } }, bound, /no source 'ofice' Did you mean 'office'/],
    [
      'a cell that is sent',
      { submit: { sends: ['nmae', 'name'], to: 'office.book' } },
      bound,
      /neither a cell nor a reckoned cell 'nmae' Did you mean 'name'/,
    ],
    [
      'a cell that is reset',
      { reset: { to: 'initial', leaves: ['nmae'] } },
      bound,
      /no cell 'nmae' Did you mean 'name'/,
    ],
    [
      'a cell that is set',
      { actions: ({ cells: its }: any) => ({ go: [set(its.nmae, 'x')] }) },
      bound,
      /no cell .*'nmae' Did you mean 'name'/,
    ],
    [
      'a cell that is cleared',
      { actions: ({ cells: its }: any) => ({ go: [clear(its.nmae)] }) },
      bound,
      /no cell .*'nmae' Did you mean 'name'/,
    ],
    [
      'a topic',
      { actions: ({ topics }: any) => ({ go: [announce(topics.fred)] }), topics: { freed: topic('freed') } },
      bound,
      /no topic 'fred' Did you mean 'freed'/,
    ],
    [
      'a fitting that is saved',
      { actions: ({ fittings }: any) => ({ go: [save(fittings.nam)] }) },
      bound,
      /no fitting 'nam' Did you mean 'name'/,
    ],
    [
      'a fitting that is shown',
      { shown: ({ cells: its }: any) => ({ nmae: shownWhile(its.name, { is: 'x' }) }) },
      bound,
      /no fitting 'nmae' Did you mean 'name'/,
    ],
  ]
  for (const [what, more, bind, message] of slips)
    it(`name ${what} rightly, or the closest name is given`, () => {
      const found = rulesOf(wired(more, bind)).filter(({ rule }) => rule === 'unknown-name')
      expect(found.map(({ says, mend }) => `${says} ${mend}`).join('\n')).to.match(message)
    })

  const mismatches: [string, object, (of: any) => object, RegExp][] = [
    [
      'a pointer into a payload',
      { actions: ({ cells: its }: any) => ({ go: [set(its.number, payload('/plaec'))] }) },
      ({ cells: its, actions }: any) => ({ name: { text: twoWay(its.name), on: { done: actions.go } } }),
      /carries nothing at \/plaec/,
    ],
    [
      'an answer',
      {
        actions: ({ sources, cells: its }: any) => ({
          go: [call(sources.office.book, { name: its.name }, { into: its.number })],
        }),
      },
      bound,
      /'office.book' may give .* and the cell 'number' takes string/,
    ],
    [
      'a member too few',
      { actions: ({ sources }: any) => ({ go: [call(sources.office.book, {} as never)] }) },
      bound,
      /needs|is sent/,
    ],
    [
      'an update without its key',
      { submit: { sends: ['name'], to: 'office.move' } },
      bound,
      /updates the record that 'number' names/,
    ],
    [
      'a command that takes nothing',
      {
        fittings: { name: text, go: contract('a-b', { summary: 'x', events: { press: {} }, commands: { free: {} } }) },
        actions: ({ fittings }: any) => ({ go: [run(fittings.go, 'free', ...([3] as never as []))] }),
      },
      bound,
      /'go.free' takes nothing, and is given 3/,
    ],
    [
      'when it is shown',
      { shown: ({ cells: its }: any) => ({ go: shownWhile(its.name) }) },
      bound,
      /is shown while 'name' is true, which it can never be/,
    ],
    [
      'rows of what is no list',
      { rows: ({ cells: its }: any) => ({ go: rowsOf(its.name, 'x' as never) }) },
      bound,
      /'go' is repeated for 'name', which holds string/,
    ],
  ]
  for (const [what, more, bind, message] of mismatches)
    it(`go together: ${what}`, () =>
      expect(
        rulesOf(wired(more, bind))
          .map(({ says }) => says)
          .join('\n'),
      ).to.match(message))

  it('are sound where a call sends what its own report brought, and where a draft is reset by its command', () => {
    const late = contract('late-text', {
      summary: 'x',
      values: { text: { type: Type.String(), default: '', reports: 'commit' } },
    })
    const own = screen('berth', {
      cells: { name: cells.name },
      fittings: { name: late },
      sources: { office },
      bind: ({ cells: its }) => ({
        name: {
          text: twoWay(its.name),
          on: {
            'text-set': [
              call({ kind: 'operation', source: 'office', name: 'book' } as never, { name: its.name } as never),
            ],
          },
        },
      }),
    })
    expect(rulesOf(own)).to.eql([])
    const keeps = contract('own-text', {
      summary: 'x',
      values: { text: { type: Type.String(), default: '', lastWord: 'self', accepts: 'never' } },
      commands: { reset: { effect: 'reset' } },
    })
    const again = (withCommand: boolean) =>
      screen('berth', {
        cells: { name: cells.name },
        fittings: { name: keeps, go: press },
        actions: ({ fittings }) => ({ go: [reset(), ...(withCommand ? [run(fittings.name, 'reset')] : [])] }),
        bind: ({ cells: its, actions }) => ({ name: { text: twoWay(its.name) }, go: { on: { press: actions.go } } }),
        reset: { to: 'initial' },
      })
    expect(rulesOf(again(false)).map(({ rule }) => rule)).to.eql(['reset-misses'])
    expect(rulesOf(again(true))).to.eql([])
  })

  it('hold one truth across a journey', () => {
    const vessel = wired({ fittings: { name: text, go: press }, actions: () => ({ go: [go('review')] }) }, bound)
    const review = screen('review', {
      cells: { name: cells.name },
      fittings: { name: text },
      bind: ({ cells: its }) => ({ name: { text: oneWay(its.name, { showOnly: true }) } }),
    })
    const trip = (shares: object, more: object = {}) =>
      journey('trip', {
        cells: { name: { type: Type.String(), initial: '' } },
        screens: { vessel, review },
        start: 'vessel',
        ends: ['review'],
        shares: () => shares,
        ...more,
      } as never)
    const cell = { kind: 'cell', name: 'name' }
    expect(rulesOf(trip({}))).to.eql([
      {
        rule: 'copied-cell',
        says: "'name' is edited on 'vessel' and shown on 'review', and each holds its own",
        mend: "Lift it: give the journey a cell 'name', and share it with both.",
      },
    ])
    expect(rulesOf(trip({ vessel: { name: cell }, review: { name: cell } }))).to.eql([])
    expect(
      rulesOf(trip({ vessel: { nmae: cell }, review: { name: { kind: 'cell', name: 'nam' } } })).map(
        ({ mend }) => mend,
      ),
    ).to.include.members(["Did you mean 'name'?"])
    expect(
      rulesOf(
        trip(
          { vessel: { name: cell }, review: { name: cell } },
          { cells: { name: { type: Type.Integer(), initial: 0 } } },
        ),
      ).map(({ rule }) => rule),
    ).to.include('type-mismatch')
    expect(rulesOf(trip({}, { start: 'vesel' })).map(({ says }) => says)).to.include(
      "the journey has no screen 'vesel'",
    )
  })

  const loose = (more: object) =>
    screen('loft', {
      cells: { a: { type: Type.String(), initial: '' } },
      fittings: {},
      bind: () => ({}),
      ...more,
    } as never)
  const MALFORMED: [() => unknown, RegExp][] = [
    [() => set('bales' as never, 1 as never), /set takes a cell, such as cells\.bales, and is given "bales"/],
    [() => clear(undefined as never), /clear takes a cell, such as cells\.bales, and is given nothing/],
    [() => twoWay('bales' as never), /twoWay takes a cell/],
    [() => oneWay(3 as never), /oneWay takes a cell or a reckoned cell, such as cells\.bales, and is given 3/],
    [() => run('field' as never, 'focus' as never), /run takes a fitting, such as fittings\.field/],
    [() => call('office.book' as never), /call takes an operation of a source, such as sources\.office\.book/],
    [
      () => call({ kind: 'operation', source: 'o', name: 'b' } as never, {}, { then: submit() } as never),
      /call: then must be a list of steps/,
    ],
    [() => announce('freed' as never), /announce takes a topic, such as topics\.freed/],
    [() => report('sent' as never), /report takes an event of the contract, such as face\.events\.sent/],
    [() => go(undefined as never), /go takes the name of a screen, such as 'review', and is given nothing/],
    [() => reckon('bales' as never, () => 1), /reckon takes a list of cells and a function/],
    [() => topic(undefined as never), /topic takes a name/],
    [() => topic('freed', { payload: 'text' } as never), /topic 'freed': payload must be a data type/],
    [() => source('office', undefined as never), /source 'office': must be an object of operations/],
    [() => source('office', { a: { effect: 'reads', gives: 'text' } } as never), /a\.gives must be a data type/],
    [() => loose({ cells: { a: { type: 'string', initial: '' } } }), /cells\.a\.type must be a data type/],
    [
      () => loose({ cells: { a: { type: {}, initial: 1, amends: () => 1 } } }),
      /no clause 'amends'; did you mean 'amend'/,
    ],
    [() => loose({ cells: { a: { type: {}, initial: 1, amend: 'trim' } } }), /cells\.a\.amend must be a function/],
    [() => loose({ reckoned: () => ({ a: () => 1 }) }), /reckoned\.a must be made with reckon/],
    [() => loose({ shown: () => ({ a: true }) }), /shown\.a must be made with shownWhile/],
    [() => loose({ actions: () => ({ a: reset() }) }), /actions\.a must be a list of steps/],
    [
      () => loose({ bind: () => ({ a: { on: { press: submit() } } }) }),
      /bind\.a\.on\['press'\] must be a list of steps/,
    ],
    [() => loose({ bind: () => ({ a: 'text' }) }), /bind\.a must be an object/],
    [() => loose({ keeps: 'a' }), /keeps must be a list of names/],
    [() => loose({ reset: { to: 'initial', leave: [] } }), /reset has no clause 'leave'; did you mean 'leaves'/],
    [
      () => loose({ submit: { sends: ['a'], to: 'o.b', need: [] } }),
      /submit has no clause 'need'; did you mean 'needs'/,
    ],
    [
      () => journey('trip', { screens: { a: loose({}) }, start: 'a', leaving: 'ask' } as never),
      /leaving must be 'keep'/,
    ],
    [() => explore(loose({}), { edit: 2 } as never), /the part 'edit' does not exist; did you mean 'edits'/],
    [() => explore(loose({}), { edits: -1 }), /edits must be a whole number, 0 or more/],
    [() => rehearsal(loose({}), { initial: { b: 1 } }), /screen 'loft' has no cell 'b'/],
    [() => rehearsal(wired({}, bound)).press('name', 'clik'), /sends no event 'clik'/],
    [
      () => rehearsal(wired({}, bound)).shown('name', 'txt'),
      /has no property, value or reading 'txt'; did you mean 'text'/,
    ],
    [() => ideal('yard-text' as never), /ideal takes what contract\(…\) returned, and is given "yard-text"/],
    [() => compareContracts(text as never, []), /compareContracts takes two lists of contracts/],
    [() => extend(text, undefined as never), /extend: the second argument must have a tag of its own/],
    [() => handlers(text, undefined as never), /the second argument must be a list of lines/],
    [() => markup(undefined as never), /markup takes what contract\(…\) returned, and is given nothing/],
    [() => check(loose({}) as never), /check takes a design, such as designOf/],
  ]
  for (const [make, says] of MALFORMED)
    it(`refuse in one line: ${says.source.replace(/\\/g, '')}`, () =>
      expect(make).to.throw(CaulkerError).with.property('message').match(says))

  it('say in one line what is malformed', () => {
    expect(() => wired({ submit: {} }, bound)).to.throw(/screen 'berth': submit\.sends must be a list of names/)
    expect(() => wired({ reset: { to: 'x' } }, bound)).to.throw(/reset\.to must be 'initial'/)
    expect(() => wired({ sources: { office: {} } }, bound)).to.throw(/sources\.office is no source/)
    expect(() => wired({ sbumit: {} }, bound)).to.throw(/the part 'sbumit' does not exist; did you mean 'submit'/)
    expect(() => source('a', { b: { effect: 'writes' } } as never)).to.throw(/b\.effect must be 'reads'/)
    expect(() => journey('a', { screens: { b: {} }, start: 'b' } as never)).to.throw(/screens\.b is no screen/)
    expect(() => handlers(text, [{ event: 'click' }] as never)).to.throw(/line 1 does nothing/)
    expect(() => interior({} as never, {} as never)).to.throw(/what contract\(…\) returned/)
    const wipe = contract('yard-wipe', { values: { note: { type: Type.String() } }, commands: { wipe: {} } })
    const inside = (more: object) => () => interior(wipe, { fittings: {}, bind: () => ({}), ...more } as never)
    expect(inside({ commands: () => ({ wype: [] }) })).to.throw(
      /the interior of 'yard-wipe': commands\.wype: its contract has no command 'wype'; did you mean 'wipe'/,
    )
    expect(inside({ readings: () => ({ letters: {} }) })).to.throw(/its contract has no reading 'letters'/)
  })
})

describe('markup', () => {
  const plan = contract('berth-plan', {
    required: ['note'],
    properties: {
      note: { type: Type.String() },
      wet: { type: Type.Boolean(), default: false },
      berths: { type: Type.Array(Type.String()), default: [] },
      photo: { type: Type.Union([host('File'), Type.Null()]), default: null },
    },
    values: { berthNumber: { type: Type.Union([Type.Integer(), Type.Null()]), default: 1 } },
    form: { value: 'berthNumber' },
  })
  it('is the escaped element with its label, and what no attribute can say beside it', () => {
    expect(markup(plan, { note: '"><script>', wet: true, berths: ['<A1>'] }, { fitting: 'plan' })).to.equal(
      '<label>Berth number <berth-plan note="&quot;&gt;&lt;script&gt;" wet="" data-fitting="plan" data-given="{&quot;berths&quot;:[&quot;&lt;A1&gt;&quot;]}"></berth-plan></label>',
    )
  })
  it('is what the live element takes on again, null and all', () =>
    inDocument(async (document) => {
      const { takeGiven } = await import('caulker/dom')
      document.body.innerHTML = markup(plan, { note: 'a', berths: ['A1'], berthNumber: null })
      const element = document.querySelector('berth-plan') as Element & { berths: unknown; berthNumber: unknown }
      takeGiven(element, plan)
      expect([element.berths, element.berthNumber, element.hasAttribute('data-given')]).to.eql([['A1'], null, false])
    }))
  it('names what is missing, unknown, off its type or no text', () => {
    expect(() => markup(plan)).to.throw(/'note' is required, and is not given/)
    expect(() => markup(plan, { note: '', berhts: [] })).to.throw(/no 'berhts'; did you mean 'berths'/)
    expect(() => markup(plan, { note: 3 })).to.throw(/'note' is 3, and its type is string/)
    expect(() => markup(plan, { note: '', photo: new File([], 'a.png') })).to.throw(/which no text can hold/)
  })
})

describe('a table of handlers', () => {
  it('hears each event once, through a new drawing, a move and a second attaching', () =>
    inDocument(async (document) => {
      const { attachHandlers } = await import('caulker/dom')
      const winch = contract('hand-winch', { commands: { release: {} } })
      const seen: string[] = []
      const table = handlers(winch, [
        { event: 'click', at: '.release', does: 'release' },
        { event: 'click', at: 'b', does: (_event: Event, hit: Element) => seen.push(hit.textContent ?? '') },
        { event: 'focus', does: () => seen.push('focus') },
      ])
      const element = Object.assign(document.createElement('hand-winch'), { release: () => seen.push('release') })
      const draw = () => (element.innerHTML = '<button class="release"><b>Slack</b></button>')
      document.body.append(element)
      draw()
      const attached = attachHandlers(element, table)
      draw()
      document.body.prepend(element)
      attachHandlers(element, table)
      element.querySelector('b')!.click()
      element.querySelector('button')!.focus()
      expect(seen).to.eql(['release', 'Slack', 'focus'])
      attached.stop()
      element.querySelector('b')!.click()
      expect(seen).to.have.length(3)
      expect(() =>
        attachHandlers(element, handlers(winch, [{ event: 'click', does: 'relaese' as 'release' }])),
      ).to.throw(/did you mean 'release'/)
    }))
})

describe('sheets', () => {
  it('say what components promise, and write the types of JSON contracts', async () => {
    const { code, out } = await caulker('sheet', 'examples/haul-out', '--component', 'bale-stepper')
    expect([code, out]).to.deep.include(0)
    expect(out)
      .to.match(/^bale-stepper {2}Bales of oakum/)
      .and.match(/reports bales-set when left; fewest to most, else clamp/)
    const folder = folderWith({
      'winch.contract.json': JSON.stringify({
        tag: 'chain-winch',
        required: ['label'],
        properties: { label: { type: { type: 'string' } } },
        values: { turns: { type: { type: 'integer' }, default: 0 } },
      }),
      'use.ts': `import { contractFromJson } from 'caulker'\nimport type { ElementOf } from 'caulker/dom'\nimport json from './winch.contract.json' with { type: 'json' }\nconst winch = contractFromJson(json)\nexport const use = (element: ElementOf<typeof winch>): number => element.turns\n// @ts-expect-error a text\nexport const wrong = (element: ElementOf<typeof winch>): string => element.turns\n`,
      'tsconfig.json': JSON.stringify({
        compilerOptions: {
          strict: true,
          noEmit: true,
          target: 'esnext',
          module: 'nodenext',
          resolveJsonModule: true,
          allowArbitraryExtensions: true,
          skipLibCheck: true,
          types: [],
          paths: {
            caulker: [join(process.cwd(), 'packages/caulker/dist/index.d.ts')],
            'caulker/dom': [join(process.cwd(), 'packages/caulker/dist/dom.d.ts')],
          },
        },
      }),
      'package.json': '{ "type": "module" }',
    })
    expect((await caulker('sheet', folder, '--types')).code).to.equal(0)
    expect(existsSync(join(folder, 'winch.contract.d.json.ts'))).to.equal(true)
    const { spawnSync } = await import('node:child_process')
    const compiled = spawnSync(process.execPath, ['node_modules/typescript/bin/tsc', '-p', folder], {
      encoding: 'utf8',
    })
    expect(compiled.stdout).to.equal('')
  })
})

describe('a watched check', () => {
  it('reads again what changed and what depends on it, and nothing else', async () => {
    const folder = folderWith({
      'winch.contract.ts': WINCH,
      'slip.screen.ts': SLIP,
      'other.contract.ts': WINCH.replaceAll('chain-winch', 'other-winch'),
    })
    const watching = spawn(process.execPath, [CLI, 'check', '--watch', folder])
    let out = ''
    watching.stdout.on('data', (chunk) => (out += String(chunk)))
    const until = async (wanted: RegExp) => {
      for (let turn = 0; turn < 400 && !wanted.test(out); turn++) await new Promise((done) => setTimeout(done, 25))
      expect(out).to.match(wanted)
    }
    await until(/No leaks found in 2 contracts and 1 screen\.[^]*Watching/)
    writeFileSync(
      join(folder, 'winch.contract.ts'),
      WINCH.replace("required: ['label']", "required: ['label', 'most']"),
    )
    await until(/winch\.contract\.ts changed; 2 files read again\n1 error[^]*never given 'most'/)
    writeFileSync(join(folder, 'other.contract.ts'), 'export const nothing = 1')
    await until(/other\.contract\.ts changed; 1 file read again[^]*other\.contract\.ts: exports no contract/)
    const ended = new Promise((done) => watching.once('exit', done))
    watching.kill('SIGINT')
    expect(await ended).to.equal(0)
  })
})

const WINCH = `import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', required: ['label'], properties: { label: { type: Type.String() }, most: { type: Type.Integer() } }, values: { turns: { type: Type.Integer(), default: 0 } } })`
const SLIP = `import { screen, twoWay, Type } from 'caulker'
import { winch } from './winch.contract.js'
export const slip = screen('slip', { cells: { turns: { type: Type.Integer(), initial: 0 } }, fittings: { winch }, bind: ({ cells }) => ({ winch: { label: 'Chain', turns: twoWay(cells.turns) } }) })`
