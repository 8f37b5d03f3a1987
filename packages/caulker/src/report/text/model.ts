import type { Finding } from '../../check/index.js'
import type { Change, ContractJson } from '../../contract/index.js'
import type { ProbeReport } from '../../probe/index.js'
import type { PlayedLive } from '../../live/index.js'
import type { Explored, Move, PlayedScript, RehearsedRow } from '../../rehearse/index.js'

/** A file that could not be judged. */
export interface TroubleReport {
  readonly file: string
  readonly line?: number
  readonly column?: number
  readonly says: string
}

export interface CheckReport {
  readonly kind: 'check'
  readonly version: 1
  readonly contracts: number
  readonly screens: number
  readonly interiors: number
  readonly journeys: number
  readonly pages: number
  readonly findings: readonly LocatedFinding[]
  readonly troubles: readonly TroubleReport[]
}

/** A finding with the position of its subject in a file. */
export interface LocatedFinding extends Omit<Finding, 'place' | 'path' | 'isExact'> {
  readonly file?: string
  readonly line?: number
  readonly column?: number
}

export interface ProbesReport {
  readonly kind: 'probe'
  readonly version: 1
  readonly seed: number
  /** Where the probe ran: an embedded DOM, or a browser by name and version. */
  readonly ranIn: string
  readonly components: readonly ComponentReport[]
  readonly troubles: readonly TroubleReport[]
  /** The clauses that were asked, where not all were. */
  readonly only?: readonly string[]
  /** The components that were not judged, where the probe was ended before. */
  readonly left?: readonly string[]
}

export interface ComponentReport extends Omit<ProbeReport, 'seed'> {
  readonly file: string
  /** The command that plays its broken clauses again; the id of the clause goes to the end. */
  readonly replay: string
}

export interface CompareReport {
  readonly kind: 'compare'
  readonly version: 1
  /** The version number of the older side, if its package.json has one, and the least that the next one may be. */
  readonly from?: string
  readonly next?: string
  readonly changes: readonly LocatedChange[]
  readonly troubles: readonly TroubleReport[]
}

/** A change with the fittings that it hits. */
export interface LocatedChange extends Change {
  readonly hits: readonly {
    readonly screen: string
    readonly fitting: string
    readonly file?: string
    readonly line?: number
    readonly column?: number
  }[]
}

export interface SheetReport {
  readonly kind: 'sheet'
  readonly version: 1
  readonly contracts: readonly ContractJson[]
}

export interface AdoptReport {
  readonly kind: 'adopt'
  readonly version: 1
  readonly components: readonly AdoptedComponent[]
  readonly troubles: readonly TroubleReport[]
}

export interface AdoptedComponent {
  readonly component: string
  /** The modules that define it. */
  readonly modules: readonly string[]
  readonly contract: ContractJson
  /** What of the element is not in the contract, each with the reason. */
  readonly left: readonly string[]
}

export interface RehearseReport {
  readonly kind: 'rehearse'
  readonly version: 1
  readonly wirings: readonly RehearsedWiring[]
  readonly troubles: readonly TroubleReport[]
  /** The screens and journeys that were not rehearsed, where it was ended before. */
  readonly left?: readonly string[]
  readonly live?: LiveScripts
}

/** Scripts that were played on a page of live components, and where. */
export interface LiveScripts {
  readonly ranIn: string
  /** Each with the command that plays again what parted. */
  readonly scripts: readonly (PlayedLive & { readonly replay?: string })[]
}

/** What came of scripts, or of one trail. */
export interface PlayReport {
  readonly kind: 'play'
  readonly version: 1
  readonly scripts: readonly PlayedScript[]
  readonly troubles: readonly TroubleReport[]
  readonly live?: LiveScripts
}

/** What was found of one screen or journey. */
export interface RehearsedWiring extends Pick<
  Explored,
  'states' | 'passages' | 'depth' | 'ended' | 'left' | 'behind' | 'bounds'
> {
  readonly wiring: 'screen' | 'journey'
  readonly name: string
  readonly file: string
  readonly line?: number
  readonly column?: number
  readonly leaks: readonly RehearsedLeak[]
  readonly waived: readonly { readonly invariant: string; readonly reason: string }[]
  /** From how many kinds of states an end was looked for; nothing where there is no end. */
  readonly ends?: { readonly asked: number; readonly unknown: number }
  /** The command that plays a trail again; the trail goes to the end. */
  readonly replay: string
}

export interface RehearsedLeak {
  readonly invariant: string
  readonly title: string
  readonly says: string
  readonly mend: string
  readonly screen: string
  readonly file?: string
  readonly line?: number
  readonly column?: number
  readonly trail: readonly Move[]
  readonly ledger: readonly RehearsedRow[]
}

export interface Counts {
  readonly held: number
  readonly broken: number
  readonly unproven: number
  /** How many of the unproven a real browser would decide. */
  readonly browserDecides: number
  readonly waived: number
}

export function countClauses(components: readonly Pick<ComponentReport, 'clauses'>[]): Counts {
  const all = components.flatMap((component) => component.clauses)
  const count = (status: string) => all.filter((clause) => clause.status === status).length
  return {
    held: count('held'),
    // A clause may leak in more than one way.
    broken: components.reduce((sum, { clauses }) => sum + brokenIn(clauses), 0),
    unproven: count('unproven'),
    browserDecides: all.filter((clause) => clause.browserDecides === true).length,
    waived: count('waived'),
  }
}

function brokenIn(clauses: ComponentReport['clauses']): number {
  return new Set(clauses.filter(({ status }) => status === 'broken').map(({ clause }) => clause)).size
}
