import { equal, settle, valueClauses } from '../contract/index.js'
import { CaulkerError, hint, messageOf } from '../words/index.js'
import { chainOf, type Chain } from './chain.js'
import type { ChangeRecord, Host } from './host.js'
import { lookIn, type Look } from './look.js'
import type { FittingPlan, Machine } from './plan/index.js'
import {
  advance,
  empty,
  firstState,
  givenTo,
  isOwners,
  scratchFor,
  step,
  type Answer,
  type Effect,
  type Fault,
  type Input,
  type Refusal,
  type State,
  type Stored,
} from './step/index.js'

type Values = Readonly<Record<string, unknown>>

/** A running wiring: it takes inputs in order of arrival, one transaction each. */
export interface Driver extends Look {
  readonly machine: Machine
  /** Gives why it was turned down, where it was. */
  set(cell: string, value: unknown): string | undefined
  /** Several cells in one transaction; gives why some were turned down. */
  setAll(changes: Values): string | undefined
  hear(fitting: string, event: string, payload: unknown, values?: Values, row?: string, isTyping?: boolean): void
  /** A person types what is not reported yet; a person leaves a field. */
  edit(fitting: string): void
  leave(fitting: string): void
  act(action: string): void
  submit(): void
  reset(isNative?: boolean): void
  answer(id: number, answer: Answer): void
  travel(at: number): void
  topic(topic: string, value: unknown): void
  /** In an interior: its owner tells, and calls a command. */
  give(changes: Values): void
  command(name: string, args: readonly unknown[], isSilent?: boolean): void
  /** Whether the owner vetoes what an event asks for: a change that the cell of its value would refuse. */
  vetoes(fitting: string, event: string, proposed: unknown): boolean
  given(fitting: string, row?: string): Record<string, unknown>
  /** The slots as they are now: a copy is taken by who wants to keep them. */
  state(): State
  /** Everything is again as it was when these slots were copied; between two inputs only. */
  bring(slots: State): void
  /** Is told of each change once all that follows from it has settled, until the function that it gives is called. */
  watch(listener: (changes: readonly ChangeRecord[]) => void): () => void
  /** Is told of each input that comes from outside, before it is taken, until the function that it gives is called. */
  onInput(listener: (input: Input) => void): () => void
  /** Everything is mounted: what was heard meanwhile is taken now. */
  begin(): void
  /** Nothing is heard, told or called any more. */
  end(): void
}

export interface DriveOptions {
  readonly initial?: Values
  /** What an earlier run has left. */
  readonly stored?: Stored | undefined
  /** Whether fittings are still to be mounted: until {@link Driver.begin}, what they report waits. */
  readonly isMounting?: boolean
}

/**
 * Runs a machine for a host. What is heard while telling queues behind the transaction that told; more than 100 in one chain is a
 * circle: what stood before it is brought back, in cells and components, and the cells that moved are named in a fault.
 */
export function drive(machine: Machine, host: Host, options: DriveOptions = {}): Driver {
  const scratch = scratchFor(machine)
  refuseUnknownCells(machine, Object.keys(options.initial ?? {}))
  const first = firstState(machine, options.initial ?? {}, scratch, options.stored)
  const state = first.state as unknown[]
  /** What was written since the chain began, oldest first. */
  const trace: { slots: number[]; old: unknown[] } = { slots: [], old: [] }
  /** What was turned down since somebody asked. */
  let refusals: Refusal[] = []
  const watchers = new Set<(changes: readonly ChangeRecord[]) => void>()
  /** What the slots held that changed since the watchers were told. */
  const seen = new Map<number, unknown>()
  const by = new Map<number, ChangeRecord['by']>()
  const inputs = new Set<(input: Input) => void>()

  const chain: Chain = chainOf({
    isMounting: options.isMounting ?? false,
    transact(input) {
      const effects = advance(machine, state, input, scratch, vetoedOf(input))
      for (const slot of scratch.keptSlots) {
        trace.slots.push(slot)
        trace.old.push(scratch.old[slot])
        if (watchers.size === 0) continue
        if (!seen.has(slot)) seen.set(slot, scratch.old[slot])
        if (slot < machine.cells.length) by.set(slot, whoseInput(input))
      }
      return effects
    },
    carryOut,
    mark() {
      empty(trace.slots)
      empty(trace.old)
    },
    movedLast: () =>
      scratch.keptSlots.filter((slot) => slot < machine.cells.length && scratch.old[slot] !== state[slot]),
    cellNames: (cells) => cells.map((cell) => machine.cells[cell]?.name ?? ''),
    bringBack,
    fault: (fault) => host.fault?.(fault),
    came: (input) => inputs.forEach((listener) => listener(input)),
    settled() {
      tellWatchers()
      host.settled?.()
    },
  })
  const look = lookIn(machine, () => state)

  /** In an interior, what its owner does not allow of what is about to be reported: it is asked while all still stands as it was. */
  function vetoedOf(input: Input): ReadonlySet<number> | undefined {
    const { asks } = machine.face
    if (asks.size === 0 || host.allows === undefined || isOwners(input)) return undefined
    const vetoed = new Set<number>()
    for (const effect of step(machine, state, input, scratch).effects)
      if (effect.effect === 'report')
        for (const [name, value] of Object.entries(effect.values)) {
          const cell = cellNamed(name)
          const event = asks.get(cell)
          if (event === undefined) continue
          chain.outside(() => {
            if (host.allows?.(event, { [name]: value }) === false) vetoed.add(cell)
          }, `what asks first with ${event}`)
        }
    return vetoed
  }

  /** A throw from here on rolls nothing back: it is reported with its place, and the rest runs. */
  function carryOut(effect: Effect): void {
    const { within, outside } = chain
    switch (effect.effect) {
      case 'fault':
        return outside(() => host.fault?.(effect.fault))
      case 'refusal':
        refusals.push(effect.refusal)
        return outside(() => host.refused?.(effect.refusal), 'the host, told of a refusal')
      case 'amendment':
        return outside(() => host.amended?.(effect.amendment), 'the host, told of an amendment')
      case 'tell': {
        const name = nameOf(effect.fitting)
        return within(`tell of ${name}`, () => host.tell(name, effect.changes, effect.row))
      }
      case 'command':
        return within(`command ${nameOf(effect.fitting)}.${effect.command}`, () => runCommand(effect))
      case 'commit':
        return within('commit', () => commit(effect))
      case 'call': {
        const { id, source, operation, given } = effect
        return within(`call of ${source}.${operation}`, () => {
          if (host.call !== undefined) return host.call({ id, source, operation, given })
          chain.take({ kind: 'answer', id, answer: { failed: `Nothing answers for ${source}.${operation}` } })
        })
      }
      case 'abort':
        return outside(() => host.abort?.(effect.id), 'the host, told to abort')
      case 'go': {
        const [from, to] = [machine.screens[effect.from]?.name ?? '', machine.screens[effect.to]?.name ?? '']
        return within(`way to ${to}`, () => host.go?.({ from, to, at: effect.at, isTravel: effect.isTravel }))
      }
      case 'stay':
        return outside(() => host.stay?.(effect), 'the host, told to stay')
      case 'show':
        return within(`showing of ${nameOf(effect.fitting)}`, () => host.show?.(nameOf(effect.fitting), effect.isShown))
      case 'rows':
        return within(`rows of ${nameOf(effect.fitting)}`, () => host.rows?.(nameOf(effect.fitting), effect.keys))
      case 'problem':
        return within(`problem of ${nameOf(effect.fitting)}`, () =>
          host.problem?.(nameOf(effect.fitting), effect.text, effect.row),
        )
      case 'held':
        return outside(() => host.held?.(), 'the host, told that a submit was held back')
      case 'announce':
        return within(`topic ${effect.topic}`, () => {
          chain.take({ kind: 'topic', topic: effect.topic, value: effect.value })
          host.announce?.(effect.topic, effect.value)
        })
      case 'report':
        return within(`report of ${effect.event}`, () => host.report?.(effect.event, effect.payload, effect.values))
      case 'after':
        return within(`after of ${effect.cell}`, () => effect.hook(effect.now as never, effect.before as never))
    }
  }

  /** A command that changes values without reporting it: its caller knows, so the owner reads what they are now. */
  function runCommand({ fitting, command, args, row }: Extract<Effect, { effect: 'command' }>): void {
    const { contract, bound, name } = machine.fittings[fitting] as FittingPlan
    host.command(name, command, args, row)
    const clause = contract.commands[command]
    if (clause === undefined || clause.reports || clause.effect !== 'reset') return
    const values = bound
      .filter((one) => Object.hasOwn(contract.values, one.name))
      .map((one) => [one.name, host.read(name, one.name, row)] as const)
    chain.take({ kind: 'known', fitting, row, values: Object.fromEntries(values) })
  }

  function commit({ screen, fittings }: Extract<Effect, { effect: 'commit' }>): void {
    const done = (invalid: Parameters<Parameters<NonNullable<Host['commit']>>[1]>[0]) =>
      chain.take({
        kind: 'committed',
        screen,
        invalid: invalid.map(({ fitting, row, text }) => ({ fitting: fittingNamed(fitting), row, text })),
      })
    if (host.commit === undefined) done([])
    else host.commit(fittings.map(nameOf), done)
  }

  /** What stood before the chain, and what components hold of what a circle had made of them. */
  function bringBack(): void {
    const made = new Set(trace.slots)
    for (let at = trace.slots.length - 1; at >= 0; at--) state[trace.slots[at] as number] = trace.old[at]
    for (const { name, bound, rows } of machine.fittings) {
      const moved = rows === undefined ? bound.filter(({ known }) => made.has(known)) : []
      const changes = Object.fromEntries(moved.map((one) => [one.name, state[one.known]]))
      if (moved.length > 0) chain.within(`tell of ${name}`, () => host.tell(name, changes))
    }
  }

  function tellWatchers(): void {
    if (watchers.size === 0 || seen.size === 0) return
    const changed = (slot: number) => seen.has(slot) && !equal(seen.get(slot), state[slot])
    const record = (slot: number, name: string, who: ChangeRecord['by']): ChangeRecord[] =>
      changed(slot) ? [{ name, from: seen.get(slot), to: state[slot], by: who }] : []
    const all = [
      ...machine.cells.flatMap(({ name }, cell) => record(cell, name, by.get(cell) ?? 'screen')),
      ...machine.reckoned.flatMap(({ name, slot }) => record(slot, name, 'screen')),
      ...machine.bound.flatMap(({ known, source }) =>
        record(known, machine.names[known] ?? '', by.get(source) ?? 'screen'),
      ),
    ]
    by.clear()
    seen.clear()
    if (all.length > 0)
      for (const watcher of watchers) chain.outside(() => watcher(all), 'whoever follows what changes')
  }

  function asked(input: Input): string | undefined {
    refusals = []
    chain.take(input)
    return refusals[0]?.reason
  }

  const nameOf = (fitting: number) => (machine.fittings[fitting] as FittingPlan).name
  const fittingNamed = (name: string) => look.index('fitting', name)
  const cellNamed = (name: string) => look.index('cell', name)
  const front = () => state[machine.slots.front] as number
  const changed = (changes: Values) => Object.entries(changes).map(([cell, value]) => [cellNamed(cell), value] as const)

  for (const effect of first.effects) carryOut(effect)
  if (options.isMounting !== true) enterFirst()

  /** Only what loads something, or does something on entering, has anything to do. */
  function enterFirst(): void {
    const { loads, enters } = machine.screens[front()] as Machine['screens'][number]
    if (machine.kind === 'journey' || loads.length > 0 || enters.length > 0) chain.take({ kind: 'enter' })
  }

  return {
    ...look,
    machine,
    set: (cell, value) => asked({ kind: 'set', changes: [[cellNamed(cell), value]] }),
    setAll: (changes) => asked({ kind: 'set', changes: changed(changes) }),
    hear(fitting, event, payload, values, row, isTyping = false) {
      const at = fittingNamed(fitting)
      const reported = values ?? valuesOf(machine, at, event, payload)
      chain.take({ kind: 'report', fitting: at, row, event, payload, values: reported, isTyping })
    },
    edit: (fitting) => chain.take({ kind: 'edit', fitting: fittingNamed(fitting) }),
    leave: (fitting) => chain.take({ kind: 'leave', fitting: fittingNamed(fitting) }),
    act(name) {
      const actions = Object.keys(machine.screens[front()]?.actions ?? {})
      if (!actions.includes(name))
        throw new CaulkerError('unknown-name', `${look.who()} has no action '${name}'${hint(name, actions)}`)
      chain.take({ kind: 'action', screen: front(), name })
    },
    submit: () => chain.take({ kind: 'submit', screen: front() }),
    reset: (isNative = false) => chain.take({ kind: 'reset', screen: front(), isNative }),
    answer: (id, answer) => chain.take({ kind: 'answer', id, answer }),
    travel: (at) => chain.take({ kind: 'travel', at }),
    topic: (topic, value) => chain.take({ kind: 'topic', topic, value }),
    give: (changes) => chain.take({ kind: 'given', changes: changed(changes) }),
    command: (name, args, isSilent = false) => chain.take({ kind: 'command', name, args, isSilent }),
    vetoes(fitting, event, proposed) {
      const { contract, bound } = machine.fittings[fittingNamed(fitting)] as FittingPlan
      return valueClauses(contract)
        .filter((value) => value.vetoEvent === event)
        .flatMap((value) => bound.filter(({ name, cell }) => name === value.name && cell >= 0))
        .some(({ cell }) => !settle(machine.cells[cell] as Machine['cells'][number], proposed, state[cell]).stands)
    },
    given: (fitting, row) => givenTo(machine, state, fittingNamed(fitting), row),
    state: () => state,
    bring(slots) {
      for (let at = 0; at < slots.length; at++) state[at] = slots[at]
      seen.clear()
      by.clear()
    },
    watch(listener) {
      watchers.add(listener)
      return () => void watchers.delete(listener)
    },
    onInput(listener) {
      inputs.add(listener)
      return () => void inputs.delete(listener)
    },
    begin() {
      if (chain.isMounting()) {
        enterFirst()
        chain.begin()
      }
    },
    end: () => chain.end(),
  }
}

/** Where cells start is said by the names that the whole wiring has for them. */
function refuseUnknownCells({ kind, name, cells }: Machine, given: readonly string[]): void {
  const known = cells.map((cell) => cell.name)
  const wrong = given.find((one) => !known.includes(one))
  if (wrong !== undefined)
    throw new CaulkerError('unknown-name', `${kind} '${name}' has no cell '${wrong}'${hint(wrong, known)}`)
}

function whoseInput({ kind }: Input): ChangeRecord['by'] {
  if (kind === 'set' || kind === 'given' || kind === 'command') return 'owner'
  return kind === 'report' || kind === 'known' ? 'person' : kind === 'answer' ? 'source' : 'screen'
}

/** Where only one value is reported by an event, what it carries is that value. */
function valuesOf(machine: Machine, fitting: number, event: string, payload: unknown): Record<string, unknown> {
  const bound = machine.fittings[fitting]?.hears.get(event)?.bound ?? []
  return Object.fromEntries(bound.map(({ name }) => [name, payload]))
}

/** A fault in one line, for a console or a report. */
export function faultText({ place, error }: Fault): string {
  return `${place}: ${messageOf(error)}`
}
