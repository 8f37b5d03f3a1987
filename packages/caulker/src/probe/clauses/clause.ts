import type { AnyContract } from '../../contract/index.js'
import type { LedgerRow } from '../stage/ledger.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'

/** One promise that a probe judges: declarative, one a file. */
export interface Clause {
  readonly id: string
  readonly group: 'down' | 'up' | 'both ways' | 'bounds' | 'reset and submit' | 'drafts' | 'life' | 'commands' | 'name'
  /** What a component promises, in one sentence. */
  readonly promise: string
  readonly why: string
  readonly tried: string
  readonly unprovenWhen: string
  /** Why it could not be tried on this component, where that is known better. */
  openBecause?(subject: Subject): string | undefined
  /** Whether a contract says anything that this clause is about. */
  concerns(contract: AnyContract): boolean
  /** The trails to try, shortest first. */
  trails(subject: Subject): Iterable<Trail> | AsyncIterable<Trail>
  /** Which trails of the shared exploration are judged too: those of tells only, any, or none. */
  readonly random: 'tells' | 'any' | 'none'
  /** Which moves are on trial: what a component throws at one of them breaks this clause. */
  readonly onTrial: 'mount' | 'tell' | 'gesture' | 'command' | 'page'
  /** Whether it is about the mount itself: then nothing that is lost there is told again. */
  readonly asMounted?: true
  /** Whether it is about a choice whose entry is gone, which says nothing of any other clause. */
  readonly judgesGone?: true
  /** Whether what breaks it may be seen only once on a page, such as what is kept beside the class. */
  readonly seenOnce?: true
  /** Whether a gesture that cannot be made is what was promised. */
  readonly refusalHolds?: boolean
  /** Whether it can only be tried on a custom element, and not through a mount of the user's own. */
  readonly needsElement?: boolean
  /** Whether it can only be tried where the platform knows elements that are associated with forms. */
  readonly needsForms?: boolean | ((subject: Subject) => boolean)
  /** Whether a trail that shows no leak is evidence for the clause; every trail is, where this is left out. */
  proves?(subject: Subject, played: Played): boolean | Promise<boolean>
  judge(subject: Subject, played: Played): Promise<LeakAt | undefined> | LeakAt | undefined
  /** For what no trail of one mount can show: looks for itself, and gives what it found. */
  examine?(this: void, subject: Subject): Promise<Examined>
}

/** What is wrong, in words and as a ledger. */
export interface BrokenClause {
  readonly says: string
  readonly expected: string
  readonly found: string
  readonly cause?: string
  /** The shortest trail that shows it. */
  readonly ledger: readonly LedgerRow[]
}

/** What an examination found: evidence, a leak with its ledger, or why it could not be told. */
export type Examined =
  { readonly held: number } | { readonly leak: BrokenClause } | { readonly unproven: string; readonly applies?: false }

/** The first leak of a trail: at which row, and what differs there. */
export interface LeakAt {
  readonly row: number
  readonly says: string
  readonly expected: string
  readonly found: string
  /** The likely cause, where the trail tells it. */
  readonly cause?: string
}

export function clause(made: Clause): Clause {
  return made
}
