import type { PropertyClause } from './clauses.js'
import { asContract, givenClauses, isValue, sectionsOf, type AnyContract } from './contract.js'
import { equal } from './data/types.js'
import { contractToJson } from './json.js'
import { refused } from './refuse.js'
import { changesBy, SECTIONS, WHOLE, type Said, type Table, type Weight } from './table/index.js'

export type { Weight }

/** One difference between two versions of a contract, as an owner notices it. */
export interface Change {
  readonly contract: string
  /** The section and the name that changed, such as `values`, `bales`; nothing for the contract itself. */
  readonly path: readonly string[]
  readonly weight: Weight
  readonly says: string
}

/**
 * Compares two versions of a set of contracts: what breaks the owners of the older one, and what does not.
 *
 * @example
 * ```ts
 * import { compareContracts, contract, Type } from 'caulker'
 * const before = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
 * const after = contract('chain-winch', { values: { rounds: { type: Type.Integer(), default: 0 } } })
 * const [change] = compareContracts([before], [after])
 * console.assert(change?.weight === 'major' && change.says.startsWith("'turns' is renamed to 'rounds'"))
 * ```
 */
export function compareContracts(before: readonly AnyContract[], after: readonly AnyContract[]): Change[] {
  for (const list of [before, after]) {
    if (!Array.isArray(list)) refused('compareContracts', 'two lists of contracts, such as [before] and [now]', list)
    for (const one of list) asContract('compareContracts', one)
  }
  const changes: Change[] = []
  for (const old of before) {
    const now = after.find((one) => one.tag === old.tag)
    if (now === undefined) changes.push({ contract: old.tag, path: [], weight: 'major', says: `'${old.tag}' is gone` })
    else changes.push(...compareContract(old, now))
  }
  for (const now of after)
    if (!before.some((one) => one.tag === now.tag))
      changes.push({ contract: now.tag, path: [], weight: 'minor', says: `'${now.tag}' is new` })
  return changes
}

/**
 * The next version number: for 0.y.z a break raises y (Semantic Versioning 2.0.0, clause 4).
 *
 * @example
 * ```ts
 * import { nextVersion } from 'caulker'
 * console.assert(nextVersion('1.4.2', [{ contract: 'chain-winch', path: [], weight: 'minor', says: 'is new' }]) === '1.5.0')
 * ```
 */
export function nextVersion(version: string, changes: readonly Change[]): string {
  const [major = 0, minor = 0, patch = 0] = version.split(/[.+-]/).map(Number)
  const heaviest = weightOf(changes)
  if (heaviest === undefined) return version
  if (heaviest === 'major' && major > 0) return `${major + 1}.0.0`
  if (heaviest === 'major' || (heaviest === 'minor' && major > 0)) return `${major}.${minor + 1}.0`
  return `${major}.${minor}.${patch + 1}`
}

export function weightOf(changes: readonly Change[]): Weight | undefined {
  return (['major', 'minor', 'patch'] as const).find((weight) => changes.some((change) => change.weight === weight))
}

function* compareContract(old: AnyContract, now: AnyContract): Iterable<Change> {
  const saidAt =
    (...path: string[]) =>
    ([weight, says]: Said): Change => ({ contract: old.tag, path, weight, says })
  for (const said of WHOLE.summary.changed(old.summary, now.summary, '').filter(() => old.summary !== now.summary))
    yield saidAt()(said)
  yield* compareGiven(old, now, saidAt)
  const others = new Map(sectionsOf(now).map(({ section, clauses }) => [section, clauses]))
  for (const { section, its, clauses: before } of sectionsOf(old)) {
    if (section === 'properties' || section === 'values') continue
    const after = others.get(section) ?? {}
    for (const [name, clause] of Object.entries(before)) {
      const other = Object.hasOwn(after, name) ? after[name] : undefined
      if (other === undefined) yield saidAt(section, name)(['major', `${its.word} '${name}' is gone`])
      else for (const said of changesBy(its.table, clause, other, `'${name}'`)) yield saidAt(section, name)(said)
    }
    for (const [name, clause] of Object.entries(after))
      if (!Object.hasOwn(before, name)) {
        const [weight, says] = its.added(clause)
        yield saidAt(section, name)([weight, `${its.word} '${name}' ${says}`])
      }
  }
  for (const [key, entry] of Object.entries<Table[string]>(WHOLE)) {
    const [before, after] = [old[key as 'form'], now[key as 'form']]
    if (key !== 'summary' && !equal(before, after))
      for (const said of entry.changed(before, after, '')) yield saidAt(key)(said)
  }
}

type SaidAt = (...path: string[]) => (said: Said) => Change

/** Properties and values together: a name may be renamed, or go from one to the other. */
function* compareGiven(old: AnyContract, now: AnyContract, saidAt: SaidAt): Iterable<Change> {
  const [before, after] = [givenClauses(old), givenClauses(now)]
  const gone = before.filter((clause) => !after.some((one) => one.name === clause.name))
  const added = after.filter((clause) => !before.some((one) => one.name === clause.name))
  for (const clause of gone) {
    const twin = added.find((one) => isRenamed(old, clause, now, one))
    if (twin !== undefined) added.splice(added.indexOf(twin), 1)
    const report =
      isValue(clause) && twin !== undefined && isValue(twin) && clause.event !== twin.event
        ? `, and its report from ${clause.event} to ${twin.event}`
        : ''
    yield saidAt(...pathOf(clause))([
      'major',
      twin === undefined ? `'${clause.name}' is gone` : `'${clause.name}' is renamed to '${twin.name}'${report}`,
    ])
  }
  for (const clause of added) {
    const [weight, says] = SECTIONS[sectionOf(clause)].added(clause as never)
    yield saidAt(...pathOf(clause))([weight, `'${clause.name}' ${says}`])
  }
  for (const clause of before) {
    const other = after.find((one) => one.name === clause.name)
    if (other !== undefined) for (const said of compareClause(clause, other)) yield saidAt(...pathOf(other))(said)
  }
}

/** The same clause under another name: all that follows from the name may differ. */
function isRenamed(old: AnyContract, one: PropertyClause, now: AnyContract, other: PropertyClause): boolean {
  const bare = (of: AnyContract, clause: PropertyClause) => {
    const sections = contractToJson(of) as Record<string, Record<string, object> | undefined>
    const {
      event: _,
      label: __,
      attribute: ___,
      ...rest
    } = (sections[sectionOf(clause)]?.[clause.name] ?? {}) as Record<string, unknown>
    return rest
  }
  return one.kind === other.kind && one.required === other.required && equal(bare(old, one), bare(now, other))
}

function* compareClause(old: PropertyClause, now: PropertyClause): Iterable<Said> {
  const name = `'${old.name}'`
  if (old.kind !== now.kind)
    yield isValue(now)
      ? ['minor', `${name} is a two-way value now`]
      : ['major', `${name} is only a property now: its report is gone`]
  if (old.required !== now.required)
    yield now.required ? ['major', `${name} must be supplied now`] : ['minor', `${name} need not be supplied any more`]
  const both = isValue(old) && isValue(now) ? SECTIONS.values.table : SECTIONS.properties.table
  const said = new Set<string>()
  for (const [weight, says] of changesBy(both, old as never, now as never, name))
    // Two clauses may mean one thing for owners.
    if (!said.has(says)) {
      said.add(says)
      yield [weight, says]
    }
}

function sectionOf(clause: PropertyClause): 'properties' | 'values' {
  return isValue(clause) ? 'values' : 'properties'
}

function pathOf(clause: PropertyClause): string[] {
  return [sectionOf(clause), clause.name]
}
