import type { ClauseResult } from '../../probe/index.js'
import type { ComponentReport } from './model.js'

/** One way in which a component leaks: every clause that the same trail, or the same thrown error, breaks. */
export type Cause = readonly [BrokenBy, ...BrokenBy[]]

export interface BrokenBy {
  readonly clause: string
  readonly promise: string
  readonly leak: NonNullable<ClauseResult['leak']>
}

/** The leaks of a component by cause, those first that break the most. */
export function causesOf({ clauses }: Pick<ComponentReport, 'clauses'>): Cause[] {
  const causes = new Map<string, [BrokenBy, ...BrokenBy[]]>()
  for (const { clause, promise, leak } of clauses) {
    if (leak === undefined) continue
    const key = keyOf(leak)
    const broken = { clause, promise, leak }
    const known = causes.get(key)
    if (known === undefined) causes.set(key, [broken])
    else known.push(broken)
  }
  return [...causes.values()]
}

/** What it throws is one thing, whatever brings it about; else the moves that show it are. */
function keyOf({ ledger, found }: BrokenBy['leak']): string {
  const thrown = ledger.map(({ component }) => component).find((text) => text.startsWith('throws: '))
  return thrown ?? `${ledger.map(({ step }) => step).join(' > ')} ${ledger.length === 1 ? found : ''}`
}
