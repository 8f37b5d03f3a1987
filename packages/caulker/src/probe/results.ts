import { messageOf } from '../words/index.js'
import { waiverOf } from '../contract/index.js'
import type { BrokenClause, Clause, Examined, LeakAt } from './clauses/clause.js'
import { judged, type Silence } from './judge.js'
import type { LaidOut } from './laid-out.js'
import { minimise } from './minimise.js'
import { ledgerOf } from './stage/ledger.js'
import type { Played } from './stage/played.js'
import { isTell, type Trail } from './stage/trail.js'
import { asksForForms, knowsForms } from './subject/forms.js'
import type { Subject } from './subject/subject.js'

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

/** How many leaks of one clause are told. */
const MOST_LEAKS = 4

/** What is said of a clause for which nothing is tried here. */
export function closedBy(clause: Clause, subject: Subject): ClauseResult | undefined {
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
export async function resultsOf(clause: Clause, subject: Subject, laidOut: LaidOut): Promise<ClauseResult[]> {
  if (clause.examine !== undefined) return [examinedAs(clause, await examined(clause.examine, subject))]
  const leaks: BrokenClause[] = []
  const known: Told[] = []
  let trails = 0
  let asked = 0
  let silent: Silence | undefined
  const isWaived = ({ names }: Told) =>
    names.length > 0 && waiverOf(subject.contract.waives, clause.id, names) !== undefined
  for await (const { trail, isExplored } of laidOut.of(clause)) {
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

export function unproven(clause: Clause, reason: string): ClauseResult {
  return { ...named(clause), status: 'unproven', reason, trails: 0 }
}

function named({ id, promise }: Clause): Pick<ClauseResult, 'clause' | 'promise'> {
  return { clause: id, promise }
}
