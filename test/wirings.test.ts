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
  reset,
  rowsOf,
  run,
  save,
  screen,
  set,
  shownWhile,
  source,
  states,
  submit,
  topic,
  twoWay,
  Type,
} from 'caulker'

/** Wirings as people write them, wrong and unusual, that no rule was made for: they are counted apart in docs/corpus.md. */

// Written like plain JavaScript: the compiler would find some of them by itself.
const loose = screen as (name: string, draft: any) => any

const text = { type: Type.String(), initial: '' }
const flag = { type: Type.Boolean(), initial: false }
const count = { type: Type.Integer(), initial: 0 }
const rope = Type.Object({ id: Type.String(), feet: Type.Number() })

const office = source('rope-loft', {
  ropes: { effect: 'reads', gives: Type.Array(rope) },
  rope: {
    effect: 'reads',
    takes: Type.Optional(Type.String()),
    gives: Type.Object({ id: Type.String(), note: Type.String() }),
  },
  search: { effect: 'reads', takes: Type.Object({ text: Type.String() }), gives: Type.Array(rope) },
  order: {
    effect: 'creates',
    takes: Type.Object({ text: Type.String() }),
    gives: Type.Object({ id: Type.String(), note: Type.String() }),
  },
  note: { effect: 'updates', takes: Type.Object({ text: Type.String() }) },
  line: { effect: 'reads', takes: Type.Optional(Type.String()), gives: Type.String() },
})
const splice = topic('splice-named', { payload: Type.String() })

const field = contract('splice-text', {
  summary: 'A text about a splice',
  properties: { shut: { type: Type.Boolean(), default: false } },
  values: { text: { type: Type.String(), default: '' } },
  events: { done: { payload: Type.String() }, undo: {} },
  commands: { reset: { effect: 'reset' }, focus: { effect: 'focus' } },
  locks: { disabled: 'shut' },
})
const button = contract('splice-button', { summary: 'A button', events: { press: {} } })
const board = contract('rope-board', {
  summary: 'A board of ropes',
  properties: { ropes: { type: Type.Array(rope), default: [] }, line: { type: Type.String(), default: '' } },
})
const span = contract('rope-span', {
  summary: 'From one fathom to another',
  properties: { shut: { type: Type.Boolean(), default: false } },
  values: { from: { type: Type.Integer(), default: 0 }, to: { type: Type.Integer(), default: 9 } },
  commands: { slack: {} },
  locks: { disabled: 'shut' },
})
const drum = contract('drum-dial', {
  summary: 'A dial',
  properties: { most: { type: Type.Integer(), default: 9 } },
  values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' } } },
})
const slate = contract('yard-slate', {
  summary: 'A slate that keeps what was chalked on it',
  values: { text: { type: Type.String(), default: '', lastWord: 'self', accepts: 'never' } },
})

const lockable = contract('splice-lock', {
  summary: 'A button that can be locked',
  properties: { shut: { type: Type.Boolean(), default: false } },
  events: { press: {} },
  locks: { disabled: 'shut' },
})
const harbour = source('harbour', {
  move: { effect: 'updates', takes: Type.Object({ from: Type.String(), to: Type.String() }) },
})
const line = contract('splice-line', {
  summary: 'A line',
  properties: { shut: { type: Type.Boolean(), default: false } },
  values: { text: { type: Type.String(), default: '' } },
  commands: { reset: { effect: 'reset' } },
  readings: { letters: { type: Type.Integer(), from: ['text'] } },
  locks: { disabled: 'shut' },
})
/** What is inside a line: one field that is all it should be; `more` lies over it. */
const within = (more: any) =>
  (interior as (face: any, made: any) => any)(line, {
    fittings: { one: field },
    commands: ({ face }: any) => ({ reset: [clear(face.values.text)] }),
    readings: ({ reckoned }: any) => ({ letters: reckoned.letters }),
    bind: ({ face }: any) => ({ one: { text: twoWay(face.values.text), shut: oneWay(face.properties.shut) } }),
    ...more,
    reckoned: (its: any) => ({
      letters: reckon([its.face.values.text], (one: any) => one.length),
      ...more.reckoned?.(its),
    }),
  })

/** One screen with a field, a button and a board; `more` lies over it. */
const loft = (more: any, name = 'loft') =>
  loose(name, {
    cells: { text },
    fittings: { field, go: button },
    sources: { office },
    bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: {} } }),
    ...more,
  })
/** One press asks the loft for something, and a line is shown; what is done is what the case is about. */
const asking = (steps: (its: any) => unknown[]) => [
  loft({
    cells: { text, line: text, kept: text },
    fittings: { field, other: field, go: button, board },
    actions: (its: any) => ({ ask: steps(its) }),
    bind: ({ cells, actions }: any) => ({
      field: { text: twoWay(cells.text) },
      other: { text: twoWay(cells.kept) },
      go: { on: { press: actions.ask } },
      board: { line: oneWay(cells.line) },
    }),
  }),
]
const trip = (screens: any, more: any = {}) => {
  const names = Object.keys(screens)
  return journey('rope-trip', { screens, start: names[0]!, ends: [names.at(-1)!], ...more } as any)
}
const found = (...made: any[]) =>
  check(designOf(made.flatMap((one) => (one.kind === 'journey' ? [one, ...Object.values(one.screens)] : [one]))))
const told = (...made: any[]) => [...new Set(found(...made).map(({ rule }) => rule))]

const wrong: [what: string, rule: string, made: () => any[]][] = [
  [
    'a submit button on a screen that sends nothing',
    'undeclared-step',
    () => [
      loft({ bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [submit()] } } }) }),
    ],
  ],
  [
    'a second field that nobody holds',
    'unbound-value',
    () => [
      loft({
        fittings: { field, other: field, go: button },
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, other: {}, go: {} }),
      }),
    ],
  ],
  [
    'two dials on one cell, each with its own end',
    'unequal-bounds',
    () => [
      loose('drums', {
        cells: { turns: count },
        fittings: { bow: drum, stern: drum },
        bind: ({ cells }: any) => ({
          bow: { turns: twoWay(cells.turns) },
          stern: { turns: twoWay(cells.turns), most: 4 },
        }),
      }),
    ],
  ],
  [
    'a sum that is entered into one of its parts',
    'feeds-itself',
    () => [
      loose('drums', {
        cells: { turns: count, spare: { ...count, initial: 2 } },
        fittings: { bow: drum },
        reckoned: ({ cells }: any) => ({
          all: reckon([cells.turns, cells.spare], (one: any, other: any) => one + other),
        }),
        bind: ({ cells, reckoned }: any) => ({
          bow: { turns: oneWay(reckoned.all), on: { 'turns-set': [set(cells.turns, payload())] } },
        }),
      }),
    ],
  ],
  [
    'a failed order that starts the screen again',
    'failure-clears',
    () => [
      loft({
        actions: () => ({}),
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [submit()] } } }),
        submit: { sends: ['text'], to: 'office.order', fails: [reset()] },
        reset: { to: 'initial' },
      }),
    ],
  ],
  [
    'a failed call that wipes the field',
    'failure-clears',
    () => [
      loft({
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          go: {
            on: {
              press: [
                call(
                  { kind: 'operation', source: 'office', name: 'order' } as any,
                  { text: cells.text },
                  { fails: [set(cells.text, '')] },
                ),
              ],
            },
          },
        }),
      }),
    ],
  ],
  [
    'a slate that is wiped by its owner',
    'two-masters',
    () => [
      loft({
        fittings: { slate, go: button },
        bind: ({ cells }: any) => ({ slate: { text: twoWay(cells.text) }, go: { on: { press: [clear(cells.text)] } } }),
      }),
    ],
  ],
  [
    'a cancel that closes the field and keeps its draft',
    'hidden-draft',
    () => [
      loft({
        cells: { text, open: flag },
        shown: ({ cells }: any) => ({ field: shownWhile(cells.open) }),
        actions: ({ fittings }: any) => ({ keep: [save(fittings.field)] }),
        bind: ({ cells, actions }: any) => ({
          field: { text: draft(cells.text), on: { done: actions.keep, undo: [clear(cells.open)] } },
          go: { on: { press: [set(cells.open, true)] } },
        }),
      }),
    ],
  ],
  [
    'a save and a way on in one breath, where leaving discards',
    'dropped-save',
    () => [
      trip(
        {
          one: loft({
            actions: ({ fittings, sources }: any) => ({
              keep: [save(fittings.field, { to: sources.office.note, given: { text: payload() } }), go('two')],
            }),
            bind: ({ cells, actions }: any) => ({
              field: { text: draft(cells.text), on: { done: actions.keep } },
              go: { on: { press: [discard({ kind: 'fitting', name: 'field' } as any)] } },
            }),
          }),
          two: loft({}, 'two'),
        },
        { leaving: 'discard' },
      ),
    ],
  ],
  [
    'a submit over a draft that can only be kept',
    'sends-under-draft',
    () => [
      loft({
        actions: ({ fittings }: any) => ({ keep: [save(fittings.field)] }),
        bind: ({ cells, actions }: any) => ({
          field: { text: draft(cells.text), on: { done: actions.keep } },
          go: { on: { press: [submit()] } },
        }),
        submit: { sends: ['text'], to: 'office.order' },
      }),
    ],
  ],
  [
    'a list that is loaded again before its order is placed',
    'refresh-before-answer',
    () => [
      loft({
        cells: { text, ropes: { type: Type.Array(rope), initial: [] } },
        fittings: { field, go: button, board },
        loads: ({ sources }: any) => ({ ropes: load(sources.office.ropes) }),
        actions: ({ cells, sources }: any) => ({
          order: [refresh(cells.ropes), call(sources.office.order, { text: cells.text })],
        }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: actions.order } },
          board: { ropes: oneWay(cells.ropes) },
        }),
      }),
    ],
  ],
  [
    'one record that two screens load and edit, each its own',
    'copied-cell',
    () => {
      const edits = {
        cells: { note: text },
        fittings: { field },
        loads: ({ sources }: any) => ({ note: load(sources.office.rope) }),
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.note) } }),
      }
      return [trip({ one: loft({ ...edits, enters: [] }), two: loft(edits, 'two') })]
    },
  ],
  [
    'a report that one screen takes and another shows without sharing',
    'copied-cell',
    () => [
      trip({
        one: loft({
          bind: ({ cells }: any) => ({
            field: { text: oneWay(cells.text), on: { done: [set(cells.text, payload())] } },
            go: { on: { press: [go('two')] } },
          }),
        }),
        two: loft({ fittings: { board }, bind: ({ cells }: any) => ({ board: { line: oneWay(cells.text) } }) }, 'two'),
      }),
    ],
  ],
  [
    'a copy that is kept by hearing of it',
    'copied-cell',
    () => [
      trip({
        one: loft({
          topics: { splice },
          actions: ({ topics }: any) => ({ tell: [announce(topics.splice, payload())] }),
          bind: ({ cells, actions }: any) => ({
            field: { text: twoWay(cells.text), on: { 'text-set': actions.tell } },
            go: { on: { press: [go('two')] } },
          }),
        }),
        two: loft(
          {
            cells: { heard: text },
            topics: { splice },
            hears: ({ cells }: any) => ({ splice: [set(cells.heard, payload())] }),
            fittings: { board },
            bind: ({ cells }: any) => ({ board: { line: oneWay(cells.heard) } }),
          },
          'two',
        ),
      }),
    ],
  ],
  [
    'a lock inside that one button goes round',
    'half-locked',
    () => [
      interior(span, {
        fittings: { from: field, more: button },
        commands: ({ face }: any) => ({ slack: [set(face.values.to, 9)] }),
        bind: ({ face }: any) => ({
          from: { shut: oneWay(face.properties.shut), text: twoWay(face.values.from) },
          more: { on: { press: [set(face.values.to, 9)] } },
        }),
      } as any),
    ],
  ],
  [
    'an action that nothing runs',
    'idle-clause',
    () => [loft({ actions: ({ cells }: any) => ({ wipe: [clear(cells.text)] }) })],
  ],
  [
    'two fields on one cell, while the other cell is sent',
    'unset-cell',
    () => [
      loose('stay', {
        cells: { from: text, until: text },
        sources: {
          pier: source('pier', {
            stay: { effect: 'creates', takes: Type.Object({ from: Type.String(), until: Type.String() }) },
          }),
        },
        fittings: { first: field, last: field, go: button },
        bind: ({ cells }: any) => ({
          first: { text: twoWay(cells.from) },
          last: { text: twoWay(cells.from) },
          go: { on: { press: [submit()] } },
        }),
        submit: { sends: ['from', 'until'], to: 'pier.stay' },
      }),
    ],
  ],
  [
    'what is needed and has no field',
    'never-open',
    () => [
      loft({
        cells: { text, id: text },
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [submit()] } } }),
        submit: { sends: ['text'], needs: ['id'], to: 'office.note' },
      }),
    ],
  ],
  [
    'a way on by the sentence that says why not',
    'never-open',
    () => {
      const one = loft({
        reckoned: ({ cells }: any) => ({ why: reckon([cells.text], (one: any) => (one === '' ? 'Name it' : '')) }),
        actions: ({ reckoned }: any) => ({ on: [go('two', { when: reckoned.why })] }),
        bind: ({ cells, actions }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: actions.on } } }),
      })
      return [trip({ one, two: loft({}, 'two') })]
    },
  ],
  [
    'a field that is emptied as it is sent',
    'failure-clears',
    () => [
      loft({
        actions: ({ cells, sources }: any) => ({
          keep: [call(sources.office.note, { text: cells.text }), set(cells.text, '')],
        }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: actions.keep } },
        }),
      }),
    ],
  ],
  [
    'a number that is set and reset in one breath',
    'two-writers',
    () => [
      loft({
        cells: { text, id: text },
        fittings: { field, go: button, board },
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: [submit()] } },
          board: { line: oneWay(cells.id) },
        }),
        submit: {
          sends: ['text'],
          to: 'office.order',
          then: ({ cells }: any) => [set(cells.id, payload('/id')), reset()],
        },
        reset: { to: 'initial' },
      }),
    ],
  ],
  [
    'a cell of the journey that one of two screens does not share',
    'copied-cell',
    () => {
      const one = loft({
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [go('two')] } } }),
      })
      const two = loft(
        { fittings: { board }, bind: ({ cells }: any) => ({ board: { line: oneWay(cells.text) } }) },
        'two',
      )
      return [trip({ one, two }, { cells: { text }, shares: ({ cells }: any) => ({ one: { text: cells.text } }) })]
    },
  ],
  [
    'a text that holds the submit back and is always there',
    'never-open',
    () => [
      loft({
        reckoned: ({ cells }: any) => ({ why: reckon([cells.text], (one: any) => (one === '' ? 'Name it' : 'Named')) }),
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [submit()] } } }),
        submit: { sends: ['text'], heldBy: { text: 'why' }, to: 'office.note' },
      }),
    ],
  ],
  [
    'what a press carries, where it carries nothing',
    'handed-off-type',
    () => [
      loft({
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: [set(cells.text, payload())] } },
        }),
      }),
    ],
  ],
  [
    'a field that is there while it is empty',
    'shut-by-itself',
    () => [
      loft({
        reckoned: ({ cells }: any) => ({ none: reckon([cells.text], (one: any) => one === '') }),
        shown: ({ reckoned }: any) => ({ field: shownWhile(reckoned.none) }),
      }),
    ],
  ],
  [
    'an order at each key',
    'wrong-operation',
    () => [
      loft({
        actions: ({ cells, sources }: any) => ({ order: [call(sources.office.order, { text: cells.text })] }),
        bind: ({ cells, actions }: any) => ({ field: { text: twoWay(cells.text), on: { 'text-set': actions.order } } }),
      }),
    ],
  ],
  [
    'members that are sent crosswise',
    'crossed-names',
    () => [
      loose('stay', {
        cells: { from: text, until: text },
        sources: {
          pier: source('pier', {
            stay: { effect: 'creates', takes: Type.Object({ from: Type.String(), until: Type.String() }) },
          }),
        },
        fittings: { first: field, last: field, go: button },
        bind: ({ cells }: any) => ({
          first: { text: twoWay(cells.from) },
          last: { text: twoWay(cells.until) },
          go: { on: { press: [submit()] } },
        }),
        submit: { sends: { from: 'until', until: 'from' }, to: 'pier.stay' },
      }),
    ],
  ],
  [
    'a rope that is added, where the list is asked for again only after a failure',
    'stale-list',
    () => [
      loft({
        cells: { text, ropes: { type: Type.Array(rope), initial: [] } },
        sources: {
          rack: source('rack', {
            all: { effect: 'reads', gives: Type.Array(rope) },
            add: { effect: 'creates', gives: rope },
          }),
        },
        fittings: { field, go: button, board },
        loads: ({ sources }: any) => ({ ropes: load(sources.rack.all) }),
        actions: ({ cells, sources }: any) => ({
          add: [call(sources.rack.add, undefined, { fails: [refresh(cells.ropes)] })],
        }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: actions.add } },
          board: { ropes: oneWay(cells.ropes) },
        }),
      }),
    ],
  ],
  [
    'a failure that is said for good',
    'never-let-go',
    () =>
      asking(({ cells, sources }) => [
        call(sources.office.order, { text: cells.text }, { fails: [set(cells.line, 'Not ordered' as never)] }),
      ]),
  ],
  [
    'the answer of what gives none',
    'handed-off-type',
    () =>
      asking(({ cells, sources }) => [
        call(sources.office.note, { text: cells.text }, { then: [set(cells.line, payload('/id') as never)] }),
      ]),
  ],
  [
    'a length that is sent for a text',
    'source-mismatch',
    () => [
      loft({
        reckoned: ({ cells }: any) => ({ length: reckon([cells.text], (one: any) => one.length) }),
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [submit()] } } }),
        submit: { sends: { text: 'length' }, to: 'office.order' },
      }),
    ],
  ],
  [
    'a screen that is left as it is sent, whether or not it was',
    'said-too-early',
    () => [
      trip({
        one: loft({
          actions: () => ({ on: [submit(), go('two')] }),
          bind: ({ cells, actions }: any) => ({
            field: { text: twoWay(cells.text) },
            go: { on: { press: actions.on } },
          }),
          submit: { sends: ['text'], to: 'office.note' },
        }),
        two: loft({}, 'two'),
      }),
    ],
  ],
  [
    'a topic that is to say what, and is announced without it',
    'handed-off-type',
    () => [
      loft({
        topics: { splice },
        actions: ({ topics }: any) => ({ say: [announce(topics.splice)] }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: actions.say } },
        }),
      }),
    ],
  ],
  [
    'a draft that is saved with what another cell holds',
    'draft-never-saved',
    () => [
      loft({
        cells: { text, line: text },
        actions: ({ cells, fittings, sources }: any) => ({
          keep: [save(fittings.field, { to: sources.office.note, given: { text: cells.line } })],
        }),
        bind: ({ cells, actions }: any) => ({
          field: { text: draft(cells.text) },
          go: { on: { press: actions.keep } },
        }),
      }),
    ],
  ],
  [
    'a list that is sorted where it stands',
    'impure-function',
    () => [
      loft({
        cells: { text, ropes: { type: Type.Array(rope), initial: [] } },
        fittings: { field, go: button, board },
        loads: ({ sources }: any) => ({ ropes: load(sources.office.ropes) }),
        reckoned: ({ cells }: any) => ({
          line: reckon([cells.ropes], (all: any) => all.sort((a: any, b: any) => a.feet - b.feet)[0]?.id ?? ''),
        }),
        bind: ({ cells, reckoned }: any) => ({
          field: { text: twoWay(cells.text) },
          go: {},
          board: { ropes: oneWay(cells.ropes), line: oneWay(reckoned.line) },
        }),
      }),
    ],
  ],
  [
    'an amendment without a return',
    'takes-nothing',
    () => [loft({ cells: { text: { ...text, amend: (one: string) => void one.trim() } } })],
  ],
  [
    'an amendment that does not look at what it is given',
    'takes-nothing',
    () => [loft({ cells: { text: { ...text, amend: () => 'oakum' } } })],
  ],
  [
    'a refusal that gives true',
    'takes-nothing',
    () => [loft({ cells: { text: { ...text, refuse: (one: string) => one.length > 4 } } })],
  ],
  [
    'a save that is locked while its draft is open',
    'locked-when-filled',
    () => [
      loft({
        fittings: { field, go: lockable },
        actions: ({ fittings }: any) => ({ keep: [save(fittings.field)] }),
        bind: ({ cells, fittings, actions }: any) => ({
          field: { text: draft(cells.text) },
          go: {
            shut: oneWay(states.editing(fittings.field)),
            on: { press: actions.keep },
          },
        }),
      }),
    ],
  ],
  [
    'a lock that is handed inwards the wrong way round',
    'half-locked',
    () => [
      within({
        reckoned: ({ face }: any) => ({ open: reckon([face.properties.shut], (shut: any) => !shut) }),
        bind: ({ face, reckoned }: any) => ({
          one: { text: twoWay(face.values.text), shut: oneWay(reckoned.open) },
        }),
      }),
    ],
  ],
  [
    'a reset that brings back another value than it began with',
    'half-reset',
    () => [within({ commands: ({ face }: any) => ({ reset: [set(face.values.text, 'oakum' as never)] }) })],
  ],
  [
    'a control inside that edits a copy which nobody is told',
    'mute-value',
    () => [
      within({
        cells: { copy: text },
        bind: ({ cells, face }: any) => ({ one: { text: twoWay(cells.copy), shut: oneWay(face.properties.shut) } }),
      }),
    ],
  ],
  [
    'a control inside that hands its copy on, and never shows what it is told',
    'deaf-property',
    () => [
      within({
        cells: { copy: text },
        bind: ({ cells, face }: any) => ({
          one: {
            text: twoWay(cells.copy),
            shut: oneWay(face.properties.shut),
            on: { undo: [set(face.values.text, cells.copy)] },
          },
        }),
      }),
    ],
  ],
  [
    'a list that is asked for with what the next step sets',
    'sent-before-set',
    () => [
      loft({
        cells: { text, id: text, found: { type: Type.Array(rope), initial: [] } },
        fittings: { field, go: button, board },
        loads: ({ cells, sources }: any) => ({ found: load(sources.office.search, { text: cells.id }) }),
        actions: ({ cells }: any) => ({ ask: [refresh(cells.found), set(cells.id, cells.text)] }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: actions.ask } },
          board: { ropes: oneWay(cells.found) },
        }),
      }),
    ],
  ],
  [
    'a way to a screen that loads with what is set after it',
    'sent-before-set',
    () => {
      const list = loft({
        cells: { text, id: text },
        actions: ({ cells }: any) => ({ pick: [go('one'), set(cells.id, cells.text)] }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: actions.pick } },
        }),
      })
      const one = loft({
        cells: { id: text, found: { type: Type.Array(rope), initial: [] } },
        fittings: { board },
        loads: ({ cells, sources }: any) => ({ found: load(sources.office.search, { text: cells.id }) }),
        bind: ({ cells }: any) => ({ board: { ropes: oneWay(cells.found) } }),
      })
      const shares = ({ cells }: any) => ({ list: { id: cells.id }, one: { id: cells.id } })
      return [trip({ list, one }, { cells: { id: text }, shares })]
    },
  ],
  [
    'a text that is wiped, and then handed on',
    'wiped-before-sent',
    () => asking(({ cells, sources }) => [clear(cells.text), call(sources.office.order, { text: cells.text })]),
  ],
  [
    'a list that is loaded on entering, and asked for by the steps of entering',
    'idle-step',
    () => [
      loft({
        cells: { text, ropes: { type: Type.Array(rope), initial: [] } },
        fittings: { field, go: button, board },
        loads: ({ sources }: any) => ({ ropes: load(sources.office.ropes) }),
        enters: ({ cells }: any) => [refresh(cells.ropes)],
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          go: {},
          board: { ropes: oneWay(cells.ropes) },
        }),
      }),
    ],
  ],
  [
    'a rule across cells the wrong way round',
    'never-open',
    () => [
      loft({
        reckoned: ({ cells }: any) => ({ wrong: reckon([cells.text], (one: any) => (one === '' ? '' : 'Fill it in')) }),
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [submit()] } } }),
        submit: { sends: ['text'], needs: { text: 'Fill it in' }, heldBy: { text: 'wrong' }, to: 'office.note' },
      }),
    ],
  ],
  [
    'a submit beside the save of its draft, which is not answered yet',
    'sends-under-draft',
    () => [
      loft({
        actions: ({ cells, fittings, sources }: any) => ({
          keep: [save(fittings.field, { to: sources.office.note, given: { text: cells.text } }), submit()],
        }),
        bind: ({ cells, actions }: any) => ({
          field: { text: draft(cells.text) },
          go: { on: { press: actions.keep } },
        }),
        submit: { sends: ['text'], to: 'office.note' },
      }),
    ],
  ],
]

const drawer = (close: (cells: any) => unknown[], open: (cells: any) => unknown[] = () => []) => [
  loft({
    cells: { text, copy: text, isOpen: flag },
    fittings: { field, edit: button, keep: button, leave: button, board },
    shown: ({ cells }: any) => ({ field: shownWhile(cells.isOpen) }),
    actions: ({ cells }: any) => ({
      edit: [set(cells.isOpen, true), ...open(cells)],
      keep: [set(cells.text, cells.copy), set(cells.isOpen, false)],
      leave: [set(cells.isOpen, false), ...close(cells)],
    }),
    bind: ({ cells, actions }: any) => ({
      field: { text: twoWay(cells.copy) },
      board: { line: oneWay(cells.text) },
      edit: { on: { press: actions.edit } },
      keep: { on: { press: actions.keep } },
      leave: { on: { press: actions.leave } },
    }),
  }),
]
const heldSpan = (more: any) =>
  loose('heave', {
    cells: { from: count, to: count },
    fittings: { span },
    bind: ({ cells }: any) => ({ span: { from: twoWay(cells.from), to: twoWay(cells.to) } }),
    ...more,
  })
const noted = (more: any) =>
  loft({
    cells: { text, asked: text },
    fittings: { field, ask: field, go: button, board },
    loads: ({ sources }: any) => ({ text: load(sources.office.line, 'R-1') }),
    bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, ask: { text: twoWay(cells.asked) } }),
    ...more,
  })

wrong.push(
  ['a panel whose copy of a text outlives its cancel', 'hidden-draft', () => drawer(() => [])],
  [
    'a journey that shares two cells crosswise',
    'crossed-names',
    () => {
      const shares = ({ cells }: any) => ({ one: cells, two: { from: cells.to, to: cells.from } })
      return [trip({ one: heldSpan({}), two: heldSpan({}) }, { cells: { from: count, to: count }, shares })]
    },
  ],
  [
    "two cells that take each other's part of what was heard",
    'crossed-names',
    () => {
      const heaved = topic('heaved', { payload: Type.Object({ from: Type.Integer(), to: Type.Integer() }) })
      const hears = ({ cells }: any) => ({ heaved: [set(cells.from, payload('/to')), set(cells.to, payload('/from'))] })
      return [heldSpan({ topics: { heaved }, hears })]
    },
  ],
  ['a note that is loaded, edited and never given back', 'goes-nowhere', () => [noted({})]],
  [
    'a field that is locked by what is wrong with it',
    'shut-by-itself',
    () => [
      loft({
        reckoned: ({ cells }: any) => ({
          isWrong: reckon([states.problem(cells.text)], (problem: any) => problem !== ''),
        }),
        bind: ({ cells, reckoned }: any) => ({
          field: { text: twoWay(cells.text), shut: oneWay(reckoned.isWrong) },
          go: {},
        }),
      }),
    ],
  ],
  [
    'an order for each letter',
    'saves-each-key',
    () => [
      loft({
        actions: ({ cells, sources }: any) => ({ order: [call(sources.office.order, { text: cells.text })] }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text), on: { 'text-set': actions.order } },
          go: {},
        }),
      }),
    ],
  ],
)

const unusual: [what: string, made: () => any[]][] = [
  [
    'a rule across cells that knows a code',
    () => [
      loft({
        reckoned: ({ cells }: any) => ({
          wrong: reckon([cells.text], (one: any) =>
            one === '' || /^[A-Z]{3}-\d{4}-K$/.test(one) ? '' : 'No such code',
          ),
        }),
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [submit()] } } }),
        submit: { sends: ['text'], needs: { text: 'Fill it in' }, heldBy: { text: 'wrong' }, to: 'office.note' },
      }),
    ],
  ],
  [
    'a button that is locked while a code is wrong',
    () => [
      loft({
        fittings: { field, go: lockable },
        reckoned: ({ cells }: any) => ({
          isWrong: reckon([cells.text], (one: any) => one !== '' && !/^[A-Z]{3}-\d{4}-K$/.test(one)),
        }),
        bind: ({ cells, reckoned }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { shut: oneWay(reckoned.isWrong), on: { press: [submit()] } },
        }),
        submit: { sends: ['text'], needs: { text: 'Fill it in' }, to: 'office.note' },
      }),
    ],
  ],
  [
    'a note that is left out, and the order sent without it',
    () => [
      loft({
        cells: { text, note: text },
        fittings: { field, other: field, go: button, bare: button },
        sources: { office: harbour },
        actions: ({ cells, sources }: any) => ({
          all: [call(sources.office.move, { from: cells.text, to: cells.note })],
          bare: [clear(cells.note), call(sources.office.move, { from: cells.text, to: cells.note })],
        }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text) },
          other: { text: twoWay(cells.note) },
          go: { on: { press: actions.all } },
          bare: { on: { press: actions.bare } },
        }),
      }),
    ],
  ],
  [
    'a move that is told from where and to where',
    () => [
      loft({
        cells: { text, place: text },
        fittings: { field, go: button, board },
        sources: { office: harbour },
        actions: ({ cells, sources }: any) => ({
          move: [call(sources.office.move, { from: cells.place, to: payload() }), set(cells.place, payload())],
        }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text), on: { done: actions.move } },
          go: {},
          board: { line: oneWay(cells.place) },
        }),
      }),
    ],
  ],
  [
    'a word that is said for as long as nobody has answered',
    () =>
      asking(({ cells, sources }) => [
        set(cells.line, 'A moment…' as never),
        call(
          sources.office.order,
          { text: cells.text },
          { then: [set(cells.line, 'Ordered' as never)], fails: [set(cells.line, 'Not ordered' as never)] },
        ),
      ]),
  ],
  [
    'two cells that change places by a third, which is wiped',
    () =>
      asking(({ cells }) => [
        set(cells.line, cells.text),
        set(cells.text, cells.kept),
        set(cells.kept, cells.line),
        clear(cells.line),
      ]),
  ],
  [
    'a list that is asked for again with a button',
    () => [
      loft({
        cells: { text, found: { type: Type.Array(rope), initial: [] } },
        fittings: { field, go: button, board },
        loads: ({ cells, sources }: any) => ({ found: load(sources.office.search, { text: cells.text }) }),
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: [refresh(cells.found)] } },
          board: { ropes: oneWay(cells.found) },
        }),
      }),
    ],
  ],
  [
    'a refusal that is written with &&',
    () => [loft({ cells: { text: { ...text, refuse: (one: string) => one.length > 9 && 'Shorter, please' } } })],
  ],
  [
    'an amendment that knows only what it knows',
    () => [
      loft({
        cells: { text: { ...text, amend: (one: string) => (/^[A-Z]{3}-\d{4}-K$/.test(one) ? one : '') } },
      }),
    ],
  ],
  [
    'a button that opens once all is filled in, and nothing is on its way',
    () => [
      loft({
        fittings: { field, go: lockable },
        reckoned: ({ cells }: any) => ({
          shut: reckon([cells.text, states.sending()], (one: any, isSending: any) => one === '' || isSending),
        }),
        bind: ({ cells, reckoned }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { shut: oneWay(reckoned.shut), on: { press: [submit()] } },
        }),
        submit: { sends: ['text'], needs: { text: 'Say something' }, to: 'office.note' },
      }),
    ],
  ],
  ['a control inside that is locked with its face, and counted', () => [within({})]],
  [
    'an error that is wiped when it is tried again',
    () =>
      asking(({ cells, sources }) => [
        set(cells.line, ''),
        call(sources.office.order, { text: cells.text }, { fails: [set(cells.line, 'Not ordered' as never)] }),
      ]),
  ],
  [
    'an order that is said to be placed for good',
    () =>
      asking(({ cells, sources }) => [
        call(sources.office.order, { text: cells.text }, { then: [set(cells.line, 'Ordered' as never)] }),
      ]),
  ],
  [
    'a busy flag that both answers let go',
    () => [
      loft({
        cells: { text, busy: flag },
        actions: ({ cells, sources }: any) => ({
          order: [
            set(cells.busy, true),
            call(
              sources.office.order,
              { text: cells.text },
              { then: [set(cells.busy, false as never)], fails: [set(cells.busy, false as never)] },
            ),
          ],
        }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text), shut: oneWay(cells.busy) },
          go: { on: { press: actions.order } },
        }),
      }),
    ],
  ],
  [
    'a berth that is chosen once, and then shown with a way to choose again',
    () => [
      loft({
        cells: { text, berth: { type: Type.Enum(['', 'N1']), initial: '' } },
        fittings: {
          field,
          go: button,
          pick: contract('berth-pick', {
            summary: 'A berth',
            values: { berth: { type: Type.Enum(['', 'N1']), default: '' } },
          }),
        },
        reckoned: ({ cells }: any) => ({ none: reckon([cells.berth], (one: any) => one === '') }),
        shown: ({ reckoned }: any) => ({ pick: shownWhile(reckoned.none) }),
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          pick: { berth: twoWay(cells.berth) },
          go: { on: { press: [clear(cells.berth)] } },
        }),
      }),
    ],
  ],
  [
    'a sentence out of a table that says what is wrong',
    () => {
      const said = (one: any) => (one.length < 3 ? 'Three letters at least' : '')
      return [
        loft({
          reckoned: ({ cells }: any) => ({ why: reckon([cells.text], (one: any) => said(one)) }),
          bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [submit()] } } }),
          submit: { sends: ['text'], heldBy: { text: 'why' }, to: 'office.note' },
        }),
      ]
    },
  ],
  [
    'what is sent under other names',
    () => [
      loose('stay', {
        cells: { arrival: text, from: text },
        sources: {
          pier: source('pier', {
            stay: { effect: 'creates', takes: Type.Object({ from: Type.String(), until: Type.String() }) },
          }),
        },
        fittings: { first: field, last: field, go: button },
        bind: ({ cells }: any) => ({
          first: { text: twoWay(cells.arrival) },
          last: { text: twoWay(cells.from) },
          go: { on: { press: [submit()] } },
        }),
        submit: { sends: { from: 'arrival', until: 'from' }, to: 'pier.stay' },
      }),
    ],
  ],
  [
    'two members of one answer in two cells',
    () => [
      loft({
        cells: { text, id: text, note: text },
        fittings: { field, go: button, board, other: board },
        actions: ({ cells, sources }: any) => ({
          order: [
            call(
              sources.office.order,
              { text: cells.text },
              { then: [set(cells.id, payload('/id')), set(cells.note, payload('/note'))] },
            ),
          ],
        }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: actions.order } },
          board: { line: oneWay(cells.id) },
          other: { line: oneWay(cells.note) },
        }),
      }),
    ],
  ],
  [
    'a record spread over two cells, and a reset to what was loaded',
    () => [
      loft({
        cells: { text, id: text },
        fittings: { field, key: field, go: button, send: button },
        enters: ({ cells, sources }: any) => [
          call(sources.office.rope, 'r1', { then: [set(cells.text, payload('/note')), set(cells.id, payload('/id'))] }),
        ],
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          key: { text: twoWay(cells.id) },
          go: { on: { press: [reset()] } },
          send: { on: { press: [submit()] } },
        }),
        submit: { sends: { text: 'text' }, leaves: ['id'], to: 'office.note' },
        reset: { to: 'saved' },
      }),
    ],
  ],
  [
    'a search that submits to what it reads',
    () => [
      loft({
        cells: { text, ropes: { type: Type.Array(rope), initial: [] } },
        fittings: { field, go: button, board },
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: [submit()] } },
          board: { ropes: oneWay(cells.ropes) },
        }),
        submit: { sends: ['text'], to: 'office.search', then: ({ cells }: any) => [set(cells.ropes, payload())] },
      }),
    ],
  ],
  [
    'an event that must be heard, waived with the reason',
    () => {
      const bell = contract('yard-bell', { summary: 'A bell', events: { rung: { mustHear: true } } })
      return [
        loft({
          fittings: { field, go: button, bell },
          bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: {}, bell: {} }),
          waives: { 'unheard-event': { bell: 'the watchman hears it himself' } },
        }),
      ]
    },
  ],
  [
    'a field whose text is handed over by its own event',
    () => [
      loft({
        fittings: { field, go: button, board },
        bind: ({ cells }: any) => ({
          field: { on: { done: [set(cells.text, payload())] } },
          go: {},
          board: { line: oneWay(cells.text) },
        }),
      }),
    ],
  ],
  [
    'a report that is trimmed on its way back',
    () => [
      loft({
        reckoned: ({ cells }: any) => ({ neat: reckon([cells.text], (one: any) => String(one).trim()) }),
        bind: ({ cells, reckoned }: any) => ({
          field: { text: oneWay(reckoned.neat), on: { 'text-set': [set(cells.text, payload())] } },
          go: {},
        }),
      }),
    ],
  ],
  [
    'two dials on one cell that take turns',
    () => [
      loose('drums', {
        cells: { turns: count, isStorm: flag },
        fittings: { bow: drum, stern: drum, go: button },
        shown: ({ cells }: any) => ({ stern: shownWhile(cells.isStorm) }),
        bind: ({ cells }: any) => ({
          bow: { turns: twoWay(cells.turns) },
          stern: { turns: twoWay(cells.turns), most: 4 },
          go: { on: { press: [set(cells.isStorm, true)] } },
        }),
      }),
    ],
  ],
  [
    'a promise that has to be given again after a failure',
    () => [
      loft({
        cells: { text, sworn: flag },
        fittings: {
          field,
          go: button,
          oath: contract('yard-oath', {
            summary: 'An oath',
            values: { sworn: { type: Type.Boolean(), default: false } },
          }),
        },
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          oath: { sworn: twoWay(cells.sworn) },
          go: { on: { press: [submit()] } },
        }),
        submit: {
          sends: ['text'],
          leaves: ['sworn'],
          to: 'office.order',
          fails: ({ cells }: any) => [set(cells.sworn, false)],
        },
      }),
    ],
  ],
  [
    'drafts that the person keeps or discards, beside a submit',
    () => [
      loft({
        fittings: { field, keep: button, drop: button, send: button },
        actions: ({ fittings }: any) => ({ keep: [save(fittings.field)], drop: [discard(fittings.field)] }),
        bind: ({ cells, actions }: any) => ({
          field: { text: draft(cells.text) },
          keep: { on: { press: actions.keep } },
          drop: { on: { press: actions.drop } },
          send: { on: { press: [submit()] } },
        }),
        submit: { sends: ['text'], to: 'office.order' },
      }),
    ],
  ],
  [
    'a save whose answer leads on',
    () => [
      trip(
        {
          one: loft({
            actions: ({ fittings, sources }: any) => ({
              keep: [save(fittings.field, { to: sources.office.note, given: { text: payload() }, then: [go('two')] })],
              drop: [discard(fittings.field)],
            }),
            bind: ({ cells, actions }: any) => ({
              field: { text: draft(cells.text), on: { done: actions.keep } },
              go: { on: { press: actions.drop } },
            }),
          }),
          two: loft({}, 'two'),
        },
        { leaving: 'discard' },
      ),
    ],
  ],
  [
    'two screens with a remark each',
    () => [
      trip({
        one: loft({
          cells: { remark: text },
          bind: ({ cells }: any) => ({ field: { text: twoWay(cells.remark) }, go: { on: { press: [go('two')] } } }),
        }),
        two: loft(
          { cells: { remark: text }, bind: ({ cells }: any) => ({ field: { text: twoWay(cells.remark) }, go: {} }) },
          'two',
        ),
      }),
    ],
  ],
  [
    'a topic that one screen announces and another counts',
    () => [
      trip(
        {
          one: loft({
            topics: { splice },
            actions: ({ topics }: any) => ({ tell: [announce(topics.splice, 'eye')] }),
            bind: ({ cells, actions }: any) => ({
              field: { text: twoWay(cells.text) },
              go: { on: { press: actions.tell } },
            }),
          }),
          two: loft(
            {
              cells: { heard: text },
              topics: { splice },
              hears: ({ cells }: any) => ({ splice: [set(cells.heard, payload())] }),
              fittings: { board },
              bind: ({ cells }: any) => ({ board: { line: oneWay(cells.heard) } }),
            },
            'two',
          ),
        },
        { ends: ['one', 'two'] },
      ),
    ],
  ],
  [
    'a count that goes up whenever the screen is entered, with the text that stands',
    () => [
      loft({
        fittings: { late: contract('late-text', { values: { text: { type: Type.String(), reports: 'commit' } } }) },
        enters: ({ cells, sources }: any) => [call(sources.office.note, { text: cells.text })],
        bind: ({ cells }: any) => ({ late: { text: twoWay(cells.text) } }),
      }),
    ],
  ],
  [
    'a reset to what an answer was put into',
    () => [
      loft({
        sources: { book: source('name-book', { name: { effect: 'reads', gives: Type.String() } }) },
        enters: ({ cells, sources }: any) => [call(sources.book.name, undefined, { into: cells.text })],
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [reset()] } } }),
        reset: { to: 'saved' },
      }),
    ],
  ],
  [
    'a button called submit that comes up once something was sent',
    () => [
      loft({
        cells: { text, sent: flag },
        fittings: { field, go: button, submit: button },
        shown: ({ cells }: any) => ({ submit: shownWhile(cells.sent) }),
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          go: { on: { press: [submit()] } },
          submit: { on: { press: [submit()] } },
        }),
        submit: { sends: ['text'], to: 'office.order', then: ({ cells }: any) => [set(cells.sent, true)] },
      }),
    ],
  ],
  [
    'a slate that nobody else writes',
    () => [
      loft({
        fittings: { slate, go: button },
        bind: ({ cells }: any) => ({ slate: { text: twoWay(cells.text) }, go: {} }),
      }),
    ],
  ],
  [
    'an entry that is taken off the list before the loft answers',
    () => [
      loose('racks', {
        cells: { ropes: { type: Type.Array(rope), initial: [] } },
        sources: {
          rack: source('rack', {
            ropes: { effect: 'reads', gives: Type.Array(rope) },
            drop: { effect: 'removes', key: 'id', takes: Type.Object({ id: Type.String() }) },
          }),
        },
        fittings: { go: button },
        rows: ({ cells }: any) => ({ go: rowsOf(cells.ropes, 'id' as never) }),
        loads: ({ sources }: any) => ({ ropes: load(sources.rack.ropes) }),
        reckoned: ({ cells }: any) => ({ less: reckon([cells.ropes], (all: any) => all.slice(1)) }),
        actions: ({ cells, sources, reckoned, row }: any) => ({
          drop: [call(sources.rack.drop, { id: row.go.id }), set(cells.ropes, reckoned.less)],
        }),
        bind: ({ actions }: any) => ({ go: { on: { press: actions.drop } } }),
      }),
    ],
  ],
  [
    'an oath that has to be there and is not sent',
    () => {
      const oath = contract('yard-oath', {
        summary: 'An oath',
        values: { sworn: { type: Type.Boolean(), default: false } },
      })
      return [
        loft({
          cells: { text, sworn: flag },
          fittings: { field, oath, go: button },
          bind: ({ cells }: any) => ({
            field: { text: twoWay(cells.text) },
            oath: { sworn: twoWay(cells.sworn) },
            go: { on: { press: [submit()] } },
          }),
          submit: { sends: ['text'], needs: ['sworn'], to: 'office.note' },
        }),
      ]
    },
  ],
  [
    'a last screen that wipes what was sent before it',
    () => {
      const one = loft({
        bind: ({ cells }: any) => ({ field: { text: twoWay(cells.text) }, go: { on: { press: [go('two')] } } }),
      })
      const two = loft({ enters: ({ cells }: any) => [clear(cells.text)] }, 'two')
      const shares = ({ cells }: any) => ({ one: { text: cells.text }, two: { text: cells.text } })
      return [trip({ one, two }, { cells: { text }, shares })]
    },
  ],
]

unusual.push(
  [
    'a panel whose copy begins anew each time',
    () =>
      drawer(
        () => [],
        (cells) => [set(cells.copy, cells.text)],
      ),
  ],
  ['a panel whose cancel empties its copy', () => drawer((cells) => [clear(cells.copy)])],
  [
    'what is loaded and edited, and handed on as it is reported',
    () => [
      noted({
        actions: ({ sources }: any) => ({ keep: [call(sources.office.note, { text: payload() })] }),
        bind: ({ cells, actions }: any) => ({
          field: { text: twoWay(cells.text), on: { 'text-set': actions.keep } },
          ask: { text: twoWay(cells.asked) },
        }),
      }),
    ],
  ],
  [
    'an answer beside a question that it locks',
    () => [
      noted({
        loads: undefined,
        fittings: { field, go: button, board },
        reckoned: ({ cells }: any) => ({
          line: reckon([cells.text, cells.asked], (answer: any, question: any) => `${question}: ${answer}`),
          isAsked: reckon([cells.text], (answer: any) => answer !== ''),
        }),
        actions: ({ cells, sources }: any) => ({
          ask: [call(sources.office.line, cells.asked, { into: cells.text })],
        }),
        bind: ({ cells, reckoned, actions }: any) => ({
          field: { text: twoWay(cells.asked), shut: oneWay(reckoned.isAsked) },
          go: { on: { press: actions.ask } },
          board: { line: oneWay(reckoned.line) },
        }),
      }),
    ],
  ],
)

describe('wirings that nobody made a rule for', () => {
  for (const [what, rule, made] of wrong) it(`says ${rule} of ${what}`, () => expect(told(...made())).to.include(rule))

  it('takes a command that an action runs for one that is needed', () => {
    const uncalled = (steps: (fittings: any) => unknown[]) => {
      const screens = loft({
        cells: { text, from: count, to: count },
        fittings: { field, go: button, span },
        actions: ({ fittings }: any) => ({ ease: steps(fittings) }),
        bind: ({ cells }: any) => ({
          field: { text: twoWay(cells.text) },
          go: {},
          span: { from: twoWay(cells.from), to: twoWay(cells.to) },
        }),
      })
      return check({ ...designOf([screens]), contracts: [span] }).filter(({ rule }) => rule === 'too-much-public')
    }
    expect(uncalled(() => []).map(({ says }) => says)).to.eql([
      "no screen that uses 'rope-span' calls its command 'slack'",
    ])
    expect(uncalled(({ span: its }) => [run(its, 'slack')])).to.eql([])
  })

  for (const [what, made] of unusual)
    it(`says nothing of ${what}`, () => {
      const heavy = found(...made()).filter(({ level }) => level !== 'note')
      expect(
        heavy
          .map(({ rule, says }) => `${rule}: ${says}`)
          .filter((one) => !/^(unreached-screen|undocumented|dead-end)/.test(one)),
      ).to.eql([])
    })
})
