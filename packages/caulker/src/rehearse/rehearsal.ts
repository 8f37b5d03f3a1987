import { eventNames, givenClauses } from '../contract/index.js'
import type { Amendment, Fault, Look, Refusal, SentCall, Wiring } from '../machine/index.js'
import { CaulkerError, hint } from '../words/index.js'
import { stageOf, type Part } from './play/stage.js'

/** What went to a component: all that changed for it, in one call. */
export interface Told {
  readonly fitting: string
  readonly row: string | undefined
  readonly changes: Readonly<Record<string, unknown>>
}

/** A screen, journey or interior at work over ideal components, without a DOM; sources answer when they are told to. */
export interface Rehearsal extends Pick<
  Look,
  'read' | 'front' | 'way' | 'isShown' | 'rows' | 'problem' | 'draft' | 'drafts' | 'pending' | 'isSending' | 'sides'
> {
  /** A person edits a value: at once, or, where it reports on commit, until the field is left. */
  edit(fitting: string, value: string, to: unknown, row?: string): void
  /** A person types into a field that reports at each key: what does not stand is put right when it is left. */
  type(fitting: string, value: string, to: unknown, row?: string): void
  /** A person leaves a field: what was being typed is finished. */
  leave(fitting: string, row?: string): void
  /** A component sends an event that reports no value, such as the press of a button. */
  press(fitting: string, event?: string, payload?: unknown, row?: string): void
  /** A component reports values by itself, whatever its contract lets it hold. */
  hear(fitting: string, event: string, values: Readonly<Record<string, unknown>>, row?: string): void
  /** The owner sets cells; gives why that was turned down, where it was. */
  set(changes: Readonly<Record<string, unknown>>): string | undefined
  act(action: string): void
  submit(): void
  reset(): void
  /** To another entry of the way, as the browser's back and forward do. */
  travel(at: number): void
  /** The oldest call of an operation (`office.book`) that waits is answered; `which` counts from 0 among several. */
  answer(operation: string, given?: unknown, which?: number): void
  fail(operation: string, reason: string, problems?: Readonly<Record<string, string>>, which?: number): void
  /** The time of a call is over. */
  giveUp(operation: string, which?: number): void
  /** A call by its number answers although nobody waits for it any more. */
  answerLate(call: number, given: unknown): void
  /** Time passes, in milliseconds: components that hold reports back send them. */
  pass(milliseconds: number): void
  /** What a component shows for one of its names. */
  shown(fitting: string, name: string, row?: string): unknown
  readonly told: readonly Told[]
  readonly calls: readonly SentCall[]
  readonly aborted: readonly number[]
  readonly faults: readonly Fault[]
  readonly refusals: readonly Refusal[]
  readonly amendments: readonly Amendment[]
  /** Why a screen was not left. */
  readonly stays: readonly string[]
  readonly announced: readonly { readonly topic: string; readonly value: unknown }[]
  remove(): void
}

/**
 * Runs a screen or journey over ideal components: each does exactly what its contract says. What a source answers is said by hand.
 *
 * Throws a {@link CaulkerError} `unknown-name` where a fitting, cell, action or waiting operation does not exist.
 *
 * @param initial where some cells start instead of at their initial values
 * @example
 * ```ts
 * import { contract, rehearsal, screen, source, submit, twoWay, Type } from 'caulker'
 * const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ turns: Type.Integer() }) } })
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { done: {} } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   sources: { office },
 *   bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns), on: { done: [submit()] } } }),
 *   submit: { sends: ['turns'], to: 'office.book' },
 * })
 * const run = rehearsal(slip)
 * run.edit('winch', 'turns', 4)
 * run.press('winch', 'done')
 * console.assert(JSON.stringify(run.calls[0]?.given) === '{"turns":4}')
 * run.answer('office.book')
 * console.assert(run.pending().length === 0)
 * ```
 */
export function rehearsal(
  wiring: Wiring,
  { initial = {} }: { initial?: Readonly<Record<string, unknown>> } = {},
): Rehearsal {
  const stage = stageOf(wiring, initial)
  const { driver } = stage
  const seen = {
    told: [] as Told[],
    calls: [] as SentCall[],
    aborted: [] as number[],
    faults: [] as Fault[],
    refusals: [] as Refusal[],
    amendments: [] as Amendment[],
    stays: [] as string[],
    announced: [] as { topic: string; value: unknown }[],
  }

  /** What has happened is there to be read as soon as whatever was done has settled. */
  function note(): void {
    const happened = stage.takeHappened()
    for (const kind of Object.keys(seen) as (keyof typeof seen)[]) seen[kind].push(...(happened[kind] as never[]))
  }
  const doing =
    <A extends unknown[], R>(work: (...given: A) => R) =>
    (...given: A): R => {
      try {
        return work(...given)
      } finally {
        note()
      }
    }
  /** What is not shown cannot be operated. */
  const where = (fitting: string, row: string | undefined, work: (part: Part) => void) => {
    if (driver.isShown(fitting)) work(stage.component(fitting, row))
  }

  function waiting(operation: string, which: number): number {
    const all = driver.pending().filter((one) => one.operation === operation && !one.isWaiting)
    const found = all[which]
    if (found !== undefined) return found.id
    const names = driver.pending().map((one) => one.operation)
    throw new CaulkerError(
      'unknown-name',
      `no call of '${operation}' waits for an answer${which > 0 ? ` at ${which}` : ''}${hint(operation, names)}`,
    )
  }

  /** What a fitting has nothing of is misspelt; a fitting that is not there is said by whoever looks for it. */
  function refuseUnknown(fitting: string, what: 'event' | 'name', wanted: string): void {
    const contract = driver.machine.fittings.find(({ name }) => name === fitting)?.contract
    if (contract === undefined) return
    const readable = [...givenClauses(contract).map(({ name }) => name), ...Object.keys(contract.readings)]
    const known = what === 'event' ? eventNames(contract) : readable
    const wrong = what === 'event' ? 'sends no event' : 'has no property, value or reading'
    if (!known.includes(wanted))
      throw new CaulkerError('unknown-name', `'${contract.tag}' ${wrong} '${wanted}'${hint(wanted, known)}`)
  }

  note()
  return {
    ...driver,
    ...seen,
    edit: doing((fitting, value, to, row) =>
      where(fitting, row, (part) => {
        driver.edit(fitting)
        part.edit(value, to)
      }),
    ),
    type: doing((fitting, value, to, row) => where(fitting, row, (part) => part.edit(value, to, true))),
    leave: doing((fitting, row) => {
      void stage.component(fitting, row).commit()
      driver.leave(fitting)
    }),
    press: doing((fitting, event = 'press', payload = null, row = undefined) => {
      refuseUnknown(fitting, 'event', event)
      if (driver.isShown(fitting)) driver.hear(fitting, event, payload, {}, row)
    }),
    hear: doing((fitting, event, values, row) => driver.hear(fitting, event, values, values, row)),
    set: doing((changes) => driver.setAll(changes)),
    act: doing((action) => driver.act(action)),
    submit: doing(() => driver.submit()),
    reset: doing(() => driver.reset()),
    travel: doing((at) => driver.travel(at)),
    answer: doing((operation, given, which = 0) => driver.answer(waiting(operation, which), { given })),
    fail: doing((operation, reason, problems = {}, which = 0) =>
      driver.answer(waiting(operation, which), { failed: reason, problems }),
    ),
    giveUp: doing((operation, which = 0) =>
      driver.answer(waiting(operation, which), { failed: 'There was no answer in time', isOverdue: true }),
    ),
    answerLate: doing((call, given) => driver.answer(seen.calls[call]?.id ?? -1, { given })),
    pass: doing((milliseconds) => stage.parts().forEach((part) => part.pass(milliseconds))),
    shown(fitting, name, row) {
      refuseUnknown(fitting, 'name', name)
      return stage.component(fitting, row).read(name)
    },
    remove: doing(stage.remove),
  }
}
