import { expect } from 'chai'
import { contract, discard, draft, explore, rehearsal, rowsOf, save, screen, source, twoWay, Type } from 'caulker'
import { nativeButton } from 'caulker/dom'

const line = contract('seam-line', {
  values: {
    feet: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 90 } },
    note: { type: Type.String(), default: '' },
  },
  events: { kept: {}, dropped: {} },
})
const seam = Type.Object({ id: Type.String(), feet: Type.Integer(), note: Type.String() })
const office = source('yard-office', {
  seam: { effect: 'updates', key: 'id', takes: Type.Object({ id: Type.String(), feet: Type.Integer() }) },
})
const CELLS = {
  seams: {
    type: Type.Array(seam),
    initial: [
      { id: 'bow', feet: 12, note: '' },
      { id: 'keel', feet: 30, note: '' },
    ],
  },
}
const byHand = screen('seams', {
  cells: CELLS,
  fittings: { line, all: nativeButton },
  rows: ({ cells }) => ({ line: rowsOf(cells.seams, 'id') }),
  actions: ({ fittings }) => ({ keep: [save(fittings.line)], drop: [discard(fittings.line)] }),
  bind: ({ row, actions }) => ({
    line: {
      feet: draft(row.line.feet),
      note: twoWay(row.line.note),
      on: { kept: actions.keep, dropped: actions.drop },
    },
    all: { text: 'Keep all', on: { press: actions.keep } },
  }),
})
const bySource = screen('seams', {
  cells: CELLS,
  sources: { office },
  fittings: { line },
  rows: ({ cells }) => ({ line: rowsOf(cells.seams, 'id') }),
  actions: ({ fittings, sources, row }) => ({
    keep: [save(fittings.line, { to: sources.office.seam, given: { id: row.line.id, feet: row.line.feet } })],
  }),
  bind: ({ row, actions }) => ({
    line: { feet: draft(row.line.feet), note: twoWay(row.line.note), on: { kept: actions.keep } },
  }),
})

const feetOf = (run: ReturnType<typeof rehearsal>) => (run.read('seams') as { feet: number }[]).map(({ feet }) => feet)
const shown = (run: ReturnType<typeof rehearsal>) => ['bow', 'keel'].map((row) => run.shown('line', 'feet', row))

describe('a draft in rows', () => {
  it('is edited in its own row, and saved or discarded there alone', () => {
    const run = rehearsal(byHand)
    run.edit('line', 'feet', 14, 'bow')
    run.edit('line', 'feet', 33, 'keel')
    expect([feetOf(run), shown(run)]).to.eql([
      [12, 30],
      [14, 33],
    ])
    run.press('line', 'kept', undefined, 'keel')
    expect([feetOf(run), shown(run)]).to.eql([
      [12, 33],
      [14, 33],
    ])
    run.press('line', 'dropped', undefined, 'bow')
    expect([feetOf(run), shown(run)]).to.eql([
      [12, 33],
      [12, 33],
    ])
    run.edit('line', 'feet', 20, 'bow')
    run.edit('line', 'feet', 21, 'keel')
    run.press('all', 'press')
    expect([feetOf(run), shown(run)]).to.eql([
      [20, 21],
      [20, 21],
    ])
  })

  it('keeps to its bounds, follows what changes beside it, and is overtaken where its own member changes', () => {
    const run = rehearsal(byHand)
    run.edit('line', 'feet', 140, 'bow')
    expect(shown(run)[0]).to.equal(90)
    run.edit('line', 'note', 'soft', 'bow')
    run.edit('line', 'note', 'dry', 'keel')
    expect(run.drafts().map((one) => one.draft.isOvertaken)).to.eql([false])
    run.set({
      seams: [
        { id: 'keel', feet: 31, note: '' },
        { id: 'bow', feet: 13, note: '' },
        { id: 'rail', feet: 5, note: '' },
      ],
    })
    expect([run.shown('line', 'feet', 'rail'), ...shown(run)]).to.eql([5, 90, 31])
    expect(run.drafts().map((one) => one.draft.isOvertaken)).to.eql([true])
    run.set({ seams: [{ id: 'keel', feet: 31, note: '' }] })
    expect(run.drafts()).to.eql([])
  })

  it('is sent from its own row, twice pressed once, and each answer writes its own row', () => {
    const run = rehearsal(bySource)
    run.edit('line', 'feet', 14, 'bow')
    run.edit('line', 'feet', 33, 'keel')
    run.press('line', 'kept', undefined, 'bow')
    run.press('line', 'kept', undefined, 'bow')
    run.press('line', 'kept', undefined, 'keel')
    expect(run.calls.map(({ given }) => given)).to.eql([
      { id: 'bow', feet: 14 },
      { id: 'keel', feet: 33 },
    ])
    run.edit('line', 'feet', 34, 'keel')
    run.answer('office.seam')
    expect([feetOf(run), shown(run)]).to.eql([
      [14, 30],
      [14, 34],
    ])
    run.answer('office.seam')
    expect([feetOf(run), shown(run)]).to.eql([
      [14, 33],
      [14, 34],
    ])
    run.press('line', 'kept', undefined, 'keel')
    expect(run.calls.at(-1)?.given).to.eql({ id: 'keel', feet: 34 })
    run.fail('office.seam', 'The slip is shut')
    expect([feetOf(run), shown(run), run.problem('line', 'keel')]).to.eql([[14, 33], [14, 34], 'The slip is shut'])
  })

  it('is rehearsed without a false alarm', () => {
    for (const wiring of [byHand, bySource]) {
      const { leaks, transitions } = explore(wiring, { edits: 2 })
      expect(leaks.map(({ says }) => says)).to.eql([])
      expect(transitions.map(({ transition }) => transition)).to.include.members([
        'seams: edits line.feet',
        'seams: edits line.note',
        'seams: presses line.kept',
      ])
    }
  })
})
