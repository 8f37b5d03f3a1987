import { expect } from 'chai'
import { contract, host, idealMount, Type, accepts, CaulkerError, type AnyContract } from 'caulker'

const draft = contract as (tag: string, clauses: unknown) => AnyContract

describe('a contract', () => {
  it('fills in what is not written: event, place of the payload, label, attribute, what is empty', () => {
    const { values, properties } = contract('mooring-plan', {
      properties: { berthNumber: { type: Type.Integer(), default: 4 }, lines: { type: Type.Array(Type.String()) } },
      values: { leavesAt: { type: Type.Union([Type.String(), Type.Null()]) } },
    })
    expect(values.leavesAt).to.include({
      event: 'leaves-at-set',
      payloadAt: '/detail/value',
      reports: 'edit',
      outside: 'clamp',
      empty: null,
      default: null,
    })
    expect(properties.berthNumber).to.include({ label: 'Berth number', attribute: 'berth-number', required: false })
    expect(properties.lines.attribute).to.equal(false)
  })

  const malformed: [string, string, unknown, RegExp][] = [
    ['a tag without a hyphen', 'stepper', {}, /contract 'stepper': the tag must be lower case and contain a hyphen/],
    [
      'a section that does not exist',
      'bale-stepper',
      { propertys: {} },
      /the clause 'propertys' does not exist; did you mean 'properties'\?/,
    ],
    [
      'a clause that does not exist',
      'bale-stepper',
      { values: { bales: { type: Type.Integer(), boundz: {} } } },
      /values\.bales has no clause 'boundz'; did you mean 'bounds'\?/,
    ],
    [
      'a missing type',
      'bale-stepper',
      { properties: { label: {} } },
      /properties\.label has no type; write type: Type\.String\(\)/,
    ],
    [
      'a bound that names nothing',
      'bale-stepper',
      {
        values: { bales: { type: Type.Integer(), bounds: { most: 'mots' } } },
        properties: { most: { type: Type.Integer() } },
      },
      /bounds\.most names 'mots', which is not declared; did you mean 'most'\?/,
    ],
    [
      'a required name that is not declared',
      'bale-stepper',
      { required: ['label'] },
      /required names 'label', which is not declared/,
    ],
    [
      'one name in two sections',
      'bale-stepper',
      { properties: { bales: { type: Type.Integer() } }, values: { bales: { type: Type.Integer() } } },
      /stands under properties and under values/,
    ],
    [
      'a word that a clause does not know',
      'bale-stepper',
      { values: { bales: { type: Type.Integer(), reports: 'blur' } } },
      /values\.bales\.reports must be 'edit' or 'commit'/,
    ],
    [
      'a pointer that is none',
      'bale-stepper',
      { values: { bales: { type: Type.Integer(), payloadAt: 'detail.value' } } },
      /must be a JSON Pointer/,
    ],
    [
      'a name that would change a prototype',
      'bale-stepper',
      JSON.parse('{"values":{"__proto__":{"type":{"type":"integer"}}}}'),
      /cannot have this name/,
    ],
    [
      'an attribute as the only way in, and none that can say it',
      'bale-stepper',
      { properties: { marks: { type: Type.Array(Type.String()), only: 'attribute' } } },
      /properties\.marks has only its attribute, and none that can say it; name one/,
    ],
    [
      'a name that an event carries and nobody declared',
      'bale-stepper',
      { properties: { unit: { type: Type.String() } }, events: { full: { carries: { '/detail/unit': 'unti' } } } },
      /names 'unti', which is not declared; did you mean 'unit'/,
    ],
  ]
  for (const [what, tag, clauses, message] of malformed)
    it(`says in one line what is wrong: ${what}`, () => {
      expect(() => draft(tag, clauses))
        .to.throw(CaulkerError, message)
        .with.property('code', 'malformed-contract')
    })

  it('takes hand-written JSON Schema as a type, and names host objects by one keyword', () => {
    const made = draft('survey-photo', {
      values: { photo: { type: { anyOf: [{ hostObject: 'File' }, { type: 'null' }] } } },
    })
    const { type } = made.values['photo']!
    expect([new File(['hull'], 'hull.png'), null, 'hull.png', {}].map((value) => accepts(type, value))).to.eql([
      true,
      true,
      false,
      false,
    ])
    expect(accepts(host('Date'), new Date())).to.equal(true)
  })
})

describe('the ideal component of a contract', () => {
  const stepper = contract('bale-stepper', {
    properties: {
      fewest: { type: Type.Integer(), default: 0 },
      most: { type: Type.Integer(), default: 40 },
      stride: { type: Type.Number(), default: 1 },
      locked: { type: Type.Boolean(), default: false },
    },
    values: {
      bales: {
        type: Type.Number(),
        default: 0,
        reports: 'commit',
        bounds: { least: 'fewest', most: 'most' },
        step: 'stride',
      },
    },
    commands: { reset: { effect: 'reset' } },
    locks: { disabled: 'locked' },
  })
  const mounted = (given: object) => {
    const heard: unknown[] = []
    return {
      heard,
      component: idealMount(stepper, given as never, ({ event, payload }) => heard.push([event, payload])),
    }
  }

  it('is silent when told, and reports an edit once, when it is committed', () => {
    const { heard, component } = mounted({ bales: 3 })
    component.tell({ bales: 5 })
    component.edit('bales', 7)
    expect(heard).to.eql([])
    component.commit()
    component.commit()
    expect(heard).to.eql([['bales-set', 7]])
  })

  it('reports nothing when an edit comes back to what stands', () => {
    const { heard, component } = mounted({ bales: 40 })
    component.edit('bales', 99)
    component.commit()
    expect(heard).to.eql([])
  })

  const edits: [string, object, number, number][] = [
    ['an edit above the most', { most: 9 }, 12, 9],
    ['an edit below the least', { fewest: 2 }, -3, 2],
    ['an edit between two steps, counted from the least', { fewest: 1, stride: 3 }, 6, 7],
    ['a fraction, rounded to the places of the step', { stride: 0.1 }, 0.30000000000000004, 0.3],
    ['a most that is no step', { most: 10, stride: 4 }, 40, 8],
    ['a least above the most', { fewest: 12, most: 9 }, 10, 12],
  ]
  for (const [what, given, edited, stands] of edits)
    it(`brings it inside: ${what}`, () => {
      const { component } = mounted({ bales: 5, ...given })
      component.edit('bales', edited)
      component.commit()
      expect(component.read('bales')).to.equal(stands)
    })

  it('takes a tell in any order of its names', () => {
    const { component } = mounted({})
    component.tell({ bales: 60, most: 80 })
    expect(component.read('bales')).to.equal(60)
  })

  it('reports once when it has to amend what it was told', () => {
    const { heard, component } = mounted({ bales: 30 })
    component.tell({ most: 10 })
    expect([component.read('bales'), heard]).to.eql([10, [['bales-set', 10]]])
  })

  it('proposes nothing for the person while it is locked, and still takes tells', () => {
    const { heard, component } = mounted({ bales: 3, locked: true })
    component.edit('bales', 4)
    component.commit()
    component.tell({ bales: 6 })
    expect([component.read('bales'), heard]).to.eql([6, []])
  })

  it('resets to its default, forgets what is unfinished, and reports it', () => {
    const { heard, component } = mounted({ bales: 8 })
    component.edit('bales', 9)
    component.command('reset')
    component.commit()
    expect(heard).to.eql([['bales-set', 0]])
  })

  it('takes undefined for "not given": the default applies again', () => {
    const { component } = mounted({ bales: 8, most: 20 })
    component.tell({ bales: undefined, most: undefined })
    expect([component.read('bales'), component.read('most')]).to.eql([0, 40])
  })

  it('names the closest command when one does not exist', () => {
    expect(() => mounted({}).component.command('rest')).to.throw(
      CaulkerError,
      "has no command 'rest'; did you mean 'reset'?",
    )
  })
})
