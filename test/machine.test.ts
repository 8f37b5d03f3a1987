import {
  compile,
  drive,
  firstState,
  scratchFor,
  step,
  type Amendment,
  type Fault,
  type Refusal,
} from 'caulker/inside/machine'
import { expect } from 'chai'
import {
  announce,
  clear,
  contract,
  go,
  idealMount,
  oneWay,
  payload,
  reckon,
  rehearsal,
  reset,
  run,
  screen,
  set,
  submit,
  topic,
  twoWay,
  Type,
  type AnyScreen,
  type MountedIdeal,
} from 'caulker'

const stepper = contract('bale-stepper', {
  properties: { most: { type: Type.Integer(), default: 40 } },
  values: { bales: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' } } },
  events: { 'limit-met': { payload: Type.String() } },
  commands: { reset: { effect: 'reset' }, hush: { effect: 'reset', reports: false }, jam: {} },
})
const tag = contract('price-tag', { properties: { amount: { type: Type.Number() }, text: { type: Type.String() } } })

/** Runs a screen over ideal components and keeps a record of all that is told. */
function rehearsed(
  design: AnyScreen,
  hooks: { onTell?: (fitting: string, mounts: Map<string, MountedIdeal>) => void } = {},
) {
  const told: [string, object][] = []
  const faults: Fault[] = []
  const refusals: Refusal[] = []
  const mounts = new Map<string, MountedIdeal>()
  const amendments: Amendment[] = []
  const runner = drive(compile(design), {
    tell(fitting, changes) {
      told.push([fitting, changes])
      mounts.get(fitting)?.tell(changes)
      hooks.onTell?.(fitting, mounts)
    },
    command: (fitting, name) => mounts.get(fitting)?.command(name),
    read: (fitting, name) => mounts.get(fitting)?.read(name),
    fault: (fault) => faults.push(fault),
    refused: (refusal) => refusals.push(refusal),
    amended: (amendment) => amendments.push(amendment),
  })
  for (const { name, contract: of } of runner.machine.fittings)
    mounts.set(
      name,
      idealMount(of, runner.given(name), ({ event, payload: carried }) => runner.hear(name, event, carried)),
    )
  return { runner, told, faults, refusals, amendments, at: (name: string) => mounts.get(name)! }
}

const twoSteppers = (cell: object = {}) =>
  screen('work-order', {
    cells: { bales: { type: Type.Integer(), initial: 10, ...cell }, price: { type: Type.Number(), initial: 2 } },
    fittings: { one: stepper, other: stepper, total: tag },
    reckoned: ({ cells }) => ({ total: reckon([cells.bales, cells.price], (bales, price) => bales * price) }),
    actions: ({ cells, fittings }) => ({
      none: [set(cells.bales, 0)],
      again: [clear(cells.bales)],
      resetOne: [run(fittings.one, 'reset')],
      hush: [run(fittings.one, 'hush')],
      jam: [run(fittings.one, 'jam'), set(cells.price, 3)],
    }),
    bind: ({ cells, reckoned, actions }) => ({
      one: { bales: twoWay(cells.bales), on: { 'limit-met': actions.none } },
      other: { bales: twoWay(cells.bales) },
      total: { amount: oneWay(reckoned.total) },
    }),
  })

describe('a running screen', () => {
  it('carries an edit to its cell, to what is computed from it and to the other fitting, and never back as an echo', () => {
    const { runner, told, at } = rehearsed(twoSteppers())
    at('one').edit('bales', 7)
    expect(runner.read('total')).to.equal(14)
    expect(told).to.eql([
      ['other', { bales: 7 }],
      ['total', { amount: 14 }],
    ])
  })

  it('tells each fitting once a transaction, and nothing where nothing changed', () => {
    const { runner, told } = rehearsed(twoSteppers())
    runner.setAll({ bales: 5, price: 3 })
    runner.set('bales', 5)
    expect(told).to.eql([
      ['one', { bales: 5 }],
      ['other', { bales: 5 }],
      ['total', { amount: 15 }],
    ])
  })

  it('corrects what is shown when the owner amends an edit', () => {
    const { told, at } = rehearsed(twoSteppers({ amend: (bales: number) => bales - (bales % 2) }))
    at('one').edit('bales', 7)
    expect(told[0]).to.eql(['one', { bales: 6 }])
    expect(at('one').read('bales')).to.equal(6)
  })

  it('corrects what is shown when the owner refuses an edit, and says why', () => {
    const { refusals, at } = rehearsed(
      twoSteppers({ refuse: (bales: number) => (bales > 8 ? 'the store has 8 bales' : undefined) }),
    )
    at('one').edit('bales', 9)
    expect(at('one').read('bales')).to.equal(10)
    expect(refusals).to.eql([{ cell: 'bales', value: 9, reason: 'the store has 8 bales' }])
  })

  it('refuses a value off the type of its cell', () => {
    const { runner, refusals } = rehearsed(twoSteppers())
    runner.set('bales', 'ten')
    expect([runner.read('bales'), refusals[0]?.reason]).to.eql([10, '"ten" is not of type integer'])
  })

  it('holds what is shown: a cell keeps to the bounds of the value that it is shared with, and says what it was made', () => {
    const bounded = screen('bounded', {
      cells: { bales: { type: Type.Integer(), initial: 10 }, most: { type: Type.Integer(), initial: 40 } },
      fittings: { one: stepper, total: tag },
      reckoned: ({ cells }) => ({ total: reckon([cells.bales], (bales) => bales + 60) }),
      actions: ({ cells }) => ({ both: [set(cells.bales, 50), set(cells.most, 60)] }),
      bind: ({ cells, reckoned }) => ({
        one: { bales: twoWay(cells.bales), most: oneWay(cells.most) },
        total: { amount: oneWay(reckoned.total) },
      }),
    })
    const { runner, told, amendments, at } = rehearsed(bounded)
    runner.set('bales', 1000)
    expect([runner.read('bales'), at('one').read('bales'), runner.read('total')]).to.eql([40, 40, 100])
    runner.set('most', 6)
    runner.set('most', 20)
    expect(told).to.eql([
      ['one', { bales: 40 }],
      ['total', { amount: 100 }],
      ['one', { bales: 6, most: 6 }],
      ['total', { amount: 66 }],
      ['one', { most: 20 }],
    ])
    expect(amendments).to.eql([
      { cell: 'bales', proposed: 1000, stands: 40 },
      { cell: 'bales', proposed: 40, stands: 6 },
    ])
    // One action that sets a value and its bound is judged once, at the end.
    runner.act('both')
    expect([runner.read('bales'), amendments.length]).to.eql([50, 2])
  })

  it('turns down what is outside where the value refuses, and lets it stand where only its bound has moved', () => {
    const strict = contract('strict-stepper', {
      properties: { most: { type: Type.Integer(), default: 40 } },
      values: { bales: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' }, outside: 'refuse' } },
    })
    const store = screen('store', {
      cells: { bales: { type: Type.Integer(), initial: 10 }, most: { type: Type.Integer(), initial: 40 } },
      fittings: { one: strict },
      bind: ({ cells }) => ({ one: { bales: twoWay(cells.bales), most: oneWay(cells.most) } }),
    })
    const { runner, refusals } = rehearsed(store)
    expect(runner.set('bales', 41)).to.equal('41 is above the most, 40')
    expect([runner.read('bales'), refusals.length]).to.eql([10, 1])
    runner.set('most', 6)
    expect([runner.read('bales'), refusals.length]).to.eql([10, 1])
  })

  it('lets initial values go the way of every proposal, and says of one that is refused where it stands', () => {
    const { faults, runner } = rehearsed(
      screen('store', {
        cells: {
          bales: { type: Type.Integer(), initial: 'ten' as never },
          wood: { type: Type.String(), initial: 'OAK', amend: (wood) => wood.toLowerCase() },
        },
        fittings: {},
        bind: () => ({}),
      }),
    )
    expect(faults.map(({ place }) => place)).to.eql(['the initial value of bales'])
    expect(runner.read('wood')).to.equal('oak')
  })

  it('says why a wrong type, NaN or nothing is not taken', () => {
    const { runner } = rehearsed(twoSteppers())
    expect(['ten', Number.NaN, undefined].map((value) => runner.set('bales', value))).to.eql([
      '"ten" is not of type integer',
      'NaN is not of type integer',
      'nothing is given, and it is of type integer',
    ])
    expect(runner.read('bales')).to.equal(10)
  })

  it('takes two values that one event reports as one report', () => {
    const range = contract('pitch-range', {
      values: {
        low: { type: Type.Integer(), default: 0, event: 'range-set', payloadAt: '/detail/low' },
        high: { type: Type.Integer(), default: 9, event: 'range-set', payloadAt: '/detail/high' },
      },
    })
    const { runner, told } = rehearsed(
      screen('pitch', {
        cells: { low: { type: Type.Integer(), initial: 1 }, high: { type: Type.Integer(), initial: 8 } },
        fittings: { range },
        bind: ({ cells }) => ({ range: { low: twoWay(cells.low), high: twoWay(cells.high) } }),
      }),
    )
    runner.hear('range', 'range-set', { low: 3, high: 9 }, { low: 3, high: 9 })
    expect([runner.read('low'), runner.read('high'), told]).to.eql([3, 9, []])
  })

  it('hands a command what was heard, and what a cell holds', () => {
    const winch = contract('chain-winch', {
      events: { slipped: { payload: Type.Object({ feet: Type.Integer() }) } },
      commands: { haul: { takes: Type.Integer() } },
    })
    const called: unknown[] = []
    const machine = compile(
      screen('slipway', {
        cells: { feet: { type: Type.Integer(), initial: 4 } },
        fittings: { winch },
        actions: ({ cells, fittings }) => ({ haul: [run(fittings.winch, 'haul', cells.feet)] }),
        bind: ({ actions }) => ({ winch: { on: { slipped: actions.haul } } }),
      }),
    )
    const driver = drive(machine, {
      tell: () => undefined,
      read: () => undefined,
      command: (_, __, args) => called.push(...args),
    })
    driver.act('haul')
    const heard = screen('slipway', {
      cells: {},
      fittings: { winch },
      actions: ({ fittings }) => ({ haul: [run(fittings.winch, 'haul', payload('/feet') as never)] }),
      bind: ({ actions }) => ({ winch: { on: { slipped: actions.haul } } }),
    })
    const other = drive(compile(heard), {
      tell: () => undefined,
      read: () => undefined,
      command: (_, __, args) => called.push(...args),
    })
    other.hear('winch', 'slipped', { feet: 7 })
    expect(called).to.eql([4, 7])
  })

  it('keeps what is reported while it is mounted, takes it once all stand, and hears nothing after its end', () => {
    const driver = drive(
      compile(twoSteppers({ amend: (bales: number) => bales - (bales % 2) })),
      { tell: (fitting, changes) => told.push([fitting, changes]), read: () => undefined, command: () => undefined },
      { isMounting: true },
    )
    const told: [string, object][] = []
    driver.hear('one', 'bales-set', 7)
    expect([driver.read('bales'), told]).to.eql([10, []])
    driver.begin()
    expect(driver.read('bales')).to.equal(6)
    expect(told).to.deep.include(['one', { bales: 6 }])
    driver.end()
    driver.set('bales', 2)
    driver.hear('one', 'bales-set', 4)
    expect(driver.read('bales')).to.equal(6)
  })

  it('owes every tell although its host throws, and runs what the host asked for meanwhile', () => {
    const told: string[] = []
    const driver = drive(compile(twoSteppers({ amend: (bales: number) => bales - (bales % 2) })), {
      tell: (fitting) => told.push(fitting),
      read: () => undefined,
      command: () => undefined,
      amended() {
        throw new Error('the log is full')
      },
    })
    driver.set('bales', 7)
    expect([driver.read('bales'), told]).to.eql([6, ['one', 'other', 'total']])
  })

  it('gives the same for the same, as often at once as there are scratches, and keeps no mark of it', () => {
    const machine = compile(twoSteppers())
    const [one, other] = [scratchFor(machine), scratchFor(machine)]
    const { state } = firstState(machine, {}, one)
    const input = { kind: 'set', changes: [[0, 7]] } as const
    const outcome = step(machine, state, input, one)
    expect(step(machine, state, input, other)).to.eql(outcome)
    expect(step(machine, state, input, one)).to.eql(outcome)
    expect([...one.changed, ...one.ranks, ...one.tells, ...one.cells].every((mark) => mark === 0)).to.equal(true)
    expect(state[0]).to.equal(10)
  })

  it('rolls a transaction back when something computed throws, and tells the reporter the value that stands', () => {
    const shaky = screen('shaky', {
      cells: { bales: { type: Type.Integer(), initial: 10 } },
      fittings: { one: stepper, total: tag },
      reckoned: ({ cells }) => ({
        total: reckon([cells.bales], (bales) => {
          if (bales === 13) throw new Error('thirteen bales')
          return bales
        }),
      }),
      bind: ({ cells, reckoned }) => ({
        one: { bales: twoWay(cells.bales) },
        total: { amount: oneWay(reckoned.total) },
      }),
    })
    const { runner, faults, at } = rehearsed(shaky)
    at('one').edit('bales', 13)
    expect([runner.read('bales'), at('one').read('bales'), faults[0]?.place]).to.eql([10, 10, 'reckoned total'])
  })

  it('tells what happened afterwards once a value stands, and runs on when that throws', () => {
    const seen: number[] = []
    const { runner, faults } = rehearsed(
      twoSteppers({
        after: [
          (now: number) => {
            seen.push(now)
            throw new Error('the log is full')
          },
        ],
      }),
    )
    runner.set('bales', 4)
    expect([runner.read('bales'), seen, faults.map((fault) => fault.place)]).to.eql([4, [4], ['after of bales']])
  })

  it('hears what a reset command changed, by its report or, where it is silent, by reading it', () => {
    for (const action of ['resetOne', 'hush']) {
      const { runner, at } = rehearsed(twoSteppers())
      runner.act(action)
      expect([runner.read('bales'), at('one').read('bales'), at('other').read('bales')], action).to.eql([0, 0, 0])
    }
  })

  it('takes what an event carried into a cell, and runs the rest when a command throws', () => {
    const noted = screen('noted', {
      cells: { note: { type: Type.String(), initial: '' } },
      fittings: { one: stepper, total: tag },
      actions: ({ cells }) => ({ note: [set(cells.note, payload())] }),
      bind: ({ cells, actions }) => ({
        one: { on: { 'limit-met': actions.note } },
        total: { text: oneWay(cells.note) },
      }),
    })
    const { runner, told } = rehearsed(noted)
    runner.hear('one', 'limit-met', 'most')
    expect(told).to.eql([['total', { text: 'most' }]])
    const jammed = rehearsed(twoSteppers())
    jammed.at('one').command = () => {
      throw new Error('the pawl is stuck')
    }
    jammed.runner.act('jam')
    expect([jammed.runner.read('price'), jammed.faults[0]?.place]).to.eql([3, 'command one.jam'])
  })

  it('stops a circle of reports, brings the last settled state back and names its cells', () => {
    const { runner, faults, told } = rehearsed(twoSteppers(), {
      onTell: (fitting, mounts) =>
        fitting !== 'total' &&
        mounts.get(fitting)?.edit('bales', (Number(mounts.get(fitting)?.read('bales')) + 1) % 40),
    })
    runner.set('bales', 3)
    expect(
      faults.some((fault) => fault.place === 'circle' && /circle through bales/.test(String(fault.error))),
    ).to.equal(true)
    expect([runner.read('bales'), runner.read('total')]).to.eql([10, 20])
    expect(told.slice(-3)).to.deep.include.members([
      ['one', { bales: 10 }],
      ['other', { bales: 10 }],
    ])
  })

  it('stops a topic that sets itself off again', () => {
    const freed = topic('crane-freed', { payload: Type.Integer() })
    const { runner, faults } = rehearsed(
      screen('slip', {
        cells: { heard: { type: Type.Integer(), initial: 0 } },
        fittings: {},
        topics: { freed },
        hears: ({ cells, topics }) => ({ freed: [set(cells.heard, payload()), announce(topics.freed, payload())] }),
        actions: ({ topics }) => ({ free: [announce(topics.freed, 7)] }),
        bind: () => ({}),
      }),
    )
    runner.act('free')
    expect(faults.map(({ place }) => place)).to.eql(['circle'])
    expect(runner.read('heard')).to.equal(0)
  })

  it('computes each reckoned cell once a transaction, in the order of what depends on what', () => {
    let count = 0
    const chain = screen('chain', {
      cells: { a: { type: Type.Number(), initial: 1 } },
      fittings: {},
      reckoned({ cells }) {
        const left = reckon([cells.a], (a) => a + 1)
        const right = reckon([cells.a], (a) => a * 2)
        return { sum: reckon([left, right], (one, other) => (count++, one + other)), left, right }
      },
      bind: () => ({}),
    })
    const { runner } = rehearsed(chain)
    count = 0
    runner.set('a', 5)
    expect([runner.read('sum'), count]).to.eql([16, 1])
  })

  it('names the closest cell when one does not exist', () => {
    expect(() => rehearsed(twoSteppers()).runner.set('balse', 1)).to.throw("has no cell 'balse'; did you mean 'bales'?")
  })
})

describe('what cannot run', () => {
  it('is said in one line, with the closest right name', () => {
    expect(() => rehearsal({} as never)).to.throw(/expected what screen\(…\), journey\(…\) or interior\(…\) returned/)
    expect(() => rehearsal(undefined as never)).to.throw(/was given not given/)
    const run = rehearsal(twoSteppers())
    expect(() => run.edit('oen', 'bales', 3)).to.throw(/screen 'work-order' has no fitting 'oen'; did you mean 'one'/)
    expect(() => run.edit('one', 'baels', 3)).to.throw(/no two-way value 'baels'; did you mean 'bales'/)
    expect(() => run.set({ bale: 3 })).to.throw(/no cell 'bale'; did you mean 'bales'/)
    expect(() => run.act('agian')).to.throw(/no action 'agian'; did you mean 'again'/)
    expect(() => run.answer('office.book')).to.throw(/no call of 'office\.book' waits for an answer/)
    expect(() => run.shown('one', 'bales', 'x')).to.throw(/no fitting 'one\/x'/)
  })

  it('is a fault with its place, and the rest runs', () => {
    const lost = screen('lost', {
      cells: { bales: { type: Type.Integer(), initial: 1 } },
      fittings: { one: stepper },
      actions: ({ cells }) => ({ on: [go('nowhere'), submit(), reset(), set(cells.bales, 4)] }),
      bind: ({ cells }) => ({ one: { bales: twoWay(cells.bales) } }),
    })
    const run = rehearsal(lost)
    run.act('on')
    expect(run.read('bales')).to.equal(4)
    expect(run.faults.map(({ place, error }) => `${place}: ${(error as Error).message}`)).to.eql([
      "step go to 'nowhere': this screen is mounted alone, and has no such screen beside it; mount the journey",
      "step submit: screen 'lost' does not say what it submits",
      "step reset: screen 'lost' does not say to what it is reset",
    ])
  })
})
