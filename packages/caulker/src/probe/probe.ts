import type { AnyContract } from '../contract/index.js'
import { elementMount, rememberRoots } from '../dom/index.js'
import type { Clause } from './clauses/clause.js'
import { clauses as allClauses } from './clauses/index.js'
import { layOut } from './laid-out.js'
import { closedBy, resultsOf, unproven, type ClauseResult } from './results.js'
import { rememberStates } from './stage/form-state.js'
import { windowFrames, type Frames } from './stage/frames.js'
import { rememberListeners } from './person/areas.js'
import type { Hands } from './person/trusted.js'
import { refuseNamedGestures, type NamedGesture } from './person/named-gesture.js'
import type { Trail } from './stage/trail.js'
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

export interface ProbeReport {
  readonly component: string
  readonly seed: number
  readonly clauses: readonly ClauseResult[]
  /** Why it could not be judged at all, where it could not. */
  readonly unready?: string
  /** Where it is there for a person, and nothing was found that a person can do: most of what it promises was not tried. */
  readonly isUnoperated?: true
}

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
  const report = { component: contract.tag, seed }
  if ('unready' in subject)
    return { ...report, clauses: wanted.map((clause) => unproven(clause, subject.unready)), unready: subject.unready }
  const of = (clause: Clause) => (clause.asMounted === true ? (subject.asMounted ?? subject) : subject)
  const closed = new Map(wanted.map((clause) => [clause, closedBy(clause, of(clause))]))
  const isTried = (clause: Clause) => clause.examine === undefined && closed.get(clause) === undefined
  const tried = new Map(wanted.filter(isTried).map((clause) => [clause, of(clause)]))
  const laidOut = await layOut(tried, subject, seed, options.moves ?? 96)
  const clauses: ClauseResult[] = []
  for (const clause of wanted) {
    const result = closed.get(clause)
    clauses.push(...(result === undefined ? await resultsOf(clause, of(clause), laidOut) : [result]))
  }
  return { ...report, clauses, ...((await isUnoperated(subject)) ? { isUnoperated: true } : {}) }
}

/** Whether it has something to say to its owner, and nothing was found that brings it to. */
async function isUnoperated(subject: Subject): Promise<boolean> {
  const { values, events } = subject.contract
  if (Object.keys(values).length + Object.keys(events).length === 0 || subject.ways.length > 0) return false
  return (await editorsOf(subject)).every((one) => typeof one === 'string')
}
