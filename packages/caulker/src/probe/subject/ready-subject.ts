import {
  accepts,
  equal,
  givenClauses,
  isNoStep,
  isValue,
  valueClauses,
  type AnyContract,
  type CommandClause,
  type PropertyClause,
  type ValueClause,
  bring,
  limitsOf,
  type Limits,
} from '../../contract/index.js'
import { ideal } from '../../ideal/index.js'
import { controlRefs, isOperable } from '../person/controls.js'
import { filesToChoose, hostSamples, samplesFor } from './samples.js'
import type { StageOptions } from '../stage/played.js'
import { stageFor } from '../stage/stage.js'
import type { Call, Trail } from '../stage/trail.js'
import { isOffered, usualChoices } from './among.js'
import { carrierOf } from './forms.js'
import { lostAtMount, toldAgain, unseenAtMount } from './lost.js'
import { playsOnce } from './plays.js'
import { isNothing, type Subject, type Way } from './subject.js'
import { survey } from './survey.js'
import type { Given } from '../../mount/index.js'

/** Readies a component for the clauses; gives the reason where it cannot be mounted at all. */
export async function subjectFor(
  contract: AnyContract,
  options: StageOptions,
): Promise<Subject | { readonly unready: string }> {
  const stage = stageFor(contract, options)
  const host = hostSamples(options.document)
  const names = givenClauses(contract)
  const values = valueClauses(contract)
  const drawn = new Map(
    names.map((clause) => [
      clause.name,
      [
        ...clause.samples,
        ...(isValue(clause) ? usualChoices(clause, names) : []),
        ...samplesFor(clause.type, host),
      ].filter((value) => !isNoStep(values, clause.name, value)),
    ]),
  )
  const unmade = names.find((clause) => clause.required && (drawn.get(clause.name)?.length ?? 0) === 0)
  if (unmade !== undefined) return { unready: `no sample of '${unmade.name}' could be made from its type` }
  const component = ideal(contract)

  /** Trails are played one after the other, whoever asks: two at once would share the focus and the clock. */
  let last: Promise<unknown> = Promise.resolve()
  const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
    const made = last.then(work)
    last = made.catch(() => undefined)
    return made
  }
  const { play, foresee } = playsOnce((trail) => inTurn(() => stage.play(trail)))
  const standing = (name: string, given: Given) => component.mount(given)[component.names.indexOf(name)]
  const limits = (value: ValueClause, given: Given) => limitsOf(value, (name) => standing(name, given))
  const fits = (clause: PropertyClause, value: unknown, given: Given) =>
    equal(standing(clause.name, { ...given, [clause.name]: value }), value) &&
    (!isValue(clause) || equal(value, clause.empty) || isOffered(clause, names, given, value))
  /** Samples as they are; of one that lies beside the bounds or between two steps, what stands where it was given. */
  const ordinary = (clause: PropertyClause, given: Given) => {
    const whole = drawn.get(clause.name) ?? []
    const brought = whole.map((value) => standing(clause.name, { ...given, [clause.name]: value }))
    const all = isAmended(clause)
      ? [...brought, ...whole]
      : [...whole, ...(isValue(clause) ? brought.filter((value) => typeof value === 'number') : [])]
    return all.filter(
      (value, at) =>
        !isNothing(clause, value) && fits(clause, value, given) && all.findIndex((one) => equal(one, value)) === at,
    )
  }

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
  // Asked for at every trail, and the same for as long as it is probed.
  const plain = new Map(names.map((clause) => [clause.name, plainOf(clause, ordinary(clause, base))]))
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
    plain: (name) => plain.get(name) ?? [],
    samples: (name) => {
      const clause = names.find((one) => one.name === name) as PropertyClause
      const whole = drawn.get(name) ?? []
      const made = isAmended(clause) ? whole.map((value) => standing(name, { ...base, [name]: value })) : []
      return [...whole.filter((value) => fits(clause, value, base)), ...made]
    },
    drawn: (name) => drawn.get(name) ?? [],
    limits,
    ideally: standing,
    play,
    foresee,
    fresh: async (given) => (await play({ given, moves: [] })).rows[0],
    files: filesToChoose(options.document),
    define: options.mountOn === undefined ? undefined : options.document.defaultView?.customElements.get(contract.tag),
    carrier: undefined,
    controls: [],
    unseen: new Set(),
    document: options.document,
    look: (given, at) => inTurn(() => stage.look(given, [], at)),
    lookAt: (trail, at) => inTurn(() => stage.lookAt(trail, at)),
    lookAfter: (given, moves, at) => inTurn(() => stage.look(given, moves, at)),
    playAnew: (trail) => inTurn(() => stage.play(trail)),
    frames: options.frames,
  }
  if (subject.define !== undefined && (await takesItselfOut()))
    return { unready: 'it takes itself out of the page as soon as it is mounted; let it stay, or probe what holds it' }
  /** What it throws while it is mounted is another matter, and judged. */
  async function takesItselfOut(): Promise<boolean> {
    const there = await stage.look(base, [], (container) => container.getElementsByTagName(contract.tag).length > 0)
    return there === false && (await subject.fresh(base)).fault === undefined
  }

  const ways = await survey(subject, stage, options.gestures ?? [])
  const controls = await stage.look(middle, [], (container) =>
    controlRefs(container).flatMap(({ ref, element }) => (isOperable(element) ? [ref] : [])),
  )
  const carrier = await carrierOf(subject, stage, options)
  const asMounted: Subject = { ...subject, carrier, ways, chiefWays: chiefOf(ways), controls: controls ?? [] }
  const lost = await lostAtMount(asMounted)
  if (lost.size === 0) return asMounted
  const again = withToldAgain(asMounted, lost)
  return { ...again, unseen: await unseenAtMount(again, lost) }
}

/** What it loses at the mount is told again wherever it is not about the mount. */
function withToldAgain(asMounted: Subject, lost: ReadonlySet<string>): Subject {
  const again = (trail: Trail) => toldAgain(trail, lost)
  return {
    ...asMounted,
    asMounted,
    play: (trail) => asMounted.play(again(trail)),
    foresee: (trails) => asMounted.foresee([...trails].map(again)),
    playAnew: (trail) => asMounted.playAnew(again(trail)),
    fresh: async (given) => (await asMounted.play(again({ given, moves: [] }))).rows[0],
    look: (given, at) => asMounted.lookAt(again({ given, moves: [] }), at),
    lookAt: (trail, at) => asMounted.lookAt(again(trail), at),
    lookAfter: (given, moves, at) => asMounted.lookAt(again({ given, moves }), at),
  }
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

/** At most four, all different, and none that is hard to tell from another by eye. */
function plainOf({ type }: PropertyClause, ordinary: readonly unknown[]): unknown[] {
  const isFlag = ordinary.length > 0 && ordinary.every((value) => typeof value === 'boolean')
  return isFlag || (type as { type?: unknown }).type === 'boolean'
    ? [true, false].filter((value) => accepts(type, value))
    : ordinary.slice(0, 4)
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

/** What it amends stands only as it was amended. */
function isAmended({ amend }: PropertyClause): boolean {
  return amend.length > 0
}
