import type { CommandClause, EventClause, PropertyClause, ReadingClause, SlotClause, ValueClause } from './clauses.js'
import { isWithin } from './compatible.js'
import { givenClauses, isValue, type AnyContract } from './contract.js'
import { contractToJson } from './json.js'
import { printed } from './print.js'
import { equal, typeText, type TSchema } from './types.js'

/** What the next version number has to say of a change: owners break, something is new, or neither. */
export type Weight = 'major' | 'minor' | 'patch'

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

/** The next version number: for 0.y.z a break raises y (Semantic Versioning 2.0.0, clause 4). */
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
  const said =
    (path: readonly string[]) =>
    (weight: Weight, says: string): Change => ({ contract: old.tag, path, weight, says })
  if (old.summary !== now.summary) yield said([])('patch', 'the summary is another')
  yield* compareNames(old, now, said)
  yield* compareSection(
    old.events,
    now.events,
    (name) => said(['events', name]),
    compareEvent,
    (event) => (event.mustHear ? ['major', 'is new and must be heard'] : ['minor', 'is new']),
    'the event',
  )
  yield* compareSection(
    old.commands,
    now.commands,
    (name) => said(['commands', name]),
    compareCommand,
    () => ['minor', 'is new'],
    'the command',
  )
  yield* compareSection(
    old.readings,
    now.readings,
    (name) => said(['readings', name]),
    compareReading,
    () => ['minor', 'is new'],
    'the reading',
  )
  yield* compareSection(
    old.slots,
    now.slots,
    (name) => said(['slots', name]),
    compareSlot,
    () => ['minor', 'is new'],
    'the slot',
  )
  if (old.form?.value !== now.form?.value)
    yield said(['form'])(
      old.form === undefined ? 'minor' : 'major',
      `the form value is ${now.form?.value ?? 'none'}, and was ${old.form?.value ?? 'none'}`,
    )
  else if (old.form?.requiredBy !== now.form?.requiredBy)
    yield said(['form'])(
      old.form?.requiredBy === undefined ? 'minor' : 'major',
      `the person is obliged by ${now.form?.requiredBy ?? 'nothing'}, and was by ${old.form?.requiredBy ?? 'nothing'}`,
    )
  if (old.problem !== now.problem)
    yield said(['problem'])(
      old.problem === undefined ? 'minor' : 'major',
      `messages are shown by ${now.problem ?? 'nothing'}, and were by ${old.problem ?? 'nothing'}`,
    )
  for (const lock of ['readonly', 'disabled'] as const)
    if (old.locks[lock] !== now.locks[lock])
      yield said(['locks', lock])(
        old.locks[lock] === undefined ? 'minor' : 'major',
        `${lock} is locked by ${now.locks[lock] ?? 'nothing'}, and was by ${old.locks[lock] ?? 'nothing'}`,
      )
  for (const clause of Object.keys(now.waives))
    if (!Object.hasOwn(old.waives, clause)) yield said(['waives', clause])('major', `'${clause}' is no longer promised`)
  for (const clause of Object.keys(old.waives))
    if (!Object.hasOwn(now.waives, clause)) yield said(['waives', clause])('minor', `'${clause}' is promised now`)
}

type Said = (weight: Weight, says: string) => Change

function* compareNames(old: AnyContract, now: AnyContract, said: (path: readonly string[]) => Said): Iterable<Change> {
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
    yield said(pathOf(clause))(
      'major',
      twin === undefined ? `'${clause.name}' is gone` : `'${clause.name}' is renamed to '${twin.name}'${report}`,
    )
  }
  for (const clause of added)
    yield said(pathOf(clause))(
      clause.required ? 'major' : 'minor',
      `'${clause.name}' is new${clause.required ? ', and its owner must supply it' : ''}`,
    )
  for (const clause of before) {
    const other = after.find((one) => one.name === clause.name)
    if (other !== undefined) yield* compareClause(clause, other, said(pathOf(other)))
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
    } = (sections[isValue(clause) ? 'values' : 'properties']?.[clause.name] ?? {}) as Record<string, unknown>
    return rest
  }
  return one.kind === other.kind && one.required === other.required && equal(bare(old, one), bare(now, other))
}

function* compareClause(old: PropertyClause, now: PropertyClause, said: Said): Iterable<Change> {
  const name = `'${old.name}'`
  if (old.kind !== now.kind)
    yield said(
      isValue(now) ? 'minor' : 'major',
      isValue(now) ? `${name} is a two-way value now` : `${name} is only a property now: its report is gone`,
    )
  if (old.required !== now.required)
    yield said(
      now.required ? 'major' : 'minor',
      now.required ? `${name} must be supplied now` : `${name} need not be supplied any more`,
    )
  yield* compareType(`${name} no longer takes`, `${name} takes`, old.type, now.type, said)
  if (!equal(old.default, now.default))
    yield said(
      'major',
      now.default === undefined
        ? `${name} has no default any more, and had ${printed(old.default)}`
        : `the default of ${name} is ${printed(now.default)}, and was ${printed(old.default)}`,
    )
  if (old.attribute !== now.attribute)
    yield said(
      old.attribute === false ? 'minor' : 'major',
      `the attribute of ${name} is ${String(now.attribute || 'none')}, and was ${String(old.attribute || 'none')}`,
    )
  if (old.reflects !== now.reflects)
    yield said(
      now.reflects ? 'minor' : 'major',
      `${name} ${now.reflects ? 'is reflected' : 'is no longer reflected'} to its attribute`,
    )
  if (old.label !== now.label || old.summary !== now.summary) yield said('patch', `the words on ${name} are others`)
  if (isValue(old) && isValue(now)) yield* compareValue(old, now, said)
}

function* compareValue(old: ValueClause, now: ValueClause, said: Said): Iterable<Change> {
  const name = `'${old.name}'`
  if (old.event !== now.event) yield said('major', `${name} reports with ${now.event}, and did with ${old.event}`)
  if (old.payloadAt !== now.payloadAt)
    yield said('major', `the report of ${name} carries its value at ${now.payloadAt}, and did at ${old.payloadAt}`)
  if (old.reports !== now.reports)
    yield said(
      now.reports === 'commit' ? 'major' : 'minor',
      now.reports === 'commit'
        ? `${name} reports only when an edit ends, and did with each edit`
        : `${name} reports each edit, and did only when one ended`,
    )
  const up = isWithin(now.type, old.type)
  if (up.answer === 'no')
    yield said('major', `${name} may report ${printed(up.witness)} now, which owners do not expect`)
  if (old.lastWord !== now.lastWord || old.accepts !== now.accepts)
    yield said('major', `who has the last word about ${name} has changed`)
  for (const part of ['bounds', 'step', 'outside', 'ordered', 'gap', 'applies', 'empty', 'resetTo'] as const)
    if (!equal(old[part], now[part]))
      yield said('major', `${part} of ${name} is ${printed(now[part])}, and was ${printed(old[part])}`)
  if (old.vetoEvent !== now.vetoEvent)
    yield said(
      old.vetoEvent === undefined ? 'minor' : 'major',
      now.vetoEvent === undefined
        ? `${name} no longer asks before it changes`
        : `${name} asks first with ${now.vetoEvent}`,
    )
  for (const part of ['blank', 'within'] as const)
    if (!equal(old[part], now[part]))
      yield said('minor', `${part} of ${name} is ${printed(now[part])}, and was ${printed(old[part])}`)
}

/** Down: an owner may tell all that it could tell before. */
function* compareType(narrowed: string, widened: string, old: TSchema, now: TSchema, said: Said): Iterable<Change> {
  const down = isWithin(old, now)
  if (down.answer === 'no') yield said('major', `${narrowed} ${printed(down.witness)}`)
  else if (down.answer === 'unknown')
    yield said('major', `${widened} ${typeText(now)} now: whether that holds all that it took cannot be told`)
  else if (isWithin(now, old).answer !== 'yes')
    yield said('minor', `${widened} ${typeText(now)} now, and took ${typeText(old)}`)
}

function* compareEvent(old: EventClause, now: EventClause, said: Said): Iterable<Change> {
  const name = `'${old.name}'`
  if (old.payload !== undefined || now.payload !== undefined) {
    const up =
      old.payload === undefined ? { answer: 'yes' as const } : isWithin(now.payload ?? ({} as TSchema), old.payload)
    if (up.answer === 'no')
      yield said('major', `${name} may carry ${printed(up.witness)} now, which owners do not expect`)
    if (up.answer === 'unknown') yield said('major', `${name} carries another type now`)
  }
  for (const flag of ['bubbles', 'composed', 'cancelable'] as const)
    if (old[flag] !== now[flag])
      yield said(now[flag] ? 'minor' : 'major', `${name} ${now[flag] ? 'is' : 'is no longer'} ${flag}`)
  if (old.mustHear !== now.mustHear)
    yield said(
      now.mustHear ? 'major' : 'minor',
      `${name} ${now.mustHear ? 'must be heard now' : 'need not be heard any more'}`,
    )
}

function* compareCommand(old: CommandClause, now: CommandClause, said: Said): Iterable<Change> {
  if (old.effect !== now.effect)
    yield said('major', `the effect of '${old.name}' is ${now.effect ?? 'none'}, and was ${old.effect ?? 'none'}`)
  if (old.reports !== now.reports)
    yield said('major', `'${old.name}' ${now.reports ? 'reports' : 'no longer reports'} what it changes`)
  const taken = typeChange(old.takes, now.takes)
  if (taken !== undefined)
    yield said(taken, `what '${old.name}' takes is ${orNothing(now.takes)}, and was ${orNothing(old.takes)}`)
  const given = typeChange(now.gives, old.gives)
  if (given !== undefined)
    yield said(given, `what '${old.name}' gives is ${orNothing(now.gives)}, and was ${orNothing(old.gives)}`)
}

function* compareReading(old: ReadingClause, now: ReadingClause, said: Said): Iterable<Change> {
  const weight = typeChange(now.type, old.type)
  if (weight !== undefined)
    yield said(weight, `'${old.name}' reads as ${typeText(now.type)}, and did as ${typeText(old.type)}`)
}

function* compareSlot(old: SlotClause, now: SlotClause, said: Said): Iterable<Change> {
  const gone = (old.holds ?? []).filter((tag) => now.holds !== undefined && !now.holds.includes(tag))
  if (gone.length > 0 || (old.holds === undefined && now.holds !== undefined))
    yield said('major', `the slot '${old.name}' no longer holds ${gone.length > 0 ? gone.join(', ') : 'just anything'}`)
  else if (!equal(old.holds, now.holds)) yield said('minor', `the slot '${old.name}' holds more`)
}

/** What it weighs that the second type stands where the first did: nothing is lost if all of the first is within it. */
function typeChange(narrow: TSchema | undefined, wide: TSchema | undefined): Weight | undefined {
  if (narrow === undefined || wide === undefined) return narrow === wide ? undefined : 'major'
  if (isWithin(narrow, wide).answer !== 'yes') return 'major'
  return isWithin(wide, narrow).answer === 'yes' ? undefined : 'minor'
}

function orNothing(type: TSchema | undefined): string {
  return type === undefined ? 'nothing' : typeText(type)
}

function* compareSection<C>(
  before: Readonly<Record<string, C>>,
  after: Readonly<Record<string, C>>,
  said: (name: string) => Said,
  compare: (old: C, now: C, said: Said) => Iterable<Change>,
  added: (clause: C) => [Weight, string],
  what: string,
): Iterable<Change> {
  for (const [name, old] of Object.entries(before)) {
    const now = Object.hasOwn(after, name) ? after[name] : undefined
    if (now === undefined) yield said(name)('major', `${what} '${name}' is gone`)
    else yield* compare(old, now, said(name))
  }
  for (const [name, now] of Object.entries(after)) {
    const [weight, says] = added(now)
    if (!Object.hasOwn(before, name)) yield said(name)(weight, `${what} '${name}' ${says}`)
  }
}

function pathOf(clause: PropertyClause): string[] {
  return [isValue(clause) ? 'values' : 'properties', clause.name]
}
