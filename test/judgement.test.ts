import { expect } from 'chai'
import {
  announce,
  call,
  check,
  clear,
  contract,
  designOf,
  discard,
  draft,
  go,
  interior,
  journey,
  load,
  oneWay,
  payload,
  reckon,
  refresh,
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
} from 'caulker'
import { nativeButton, nativeCheckbox, nativeOutput, nativeText } from 'caulker/dom'

const text = contract('yard-text', {
  summary: 'A text',
  properties: { needed: { type: Type.Boolean(), default: false } },
  values: { text: { type: Type.String(), default: '', reports: 'commit' } },
  commands: { focus: { effect: 'focus' }, reset: { effect: 'reset' } },
  form: { value: 'text', requiredBy: 'needed' },
})
const office = source('yard-office', {
  berths: { effect: 'reads', gives: Type.Array(Type.String()) },
  orders: { effect: 'reads', takes: Type.Object({ vessel: Type.String() }), gives: Type.Array(Type.String()) },
  book: { effect: 'creates', takes: Type.Object({ vessel: Type.String(), note: Type.Optional(Type.String()) }) },
  settings: { effect: 'updates', takes: Type.Object({ quiet: Type.Boolean() }) },
  other: { effect: 'creates' },
})
const crane = source('crane-house', { free: { effect: 'creates' } })
const freed = topic('berth-freed')
const cells = {
  vessel: { type: Type.String(), initial: '' },
  note: { type: Type.String(), initial: '' },
  filter: { type: Type.String(), initial: '' },
  isRush: { type: Type.Boolean(), initial: false },
  free: { type: Type.Array(Type.String()), initial: [] },
  seams: { type: Type.Array(Type.Object({ id: Type.String(), feet: Type.String() })), initial: [] },
}
const fittings = { vessel: text, note: text, filter: text, rush: nativeCheckbox, list: nativeOutput, go: nativeButton }

/** A screen with all of these on it; `more` and `bound` say what is special about it. */
function order(more: (its: any) => object, bound: (its: any) => object = () => ({})): unknown {
  const sections = more({})
  return screen('order', {
    cells,
    fittings,
    sources: { office, crane },
    topics: { freed },
    reckoned: ({ cells: its }: any) => ({
      shown: reckon([its.free, its.filter] as never, (free: string[], by: string) =>
        free.filter((one) => one.includes(by)).join(),
      ),
    }),
    bind: (its: any) => ({
      vessel: { text: twoWay(its.cells.vessel) },
      note: { text: twoWay(its.cells.note) },
      filter: { text: twoWay(its.cells.filter) },
      rush: { checked: twoWay(its.cells.isRush) },
      list: { text: oneWay(its.reckoned.shown) },
      go: { text: 'Go', on: { press: Array.isArray(its.actions.go) ? its.actions.go : [] } },
      ...bound(its),
    }),
    ...sections,
  } as never)
}
const said = (...made: unknown[]) =>
  check(designOf(made))
    .filter(({ level, rule }) => level !== 'note' && rule !== 'unread-cell')
    .map(({ rule, level, subject }) => `${level} ${rule} ${subject}`)

describe('what no finding accuses', () => {
  const sound: [string, unknown][] = [
    [
      'a submit of all that is filled in',
      order(() => ({
        actions: () => ({ go: [submit()] }),
        submit: { sends: ['vessel', 'note'], leaves: ['filter', 'isRush'], to: 'office.book' },
      })),
    ],
    [
      'a call that reads with what is typed',
      order(() => ({
        actions: ({ cells: its, sources }: any) => ({
          go: [call(sources.office.orders, { vessel: its.vessel }, { into: its.free })],
        }),
      })),
    ],
    [
      'a refresh that follows the answer',
      order(() => ({
        loads: ({ sources }: any) => ({ free: load(sources.office.berths) }),
        actions: ({ cells: its, sources }: any) => ({
          go: [call(sources.office.other, undefined, { then: [refresh(its.free)] })],
        }),
      })),
    ],
    [
      'a refresh beside a call to another source',
      order(() => ({
        loads: ({ sources }: any) => ({ free: load(sources.office.berths) }),
        actions: ({ cells: its, sources }: any) => ({ go: [call(sources.crane.free), refresh(its.free)] }),
      })),
    ],
    [
      'a reset that leaves something on purpose',
      order(() => ({
        actions: () => ({ go: [reset()] }),
        reset: { to: 'initial', cells: ['vessel', 'note'], leaves: ['filter', 'isRush'] },
      })),
    ],
    [
      'a field that is obliged by what shows it',
      order(
        () => ({ shown: ({ cells: its }: any) => ({ note: shownWhile(its.isRush) }) }),
        ({ cells: its }) => ({ note: { needed: oneWay(its.isRush), text: twoWay(its.note) } }),
      ),
    ],
    [
      'a command to a fitting from beside it',
      order(() => ({
        shown: ({ cells: its }: any) => ({ note: shownWhile(its.isRush), go: shownWhile(its.isRush) }),
        actions: ({ fittings: its }: any) => ({ go: [run(its.note, 'focus')] }),
      })),
    ],
    [
      'an update of the one record that there is',
      order(() => ({
        actions: ({ cells: its, sources }: any) => ({ go: [call(sources.office.settings, { quiet: its.isRush })] }),
      })),
    ],
    [
      'a draft that is saved, and one that may be dropped',
      order(
        () => ({
          actions: ({ fittings: its }: any) => ({ go: [save(its.note), discard(its.vessel), save(its.vessel)] }),
        }),
        ({ cells: its }) => ({ note: { text: draft(its.note) }, vessel: { text: draft(its.vessel) } }),
      ),
    ],
    [
      'a topic that the same screen hears',
      order(() => ({
        actions: ({ topics }: any) => ({ go: [announce(topics.freed)] }),
        hears: ({ cells: its }: any) => ({ freed: [clear(its.note)] }),
      })),
    ],
    [
      'rows by their number',
      order(
        () => ({ rows: ({ cells: its }: any) => ({ list: rowsOf(its.seams, 'id' as never) }) }),
        ({ row }) => ({ list: { text: oneWay(row.list.feet) } }),
      ),
    ],
    [
      'handlers that run one after the other',
      order(
        () => ({ actions: ({ cells: its }: any) => ({ one: [set(its.note, 'a')], other: [clear(its.vessel)] }) }),
        ({ actions }) => ({ go: { text: 'Go', on: { press: [...actions.one, ...actions.other] } } }),
      ),
    ],
    [
      'a component that is wired through',
      interior(text, {
        fittings: { field: nativeText },
        commands: ({ face, fittings: its }) => ({ reset: [clear(face.values.text)], focus: [run(its.field, 'focus')] }),
        bind: ({ face }) => ({ field: { value: twoWay(face.values.text) } }),
      }),
    ],
  ]
  for (const [what, made] of sound) it(what, () => expect(said(made)).to.eql([]))
})

describe('what a finding names', () => {
  const leaking: [string, unknown, string[]][] = [
    [
      'a filter that is not sent is only a warning',
      order(() => ({
        actions: () => ({ go: [submit()] }),
        submit: { sends: ['vessel', 'note'], leaves: ['isRush'], to: 'office.book' },
      })),
      ['warning submit-omits order / submit.sends'],
    ],
    [
      'what a computed cell hides is sent too early',
      order(() => ({
        reckoned: ({ cells: its }: any) => ({
          shown: reckon([its.vessel] as never, (vessel: string) => vessel.trim()),
        }),
        actions: ({ sources, reckoned }: any) => ({ go: [call(sources.office.book, { vessel: reckoned.shown })] }),
      })),
      ['error submit-before-commit order / go.press'],
    ],
    [
      'an extra member is a warning',
      order(() => ({
        actions: ({ cells: its, sources }: any) => ({
          go: [call(sources.office.settings, { quiet: its.isRush, quite: its.isRush })],
        }),
      })),
      ['warning source-mismatch order / go.press'],
    ],
    [
      'a load that writes',
      order(() => ({ loads: ({ sources }: any) => ({ free: load(sources.office.other) }) })),
      ['error source-mismatch order / free', 'error wrong-operation order / free'],
    ],
    [
      'a refresh of what is never loaded',
      order(() => ({ actions: ({ cells: its }: any) => ({ go: [refresh(its.free)] }) })),
      ['error wrong-operation order / go'],
    ],
    [
      'a reset to what was never saved',
      order(() => ({
        actions: () => ({ go: [reset()] }),
        reset: { to: 'saved', leaves: ['note', 'filter', 'isRush'] },
      })),
      ['error reset-misses order / reset.to'],
    ],
    [
      'a command when the screen is entered',
      order(() => ({
        shown: ({ cells: its }: any) => ({ note: shownWhile(its.isRush) }),
        enters: ({ fittings: its }: any) => [run(its.note, 'focus')],
      })),
      ['error command-too-early order / enters'],
    ],
    [
      'a topic that is heard and never announced',
      order(() => ({ hears: ({ cells: its }: any) => ({ freed: [clear(its.note)] }) })),
      ['error unheard-topic order / freed'],
    ],
    [
      'a topic that sets itself off',
      order(() => ({ hears: ({ topics }: any) => ({ freed: [announce(topics.freed)] }) })),
      ['error circular-wiring order / freed'],
    ],
    [
      'a key that a person can edit',
      order(
        () => ({ rows: ({ cells: its }: any) => ({ filter: rowsOf(its.seams, 'id' as never) }) }),
        ({ row }) => ({ filter: { text: twoWay(row.filter.id) } }),
      ),
      ['error duplicate-key order / filter.text'],
    ],
    [
      'a member that no entry has',
      order(
        () => ({ rows: ({ cells: its }: any) => ({ filter: rowsOf(its.seams, 'id' as never) }) }),
        ({ row }) => ({ filter: { text: oneWay(row.filter.fete, { showOnly: true }) } }),
      ),
      ['error unknown-name order / filter.text'],
    ],
    [
      'a payload that is passed on in an announcement',
      order(
        () => ({
          cells: { ...cells, note: { ...cells.note, amend: (note: string) => note.trim() } },
          actions: ({ topics }: any) => ({ tell: [{ ...announce(topics.freed), value: payload() }] }),
          hears: ({ cells: its }: any) => ({ freed: [clear(its.vessel)] }),
        }),
        ({ cells: its, actions }) => ({ note: { text: twoWay(its.note), on: { 'text-set': actions.tell } } }),
      ),
      ['error bypassed-interception order / note.text-set'],
    ],
    [
      'a report by hand',
      interior(text, {
        cells: { typed: { type: Type.String(), initial: '' } },
        fittings: { field: nativeText },
        bind: ({ face, cells: its }) => ({
          field: {
            value: twoWay(its.typed),
            on: { input: [report((face.events as never as { 'text-set': never })['text-set'], payload() as never)] },
          },
        }),
      }),
      [
        'error bypassed-interception yard-text inside / field.input',
        'error idle-command yard-text inside / reset',
        'error mute-value yard-text inside / text',
      ],
    ],
  ]
  for (const [what, made, found] of leaking) it(what, () => expect(said(made).sort()).to.eql(found))

  it('a way to nowhere, and a screen that only leads to itself', () => {
    const alone = screen('alone', {
      cells: {},
      fittings: { go: nativeButton },
      bind: () => ({ go: { text: 'Go', on: { press: [go('alone'), go('nowhere' as string)] } } }),
    })
    expect(said(journey('trip', { screens: { alone }, start: 'alone' })).sort()).to.eql([
      'error unknown-name trip / alone',
    ])
    const loop = screen('loop', {
      cells: {},
      fittings: { go: nativeButton },
      bind: () => ({ go: { text: 'Go', on: { press: [go('loop')] } } }),
    })
    expect(said(journey('trip', { screens: { loop }, start: 'loop' }))).to.eql(['error dead-end trip / loop'])
  })
})
