import { messageOf } from '../words/index.js'
import { waiverOf, type AnyContract } from '../contract/index.js'
import { elementMount, rememberRoots } from '../dom/index.js'
import type { BrokenClause, Clause, Examined, LeakAt } from './clauses/clause.js'
import { clauses as allClauses } from './clauses/index.js'
import { asksForForms, knowsForms } from './subject/forms.js'
import { rememberStates } from './stage/form-state.js'
import { windowFrames, type Frames } from './stage/frames.js'
import { judged, type Silence } from './judge.js'
import { ledgerOf } from './stage/ledger.js'
import { minimise } from './minimise.js'
import { rememberListeners } from './person/areas.js'
import type { Hands } from './person/trusted.js'
import { refuseNamedGestures, type NamedGesture } from './person/named-gesture.js'
import { exploreComponent, type Explored } from './exploration.js'
import type { Played } from './stage/played.js'
import { isTell, type Trail } from './stage/trail.js'
import { editorsOf } from './subject/own-drafts.js'
import { subjectFor } from './subject/ready-subject.js'
import type { Subject } from './subject/subject.js'
import type { Mount } from '../mount/index.js'

export interface ProbeOptions {
  /** Which document to mount in; by default the one of this window. */
  readonly document?: Document
  /** A mount for a component that is no custom element; it is given the place to mount into. */
  readonly mount?: (into: HTMLElement) => Mount
  /** The same seed gives the same report; 1 by default. */
  readonly seed?: number
  /** Only these clauses, by id. */
  readonly clauses?: readonly string[]
  /** How many moves the exploration makes that all clauses share; 96 by default. More find more, and take longer. */
  readonly moves?: number
  readonly frames?: Frames
  /** What a person can do where no control is found: at a place of the component, over it, or by keys. */
  readonly gestures?: readonly NamedGesture[]
  /** Lets a person act through the browser's own input, where something outside the page lends it. */
  readonly hands?: Hands
  readonly onStep?: (trail: Trail, row: number) => void
  readonly breaks?: (trail: Trail, row: number) => string | undefined
}

export type Status = 'held' | 'broken' | 'unproven' | 'waived'

/** What a probe found of one clause. */
export interface ClauseResult {
  readonly clause: string
  readonly promise: string
  readonly status: Status
  /** Why it is unproven or waived. */
  readonly reason?: string
  /** False where nothing of the component is what this clause is about: then there was nothing to try. */
  readonly applies?: false
  /** What would decide it, where that is known. */
  readonly needs?: string
  /** Whether it is unproven only because the DOM here is no real browser's. */
  readonly browserDecides?: true
  /** How many trails were judged. */
  readonly trails: number
  readonly leak?: BrokenClause
}

export interface ProbeReport {
  readonly component: string
  readonly seed: number
  readonly clauses: readonly ClauseResult[]
  /** Why it could not be judged at all, where it could not. */
  readonly unready?: string
  /** Where it is there for a person, and nothing was found that a person can do: most of what it promises was not tried. */
  readonly isUnoperated?: true
}

const MOST_TRAILS = 160
/** How many leaks of one clause are told. */
const MOST_LEAKS = 4

/**
 * Mounts a live component, operates it as its owner and a person would, and judges every clause of its contract.
 *
 * Never throws for what the component does: a clause that could not be tried is `unproven`, with the reason.
 *
 * @example
 * ```ts
 * import { nativeText } from 'caulker/dom'
 * import { probe } from 'caulker/probe'
 * const report = await probe(nativeText, { seed: 7 })
 * console.assert(report.clauses.every(({ status }) => status !== 'broken'))
 * ```
 */
export async function probe(contract: AnyContract, options: ProbeOptions = {}): Promise<ProbeReport> {
  refuseNamedGestures(options.gestures ?? [])
  const document = options.document ?? globalThis.document
  const view = document.defaultView as Window & typeof globalThis
  const forget = [rememberRoots(view), rememberStates(view), rememberListeners(view)]
  try {
    return await probeIn(view, contract, options)
  } finally {
    for (const end of forget) end()
  }
}

async function probeIn(
  view: Window & typeof globalThis,
  contract: AnyContract,
  options: ProbeOptions,
): Promise<ProbeReport> {
  const seed = options.seed ?? 1
  const wanted = allClauses.filter(
    (clause) => clause.concerns(contract) && (options.clauses === undefined || options.clauses.includes(clause.id)),
  )
  const subject = await subjectFor(contract, {
    document: view.document,
    frames: options.frames ?? windowFrames(view),
    gestures: options.gestures ?? [],
    ...(options.hands === undefined ? {} : { hands: options.hands }),
    mountInto: (into) => options.mount?.(into) ?? elementMount({ into }),
    ...(options.mount === undefined ? { mountOn: (element: Element) => elementMount({ element }) } : {}),
    ...(options.onStep === undefined ? {} : { onStep: options.onStep }),
    ...(options.breaks === undefined ? {} : { breaks: options.breaks }),
  })
  if (!('unready' in subject)) for (const clause of wanted) foreseeFor(clause, subjectOf(clause, subject))
  const results: ClauseResult[] = []
  let explored: Promise<Explored> | undefined
  for (const clause of wanted)
    results.push(
      ...('unready' in subject
        ? [unproven(clause, subject.unready)]
        : await resultsOf(
            clause,
            subjectOf(clause, subject),
            () => (explored ??= exploreComponent(subject, seed, options.moves ?? 96)),
          )),
    )
  return {
    component: contract.tag,
    seed,
    clauses: results,
    ...('unready' in subject
      ? { unready: subject.unready }
      : (await isUnoperated(subject))
        ? { isUnoperated: true }
        : {}),
  }
}

function subjectOf({ asMounted }: Clause, subject: Subject): Subject {
  return asMounted === true ? (subject.asMounted ?? subject) : subject
}

/** The trails of a clause that are known before any is played. */
function foreseeFor(clause: Clause, subject: Subject): void {
  if (clause.examine !== undefined || closedBy(clause, subject) !== undefined) return
  const trails = clause.trails(subject)
  if (Symbol.iterator in trails) subject.foresee([...trails].slice(0, MOST_TRAILS))
}

/** Whether it has something to say to its owner, and nothing was found that brings it to. */
async function isUnoperated(subject: Subject): Promise<boolean> {
  const { values, events } = subject.contract
  if (Object.keys(values).length + Object.keys(events).length === 0 || subject.ways.length > 0) return false
  return (await editorsOf(subject)).every((one) => typeof one === 'string')
}

/** What is said of a clause for which nothing is tried here. */
function closedBy(clause: Clause, subject: Subject): ClauseResult | undefined {
  const waived = waiverOf(subject.contract.waives, clause.id, [])
  if (waived !== undefined) return { ...named(clause), status: 'waived', reason: waived, trails: 0 }
  if (clause.needsElement === true && subject.define === undefined)
    return { ...unproven(clause, 'It is no custom element.'), applies: false }
  const { needsForms = false } = clause
  const isOfForms = typeof needsForms === 'function' ? needsForms(subject) : needsForms
  if (isOfForms && asksForForms(subject) && !knowsForms(subject))
    return { ...unproven(clause, 'No element takes part in forms in this DOM.'), browserDecides: true }
  return undefined
}

/** What is found of one clause: one result, or one for each of its leaks, by the names that they are about. */
async function resultsOf(clause: Clause, subject: Subject, explored: () => Promise<Explored>): Promise<ClauseResult[]> {
  const closed = closedBy(clause, subject)
  if (closed !== undefined) return [closed]
  if (clause.examine !== undefined) return [examinedAs(clause, await examined(clause.examine, subject))]
  const leaks: BrokenClause[] = []
  const known: Told[] = []
  let trails = 0
  let asked = 0
  let silent: Silence | undefined
  const isWaived = ({ names }: Told) =>
    names.length > 0 && waiverOf(subject.contract.waives, clause.id, names) !== undefined
  for await (const { trail, isExplored } of trailsOf(clause, subject, explored)) {
    if (leaks.length >= MOST_LEAKS || (isExplored && leaks.length > 0)) break
    asked++
    const played = await subject.play(trail)
    const found = await judged(clause, subject, played)
    silent ??= found.silent
    if (found.leak === undefined) {
      if (clause.refusalHolds === true && played.rows.some(({ impossible }) => impossible !== undefined)) trails++
      if (found.silent === undefined && (await clause.proves?.(subject, played)) !== false) trails++
      continue
    }
    const told = toldOf(subject, played, found.leak)
    if (known.some((one) => isOneLeak(one, told)) || isWaived(told)) continue
    const hides = (tried: Played, leak: LeakAt) => {
      const other = toldOf(subject, tried, leak)
      return known.some((one) => isOneLeak(one, other)) && !isAboutOne(other, told)
    }
    const { played: shortest, leak } = await minimise(clause, subject, played, found.leak, hides)
    // A shorter trail may have shown something else: what this one was about still waits to be told.
    const shown = toldOf(subject, shortest, leak)
    known.push(shown, ...(isAboutOne(shown, told) ? [told] : []))
    if (isWaived(shown)) continue
    if (clause.seenOnce !== true && !(await isSeenAgain(clause, subject, shortest.trail))) {
      silent ??= { says: 'It flickers: what was wrong once was not when it was played again.' }
      continue
    }
    const { row, ...what } = leak
    if (
      leaks.some(
        ({ says, expected, found: came }) => says === what.says && expected === what.expected && came === what.found,
      )
    )
      continue
    leaks.push({ ...what, ledger: ledgerOf(subject.contract, shortest, row) })
  }
  if (leaks.length > 0)
    return leaks.map((leak) => ({ ...named(clause), status: 'broken', trails: trails + leaks.length, leak }))
  if (trails > 0) return [{ ...named(clause), status: 'held', trails }]
  if (silent !== undefined) return [{ ...unproven(clause, silent.says), ...(silent.needs && { needs: silent.needs }) }]
  const reason = clause.openBecause?.(subject) ?? clause.unprovenWhen
  return [{ ...unproven(clause, reason), ...(asked === 0 ? { applies: false as const } : {}) }]
}

/** What was told of a clause: in which words, of which names. */
interface Told {
  readonly names: readonly string[]
  readonly says: string
}

/** Whether two leaks of a clause are one: the same words but for their numbers, of a name that they share. */
function isOneLeak(one: Told, other: Told): boolean {
  const words = (says: string) => says.replace(/:.*$|["“][^"”]*["”]|-?\d[\d.]*/g, '')
  return words(one.says) === words(other.says) && isAboutOne(one, other)
}

function isAboutOne(one: Told, other: Told): boolean {
  return one.names.length + other.names.length === 0 || one.names.some((name) => other.names.includes(name))
}

/** What is said of a component has been seen twice. */
async function isSeenAgain(clause: Clause, subject: Subject, trail: Trail): Promise<boolean> {
  return (await judged(clause, subject, await subject.playAnew(trail))).leak !== undefined
}

function toldOf(subject: Subject, played: Played, leak: LeakAt): Told {
  return { names: namesOf(subject, played, leak), says: leak.says }
}

/** The names that a leak is about: what was told there, else what was reported, else what the words name. */
function namesOf({ names }: Subject, { rows }: Played, { row, says, expected, found }: LeakAt): string[] {
  const at = rows[row]
  if (isTell(at?.move)) return Object.keys(at.move.tell).sort()
  const heard = at?.heard.flatMap(({ value }) => (value === undefined ? [] : [value])) ?? []
  const words = new Set(`${says} ${expected} ${found}`.split(/[^\w$]+/))
  const about = heard.length > 0 ? heard : names.map(({ name }) => name).filter((name) => words.has(name))
  return [...new Set(about)].sort()
}

/** What a component throws while it is only looked at tells nothing of the clause; where it throws in a trail, a clause says so. */
async function examined(examine: NonNullable<Clause['examine']>, subject: Subject): Promise<Examined> {
  try {
    return await examine(subject)
  } catch (thrown) {
    return { unproven: `It throws (${messageOf(thrown)}).` }
  }
}

function examinedAs(clause: Clause, found: Examined): ClauseResult {
  if ('unproven' in found)
    return { ...unproven(clause, found.unproven), ...(found.applies === false ? { applies: false as const } : {}) }
  return 'held' in found
    ? { ...named(clause), status: 'held', trails: found.held }
    : { ...named(clause), status: 'broken', trails: 1, leak: found.leak }
}

/** The trails of its own first; then what was explored for all. */
async function* trailsOf(
  clause: Clause,
  subject: Subject,
  explored: () => Promise<Explored>,
): AsyncIterable<{ trail: Trail; isExplored: boolean }> {
  let count = 0
  for await (const trail of clause.trails(subject)) if (count++ < MOST_TRAILS) yield { trail, isExplored: false }
  if (clause.random !== 'none') for (const trail of (await explored())[clause.random]) yield { trail, isExplored: true }
}

function unproven(clause: Clause, reason: string): ClauseResult {
  return { ...named(clause), status: 'unproven', reason, trails: 0 }
}

function named({ id, promise }: Clause): Pick<ClauseResult, 'clause' | 'promise'> {
  return { clause: id, promise }
}
