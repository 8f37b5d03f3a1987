import { CaulkerError, contract, idealMount, rehearsal, screen, twoWay, Type } from 'caulker'
import { expect } from 'chai'

const told: unknown[] = []
const winch = contract('chain-winch', {
  properties: {
    most: { type: Type.Integer(), default: 12, after: (now, before) => void told.push([before, now]) },
    needed: { type: Type.Boolean(), default: false },
    off: { type: Type.Boolean(), default: false },
    why: { type: Type.String(), default: '' },
  },
  values: {
    turns: {
      type: Type.Integer(),
      default: 0,
      bounds: { least: 0, most: 'most' },
      vetoEvent: 'turns-asked',
      refuse: (turns) => (turns === 7 ? 'seven is worn out' : undefined),
    },
    slack: { type: Type.Union([Type.Number(), Type.Null()]), default: null, within: 200 },
    name: { type: Type.String(), default: 'old', reports: 'commit', blank: 'previous' },
    load: { type: Type.Integer(), default: 1, applies: 'when-told' },
  },
  commands: { haul: { takes: Type.Integer({ minimum: 1 }) }, reset: { effect: 'reset', reports: false } },
  form: { value: 'slack', requiredBy: 'needed' },
  locks: { disabled: 'off' },
  problem: 'why',
})

describe('the ideal component', () => {
  const mounted = (given: object = {}, veto?: (event: string) => boolean) => {
    const heard: string[] = []
    const made = idealMount(winch, given as never, (one) => {
      heard.push(`${one.event} ${String(one.payload)}`)
      if (veto?.(one.event) === true) one.veto?.()
    })
    return { made, heard }
  }

  it('asks before it changes, and does not where its owner vetoes', () => {
    const asked = mounted()
    asked.made.edit('turns', 3)
    asked.made.edit('turns', 3)
    expect(asked.heard).to.eql(['turns-asked 3', 'turns-set 3'])
    const vetoed = mounted({}, (event) => event === 'turns-asked')
    vetoed.made.edit('turns', 3)
    expect([vetoed.heard, vetoed.made.read('turns')]).to.eql([['turns-asked 3'], 0])
  })

  it('holds a report back for its time, sends it when the field is left, and only the last value', () => {
    const { made, heard } = mounted()
    made.edit('slack', 1)
    made.pass(100)
    made.edit('slack', 2)
    expect([heard, made.read('slack')]).to.eql([[], 2])
    made.pass(100)
    expect(heard).to.eql(['slack-set 2'])
    made.edit('slack', 3)
    void made.commit()
    made.pass(500)
    expect(heard).to.eql(['slack-set 2', 'slack-set 3'])
    made.edit('slack', 4)
    made.edit('slack', 3)
    made.pass(500)
    expect(heard.length).to.equal(2)
  })

  it('says beside the field why something was turned down, until something stands', () => {
    const { made } = mounted()
    made.edit('turns', 7)
    expect([made.read('why'), made.read('turns')]).to.eql(['seven is worn out', 0])
    made.edit('turns', 8)
    expect([made.read('why'), made.read('turns')]).to.eql(['', 8])
  })

  it('makes of an emptied field what its contract says', () => {
    const { made, heard } = mounted({ name: 'Heron' })
    made.edit('name', '')
    void made.commit()
    expect([made.read('name'), heard]).to.eql(['Heron', []])
  })

  it('proposes only, where a value applies when it is told', () => {
    const { made, heard } = mounted()
    made.edit('load', 4)
    expect([made.read('load'), heard]).to.eql([1, ['load-set 4']])
    made.tell({ load: 4 })
    expect([made.read('load'), heard.length]).to.eql([4, 1])
  })

  it('tells its hooks once a value stands', () => {
    told.length = 0
    const { made } = mounted()
    made.tell({ most: 5 })
    made.tell({ most: 5 })
    expect(told).to.eql([[12, 5]])
  })

  it('takes what a command takes, and refuses what it does not', () => {
    const { made } = mounted()
    made.command('haul', 2)
    expect(() => made.command('haul', 0)).to.throw(CaulkerError, /'chain-winch\.haul' takes integer, and is given 0/)
    expect(() => made.command('hual')).to.throw(/did you mean 'haul'/)
  })

  it('has a form value and a validity', () => {
    const { made } = mounted({ needed: true })
    expect([made.formValue(), made.isMissing()]).to.eql([null, true])
    made.edit('slack', 0)
    expect([made.formValue(), made.isMissing()]).to.eql([0, false])
    made.tell({ slack: null, off: true })
    expect(made.isMissing()).to.equal(false)
  })

  it('is asked for its veto by the owner that a screen is', () => {
    const design = screen('slip', {
      cells: { turns: { type: Type.Integer(), initial: 0, refuse: (turns) => (turns > 5 ? 'too many' : undefined) } },
      fittings: { winch },
      bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
    })
    const run = rehearsal(design)
    run.edit('winch', 'turns', 6)
    expect([run.read('turns'), run.shown('winch', 'turns'), run.refusals]).to.eql([0, 0, []])
    run.edit('winch', 'turns', 5)
    expect(run.read('turns')).to.equal(5)
  })
})
