import { CaulkerError } from '../words/index.js'
import { listed, mapValues, type TSchema, type Waivers } from '../contract/index.js'
import type { Action, AnyScreen, Binding, CellClause, CellDraft, ResetClause, SubmitClause } from './screen-model.js'
import { listedSteps } from './asked.js'
import { boundBy, madeBy, refuseMalformed } from './malformed.js'
import type { AnySource } from './source.js'
import type { Steps } from './steps.js'
import type { Reckoned, Rows } from './tokens.js'

type Section = (its: Record<string, unknown>) => Record<string, unknown>
type StepsDraft = Steps | ((its: Record<string, unknown>) => Steps)

/** What a screen and the interior of a component are written with, once the compiler has done its part. */
export interface AnyDraft {
  cells?: Record<string, CellDraft<TSchema>>
  fittings: Record<string, unknown>
  sources?: Record<string, AnySource>
  topics?: Record<string, unknown>
  reckoned?: Section
  rows?: Section
  shown?: Section
  loads?: Section
  actions?: Section
  enters?: StepsDraft
  hears?: Section
  commands?: Section
  readings?: Section
  answers?: Section
  always?: Section
  never?: Section
  bind: Section
  submit?: {
    sends: unknown
    leaves?: string[]
    needs?: string[] | Record<string, string>
    heldBy?: Record<string, string>
    to: string
    then?: StepsDraft
    fails?: StepsDraft
  }
  reset?: { to: ResetClause['to']; cells?: string[]; leaves?: string[] }
  keeps?: string[]
  waives?: Waivers
}

/** What is already there before the draft is read: the face of a component, for its interior. */
export interface Face {
  readonly cells: Record<string, CellClause>
  readonly its: Record<string, unknown>
}

/** Builds a screen from its draft; `who` names it in errors. */
export function compose(who: string, name: string, draft: AnyDraft, face?: Face): AnyScreen {
  refuseMalformed(who, draft, face !== undefined)
  const sections = face?.its ?? {}
  const cells = { ...sections, cells: named('cell', draft.cells ?? {}) }
  const fittings = named('fitting', draft.fittings)
  const reckoned = withNames(madeBy(who, 'reckoned', draft.reckoned?.({ ...cells, fittings })))
  const rows = madeBy(who, 'rows', draft.rows?.(cells)) as Record<string, Rows<unknown>>
  const sources = { sources: namedSources(draft.sources ?? {}) }
  const its = {
    ...cells,
    ...sources,
    reckoned: named('reckoned', reckoned, (key) => reckoned[key]),
    fittings,
    topics: named('topic', draft.topics ?? {}, (key) => ({ kind: 'topic', name: key })),
  }
  const row = namedRows(rows)
  const written = mapValues(draft.actions?.({ ...its, row }) ?? {}, (steps, key) =>
    listedSteps(who, `actions.${key}`, steps),
  ) as Record<string, Steps>
  const bound = boundBy(
    who,
    draft.bind({
      ...cells,
      reckoned: its.reckoned,
      fittings,
      actions: named('action', written, (key) => written[key]),
      row,
    }),
  )
  const stepsOf = (at: string, steps: StepsDraft | undefined): Steps =>
    listedSteps(who, at, typeof steps === 'function' ? steps(its) : (steps ?? []))
  const actionIn = (at: string, steps: unknown): Action => actionOf(who, at, steps, written)
  const actionsOf = (part: string, section: Section | undefined) =>
    mapValues(section?.(its), (steps, key) => actionIn(`${part}.${key}`, steps))
  return {
    kind: 'screen',
    name,
    cells: { ...face?.cells, ...mapValues(draft.cells, cellClause) },
    fittings: { ...draft.fittings } as never,
    sources: { ...draft.sources },
    topics: { ...draft.topics } as never,
    reckoned,
    rows: { ...rows },
    shown: { ...madeBy(who, 'shown', draft.shown?.(its)) } as never,
    loads: { ...madeBy(who, 'loads', draft.loads?.({ ...cells, ...sources })) } as never,
    actions: mapValues(written, (steps, key) => ({ name: key, steps })),
    bindings: mapValues(bound, bindingsOf),
    on: mapValues(bound, (entries, fitting) =>
      mapValues(entries['on'] as object | undefined, (steps, event) =>
        actionIn(`bind.${fitting}.on['${event}']`, steps),
      ),
    ),
    enters: { name: '', steps: stepsOf('enters', draft.enters) },
    hears: actionsOf('hears', draft.hears),
    submit: draft.submit && submitClause(draft.submit, stepsOf),
    reset: draft.reset && { to: draft.reset.to, cells: draft.reset.cells, leaves: draft.reset.leaves ?? [] },
    keeps: [...(draft.keeps ?? [])],
    waives: { ...draft.waives },
    always: sentencesOf(who, 'always', draft.always?.(its)),
    never: sentencesOf(who, 'never', draft.never?.(its)),
    commands: actionsOf('commands', draft.commands),
    readings: { ...draft.readings?.(its) } as never,
    answers: { ...draft.answers?.(its) } as never,
  }
}

/** What a wiring says of itself: each sentence with what is reckoned for it. */
export function sentencesOf(
  who: string,
  part: 'always' | 'never',
  written: unknown,
): Readonly<Record<string, Reckoned<unknown>>> {
  const sentences = Object.entries((written ?? {}) as object) as [string, Partial<Reckoned<unknown>> | null][]
  for (const [sentence, one] of sentences)
    if (one?.kind !== 'reckoned' || !Array.isArray(one.inputs) || typeof one.compute !== 'function')
      throw new CaulkerError(
        who.startsWith('journey') ? 'malformed-journey' : 'malformed-screen',
        `${who}: ${part} must say of “${sentence}” how it is reckoned, such as reckon([cells.low, cells.high], (low, high) => low < high)`,
      )
  return Object.fromEntries(sentences) as Record<string, Reckoned<unknown>>
}

function submitClause(
  { sends, leaves = [], needs = [], heldBy, to, then, fails }: NonNullable<AnyDraft['submit']>,
  stepsOf: (at: string, steps: StepsDraft | undefined) => Steps,
): SubmitClause {
  return {
    sends: Array.isArray(sends) ? Object.fromEntries(sends.map((one: string) => [one, one])) : { ...(sends as object) },
    leaves,
    needs: Array.isArray(needs)
      ? Object.fromEntries(needs.map((name: string) => [name, 'This is needed']))
      : { ...needs },
    heldBy: { ...heldBy },
    to,
    then: stepsOf('submit.then', then),
    fails: stepsOf('submit.fails', fails),
  }
}

/**
 * Names as tokens. An unknown name gives a token too, so that a slip in plain JavaScript becomes a finding with the closest right name
 * instead of a crash while the screen is being written.
 */
export function named(
  kind: string,
  section: object,
  make: (name: string) => unknown = (name) => ({ kind, name }),
): object {
  return new Proxy(
    {},
    {
      get: (_target, name) =>
        typeof name !== 'string' ? undefined : Object.hasOwn(section, name) ? make(name) : { kind, name },
      ownKeys: () => Object.keys(section),
      getOwnPropertyDescriptor: (_target, name) =>
        Object.hasOwn(section, name) ? { enumerable: true, configurable: true } : undefined,
    },
  )
}

function namedSources(sources: Record<string, AnySource>): object {
  const operations = (of: string): object =>
    new Proxy(
      {},
      { get: (_target, name) => (typeof name === 'string' ? { kind: 'operation', source: of, name } : undefined) },
    )
  return new Proxy(
    {},
    {
      get: (_target, name) => (typeof name === 'string' ? operations(name) : undefined),
      ownKeys: () => Object.keys(sources),
    },
  )
}

/** The members of an entry of each list, as cells; they stand for the cell that holds the list. */
function namedRows(rows: Record<string, Rows<unknown>>): object {
  const entry = (row: string, cell: string): object =>
    new Proxy(
      {},
      {
        get: (_target, member) => (typeof member === 'string' ? { kind: 'cell', name: cell, member, row } : undefined),
      },
    )
  return new Proxy(
    {},
    { get: (_target, row) => (typeof row === 'string' ? entry(row, rows[row]?.source.name ?? row) : undefined) },
  )
}

function withNames(reckoned: Record<string, unknown>): Record<string, unknown> {
  for (const [name, one] of Object.entries(reckoned as Record<string, { name: string }>)) one.name = name
  return reckoned
}

export function cellClause(draft: CellDraft<TSchema>, name: string): CellClause {
  return {
    name,
    type: draft.type,
    initial: draft.initial,
    amend: listed(draft.amend),
    refuse: listed(draft.refuse),
    after: listed(draft.after),
  }
}

function bindingsOf(entries: Record<string, unknown>): Record<string, Binding> {
  return mapValues(Object.fromEntries(Object.entries(entries).filter(([name]) => name !== 'on')), (value) =>
    isBinding(value) ? value : { kind: 'constant', value },
  )
}

function isBinding(value: unknown): value is Exclude<Binding, { kind: 'constant' }> {
  const kind = (value as { kind?: unknown } | null)?.kind
  return (kind === 'one-way' || kind === 'two-way' || kind === 'draft') && 'source' in (value as object)
}

/** Steps written in place, or an action by its name. */
function actionOf(who: string, at: string, steps: unknown, written: Readonly<Record<string, Steps>>): Action {
  const isNamed = typeof steps === 'string' || (steps as { kind?: unknown } | null)?.kind === 'action'
  if (isNamed) return { name: typeof steps === 'string' ? steps : (steps as Action).name, steps: [] }
  const name = Object.entries(written).find(([, one]) => one === steps)?.[0]
  return { name: name ?? '', steps: listedSteps(who, at, steps) }
}
