import { expect } from 'chai'
import fc from 'fast-check'
import { rehearsal, type Journey, type Rehearsal } from 'caulker'
import { createLoader } from '../packages/caulker-cli/dist/node/load.js'
import { WHOLE } from './support/whole.js'

const { haulOut } = (await createLoader()(`${process.cwd()}/examples/haul-out/screens/haul-out.journey.ts`)) as {
  haulOut: Journey
}

/** Random moves over the sound journey, each from its seed: 10,000 where the whole is asked, as many as fit into seconds otherwise. */
const RUNS = WHOLE ? 10_000 : 600

/** The texts and values that a person may put into each field. */
const EDITS: Record<string, readonly [name: string, values: readonly unknown[]]> = {
  name: ['text', ['', ' Heron', 'Bittern']],
  feet: ['value', [null, 34, 200]],
  hull: ['value', ['oak', 'steel']],
  damaged: ['checked', [true, false]],
  damage: ['text', ['a plank', '']],
  bales: ['bales', [0, 7, 24]],
  low: ['bales', [40, 60, 90]],
  high: ['bales', [65, 80, 200]],
  berth: ['value', ['Slip 1', 'Pontoon A']],
  from: ['value', ['2031-05-14', '']],
  until: ['value', ['2031-05-20', '2031-05-01']],
  note: ['value', ['a soft plank', '']],
  contact: ['text', ['Ines', 'ines@quay']],
  remark: ['text', ['mind the keel', '']],
}
const PRESSES = [
  'next',
  'back',
  'again',
  'none',
  'book',
  'keepNote',
  'dropNote',
  'keepContact',
  'dropContact',
  'keep',
  'drop',
]

type Move =
  | { readonly edit: string; readonly pick: number; readonly leaves: boolean }
  | { readonly press: string }
  | { readonly travel: number }
  | { readonly answer: number; readonly how: 'well' | 'badly' | 'off type' | 'never' }

const move: fc.Arbitrary<Move> = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({ edit: fc.constantFrom(...Object.keys(EDITS)), pick: fc.nat(2), leaves: fc.boolean() }),
  },
  { weight: 5, arbitrary: fc.record({ press: fc.constantFrom(...PRESSES) }) },
  { weight: 1, arbitrary: fc.record({ travel: fc.nat(4) }) },
  {
    weight: 3,
    arbitrary: fc.record({ answer: fc.nat(3), how: fc.constantFrom('well', 'well', 'badly', 'off type', 'never') }),
  },
)

const GOOD: Record<string, () => unknown> = {
  'office.berths': () => ['Slip 1', 'Slip 2'],
  'office.seams': () => [{ id: 'wale', name: 'Wale seam', feet: 3 }],
  'office.book': () => ({ number: 'MC-101' }),
  'office.remark': () => undefined,
}

function play(run: Rehearsal, one: Move, typing: Set<string>): void {
  const screen = haulOut.screens[run.front()]
  const isHere = (fitting: string) => Object.hasOwn((screen?.fittings ?? {}) as object, fitting)
  if ('edit' in one) {
    const [name, values] = EDITS[one.edit]!
    if (!isHere(one.edit) || !run.isShown(one.edit)) return
    run.edit(one.edit, name, values[one.pick % values.length])
    if (one.leaves) {
      run.leave(one.edit)
      typing.delete(one.edit)
    } else typing.add(one.edit)
  } else if ('press' in one) {
    if (!isHere(one.press)) return
    run.press(one.press)
    // A booking commits what is being typed, a reset drops it.
    if (one.press === 'book' || one.press === 'again') typing.clear()
  } else if ('travel' in one) run.travel(one.travel)
  else {
    const all = run.pending().filter(({ isWaiting }) => !isWaiting)
    const call = all[one.answer % Math.max(all.length, 1)]
    if (call === undefined) return
    const which = all.filter(({ operation }) => operation === call.operation).indexOf(call)
    const before = JSON.stringify(cellsOf(run))
    if (one.how === 'well') run.answer(call.operation, GOOD[call.operation]!(), which)
    else if (one.how === 'off type') run.answer(call.operation, 7, which)
    else if (one.how === 'badly') run.fail(call.operation, 'The office did not answer', {}, which)
    else run.giveUp(call.operation, which)
    // A failure loses nothing. What gives nothing has no type that an answer could miss.
    if (one.how !== 'well' && call.operation !== 'office.remark')
      expect(JSON.stringify(cellsOf(run)), `after ${call.operation} failed`).to.equal(before)
  }
}

function cellsOf(run: Rehearsal): Record<string, unknown> {
  return Object.fromEntries(Object.keys(haulOut.cells).map((name) => [name, run.read(name)]))
}

function holds(run: Rehearsal, typing: ReadonlySet<string>): void {
  for (const { fitting, row, name, owner, isShared } of run.sides())
    if (isShared && !typing.has(fitting))
      expect(run.shown(fitting, name, row), `${fitting}.${name} shows what is held`).to.eql(
        owner ?? run.shown(fitting, name, row),
      )
  const out = run.pending().map(({ operation }) => operation)
  expect(out.filter((operation) => operation === 'office.book').length, 'one booking is out').to.be.at.most(1)
  expect(
    run.faults.filter(({ place }) => !place.startsWith('the answer of')),
    'faults',
  ).to.eql([])
}

describe('the journey in all weathers', () => {
  it(`shows what it holds, loses nothing and sends nothing twice, over ${RUNS} random runs`, function () {
    this.timeout(600_000)
    fc.assert(
      fc.property(fc.array(move, { minLength: 8, maxLength: 40 }), (moves) => {
        const run = rehearsal(haulOut)
        const typing = new Set<string>()
        let front = run.front()
        let sent = 0
        for (const one of moves) {
          const before = cellsOf(run)
          const isTidy = typing.size === 0
          play(run, one, typing)
          if (run.front() !== front) {
            typing.clear()
            front = run.front()
          }
          // What was sent is what is held, and nothing that is needed is missing.
          for (const { operation, given } of run.calls.slice(sent)) {
            if (operation !== 'book') continue
            const { bales, vessel, berth } = given as Record<string, unknown>
            expect({ bales, vessel, berth }).to.eql({
              bales: run.read('bales'),
              vessel: run.read('vessel'),
              berth: run.read('berth'),
            })
            expect([vessel, berth]).not.to.include('')
          }
          sent = run.calls.length
          if ('travel' in one && isTidy) expect(cellsOf(run), 'what is shared is kept on the way').to.eql(before)
          holds(run, typing)
        }
        run.remove()
      }),
      { numRuns: RUNS, seed: 20311 },
    )
  })
})
