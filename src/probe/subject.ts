import {
  equal,
  givenClauses,
  isValue,
  valueClauses,
  type AnyContract,
  type CommandClause,
  type PropertyClause,
  type ValueClause,
} from '../contract/index.js'
import { bring, limitsOf, type Limits } from '../engine/index.js'
import { ideal, type Given } from '../ideal/index.js'
import { controlRefs, isOperable, type ControlRef } from './controls.js'
import type { Frames } from './frames.js'
import { filesToChoose, hostSamples, samplesFor } from './samples.js'
import { stageFor, type Played, type Row, type StageOptions } from './stage.js'
import { storyKey, type Call, type Move, type Story } from './story.js'
import { survey, type Way } from './survey.js'

/** A component under examination: what it can be given, what a person can do to it, and how it plays a story. */
export interface Subject {
  readonly contract: AnyContract
  readonly names: readonly PropertyClause[]
  readonly values: readonly ValueClause[]
  /** The names that follow their owner after the mount; a value that has the last word itself may not. */
  readonly tellable: readonly PropertyClause[]
  /** The least that it can be mounted with: a value for each required name. */
  readonly least: Given
  /** The same, with every two-way value at its default: an owner that holds what it shows. */
  readonly base: Given
  /** The same, with every two-way value somewhere in the middle. */
  readonly middle: Given
  /** What was found that a person can do, with what it changes. */
  readonly ways: readonly Way[]
  /** One for each control: enough where it does not matter how a person does it. */
  readonly chiefWays: readonly Way[]
  /** Every command, each that takes something with an ordinary value. */
  readonly calls: readonly Call[]
  /** Ordinary values of a name, inside its bounds and none of them empty. */
  plain(name: string): readonly unknown[]
  /** Every sample of a name's type that it can be told: ordinary ones, then edges. */
  samples(name: string): readonly unknown[]
  /** The bounds and step of a value, when the component is given this. */
  limits(value: ValueClause, given: Given): Limits
  /** What the contract says that a name stands at, when the component is given this. */
  ideally(name: string, given: Given): unknown
  /** Plays a story; one that was played already is not played again. */
  play(story: Story): Promise<Played>
  /** The component freshly mounted with this. */
  fresh(given: Given): Promise<Row>
  /** The class of the element, where it is a custom element that is mounted as such. */
  readonly define: CustomElementConstructor | undefined
  /** Every control that is found on an ordinary mount. */
  readonly controls: readonly ControlRef[]
  readonly document: Document
  /** Looks at the component once it stands there settled, freshly mounted. */
  look<T>(given: Given, at: (container: HTMLElement) => T): Promise<T | undefined>
  /** The same, after some moves. */
  lookAfter<T>(given: Given, moves: readonly Move[], at: (container: HTMLElement) => T): Promise<T | undefined>
  /** Plays a story even if it was played before. */
  playAnew(story: Story): Promise<Played>
  /** What a person would see there now, and time passing for it: for examinations of their own. */
  readonly frames: Frames
  /** Files for a person to choose: never the objects that an owner gives. */
  readonly files: readonly File[]
}

/** Readies a component for the clauses; gives the reason where it cannot be mounted at all. */
export async function subjectFor(
  contract: AnyContract,
  options: StageOptions,
): Promise<Subject | { readonly unready: string }> {
  const stage = stageFor(contract, options)
  const host = hostSamples(options.document)
  const names = givenClauses(contract)
  const values = valueClauses(contract)
  const drawn = new Map(names.map((clause) => [clause.name, samplesFor(clause.type, host)]))
  const unmade = names.find((clause) => clause.required && (drawn.get(clause.name)?.length ?? 0) === 0)
  if (unmade !== undefined) return { unready: `no sample of '${unmade.name}' could be made from its type` }
  const played = new Map<string, Promise<Played>>()
  const component = ideal(contract)

  /** Stories are played one after the other, whoever asks: two at once would share the focus and the clock. */
  let last: Promise<unknown> = Promise.resolve()
  const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
    const made = last.then(work)
    last = made.catch(() => undefined)
    return made
  }
  const play = (story: Story) => {
    const key = storyKey(story)
    let found = played.get(key)
    if (found === undefined) played.set(key, (found = inTurn(() => stage.play(story))))
    return found
  }
  const standing = (name: string, given: Given) => component.mount(given)[component.names.indexOf(name)]
  const limits = (value: ValueClause, given: Given) => limitsOf(value, (name) => standing(name, given))
  const fits = (clause: PropertyClause, value: unknown, given: Given) =>
    equal(standing(clause.name, { ...given, [clause.name]: value }), value)
  const ordinary = (clause: PropertyClause, given: Given) =>
    (drawn.get(clause.name) ?? []).filter((value) => !isNothing(clause, value) && fits(clause, value, given))

  const least: Record<string, unknown> = {}
  for (const clause of names)
    if (clause.required) least[clause.name] = ordinary(clause, least)[0] ?? drawn.get(clause.name)?.[0]
  const base = { ...Object.fromEntries(values.flatMap((clause) => withName(clause.name, clause.default))), ...least }
  const middle = {
    ...base,
    ...Object.fromEntries(
      values.flatMap((clause) => withName(clause.name, middleOf(clause, ordinary(clause, base), limits(clause, base)))),
    ),
  }
  const subject: Subject = {
    contract,
    names,
    values,
    tellable: names.filter((clause) => !isValue(clause) || clause.lastWord === 'owner' || clause.accepts === 'always'),
    least,
    base,
    middle,
    ways: [],
    chiefWays: [],
    calls: callsOf(contract, host),
    plain: (name) =>
      plainOf(
        names.find((clause) => clause.name === name),
        (clause) => ordinary(clause, base),
      ),
    samples: (name) =>
      (drawn.get(name) ?? []).filter((value) =>
        fits(names.find((clause) => clause.name === name) as PropertyClause, value, base),
      ),
    limits,
    ideally: standing,
    play,
    fresh: async (given) => (await play({ given, moves: [] })).rows[0],
    files: filesToChoose(options.document),
    define: options.mountOn === undefined ? undefined : options.document.defaultView?.customElements.get(contract.tag),
    controls: [],
    document: options.document,
    look: (given, at) => inTurn(() => stage.look(given, [], at)),
    lookAfter: (given, moves, at) => inTurn(() => stage.look(given, moves, at)),
    playAnew: (story) => inTurn(() => stage.play(story)),
    frames: options.frames,
  }
  const ways = await survey(subject, stage, options.gestures ?? [])
  const controls = await stage.look(middle, [], (container) =>
    controlRefs(container).flatMap(({ ref, element }) => (isOperable(element) ? [ref] : [])),
  )
  return { ...subject, ways, chiefWays: chiefOf(ways), controls: controls ?? [] }
}

function callsOf({ commands }: AnyContract, host: (name: string) => unknown[]): Call[] {
  return Object.values<CommandClause>(commands).flatMap(({ name, takes }): Call[] => {
    if (takes === undefined) return [{ command: name }]
    const samples = samplesFor(takes, host)
    const ordinary = samples.find(Boolean) ?? samples[0]
    return samples.length === 0 ? [] : [{ command: name, takes: ordinary }]
  })
}

/** The first way by each control that changes a value; where a text is typed, one that leaves no doubt what it means. */
function chiefOf(ways: readonly Way[]): Way[] {
  const chief = new Map<string, Way>()
  for (const way of ways) {
    const key = `${way.control.kind} ${way.control.nth}`
    const before = chief.get(key)
    if (way.changes.size > 0 && (before === undefined || (before.plainly.size === 0 && way.plainly.size > 0)))
      chief.set(key, way)
  }
  return [...chief.values()]
}

/** Nothing, and what may be mistaken for it, have clauses of their own. */
export function isNothing(clause: PropertyClause, value: unknown): boolean {
  return (
    value === null ||
    value === undefined ||
    value === 0 ||
    value === '' ||
    value === false ||
    (isValue(clause) && equal(value, clause.empty))
  )
}

/** At most four, all different, and none that is hard to tell from another by eye. */
function plainOf(clause: PropertyClause | undefined, ordinary: (clause: PropertyClause) => unknown[]): unknown[] {
  if (clause === undefined) return []
  const all = ordinary(clause)
  return (clause.type as { type?: unknown }).type === 'boolean' ? [true, false] : all.slice(0, 4)
}

function middleOf(clause: ValueClause, ordinary: unknown[], limits: Limits): unknown {
  const { least, most, step } = limits
  const numbers = ordinary.filter((value): value is number => typeof value === 'number')
  if (numbers.length === 0 || ordinary.some((value) => typeof value !== 'number')) return ordinary[0]
  if (typeof least !== 'number' || typeof most !== 'number') return numbers[0]
  const inside = bring(least + (most - least) / 2, {
    ...limits,
    step: step ?? ((clause.type as { type?: unknown }).type === 'integer' ? 1 : undefined),
  })
  return typeof inside === 'number' ? inside : numbers[0]
}

function withName(name: string, value: unknown): [string, unknown][] {
  return value === undefined ? [] : [[name, value]]
}
