import type { LocatedFinding } from './model.js'

/** Findings that one change mends. */
export type Cause = readonly [LocatedFinding, ...LocatedFinding[]]

const LEVELS = ['error', 'warning', 'note']

/**
 * Findings by what causes them: those of one rule that are mended in the same way, and those of different rules at the very same place.
 * The heaviest come first, then file by file.
 */
export function causesOf(findings: readonly LocatedFinding[]): Cause[] {
  const alike = grouped(findings, ({ rule, level, mend }) => [rule, level, mend].join('\n'))
  const [alone, several] = [alike.filter(({ length }) => length === 1), alike.filter(({ length }) => length > 1)]
  const atOnePlace = grouped(alone.flat(), (finding) => placeOf(finding) ?? [finding.rule, finding.subject].join('\n'))
  return [...several, ...atOnePlace]
    .map((group) => group.sort(byWeight) as unknown as Cause)
    .sort(([one], [other]) => byWeight(one, other))
}

function grouped(findings: readonly LocatedFinding[], keyOf: (finding: LocatedFinding) => string): LocatedFinding[][] {
  const groups = new Map<string, LocatedFinding[]>()
  for (const finding of findings) {
    const key = keyOf(finding)
    groups.set(key, [...(groups.get(key) ?? []), finding])
  }
  return [...groups.values()]
}

function byWeight(one: LocatedFinding, other: LocatedFinding): number {
  return (
    LEVELS.indexOf(one.level) - LEVELS.indexOf(other.level) ||
    (one.file ?? '').localeCompare(other.file ?? '') ||
    (one.line ?? 0) - (other.line ?? 0) ||
    (one.column ?? 0) - (other.column ?? 0)
  )
}

/** `screens/berth.screen.ts:12:5`, as terminals and editors open it. */
export function placeOf({ file, line, column }: Pick<LocatedFinding, 'file' | 'line' | 'column'>): string | undefined {
  if (file === undefined) return undefined
  return line === undefined ? file : `${file}:${line}:${column ?? 1}`
}
