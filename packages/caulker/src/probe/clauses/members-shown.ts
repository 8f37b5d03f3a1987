import { accepts, equal, printed, valueAt, type TSchema, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { pictureText, samePicture, type Picture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import { withAFlagTurned } from '../subject/other-mounts.js'
import type { Subject } from '../subject/subject.js'
import { withPart } from './beside.js'
import type { LeakAt } from './clause.js'
import { isRecord, listsOf, memberTypes, someEntries } from './lists.js'

/** How many members, and how many choices of each, are looked at. */
const MOST_MEMBERS = 4
const MOST_CHOICES = 5

/** A record with all the members that are known of it, and a list with two entries. */
export function* severalGiven(subject: Subject): Iterable<Trail> {
  for (const { given } of severalIn(subject)) yield { given, moves: [] }
}

interface Several {
  readonly given: Given
  readonly value: ValueClause
  /** The same without one of its parts, and with that part alone. */
  readonly parts: readonly { readonly says: string; readonly without: unknown; readonly alone: unknown }[]
}

function severalIn(subject: Subject): Several[] {
  const lists = listsOf(subject).flatMap((value): Several[] => {
    const two = someEntries(subject, value, 2)
    if (two === undefined) return []
    const [one, other] = two.entries
    const parts = [
      { says: printed(one, 40), without: [other], alone: [one] },
      { says: printed(other, 40), without: [one], alone: [other] },
    ]
    return [{ value, given: { ...two.given, [value.name]: two.entries }, parts }]
  })
  const records = subject.values.flatMap((value): Several[] => {
    const whole = Object.assign({}, ...subject.plain(value.name).filter(isRecord)) as Record<string, unknown>
    const members = Object.entries(whole).slice(0, MOST_MEMBERS)
    if (members.length < 2 || !mayStand(subject, value, whole)) return []
    const parts = members.map(([name, member]) => ({
      says: `${value.name}.${name}`,
      without: withPart(whole, [name], undefined),
      alone: { [name]: member },
    }))
    return [{ value, given: { ...subject.middle, [value.name]: whole }, parts }]
  })
  return [...lists, ...records]
}

/** Whether a mount is one of these, with what its contract has no sample of. */
export function isMadeUp(subject: Subject, given: Given): boolean {
  return severalIn(subject).some(
    ({ given: several, value: { name } }) =>
      equal(several, given) && !subject.plain(name).some((one) => equal(one, given[name])),
  )
}

/** Whether a flag of its own says that one is shown at a time: where it is turned over, it shows what was left out. */
async function showsBothByAFlag(
  subject: Subject,
  { given, value: { name } }: { readonly given: Given; readonly value: ValueClause },
  without: unknown,
): Promise<boolean> {
  for (const turned of withAFlagTurned(subject, given))
    if (
      !samePicture((await subject.fresh(turned)).picture, (await subject.fresh({ ...turned, [name]: without })).picture)
    )
      return true
  return false
}

/** What is shown by itself is not shown beside another. */
export async function unseenBeside(subject: Subject, { trail, rows: [row] }: Played): Promise<LeakAt | undefined> {
  const several = severalIn(subject).find(({ given }) => equal(given, trail.given))
  if (several === undefined || trail.moves.length > 0) return undefined
  const { value, parts } = several
  const pictureOf = async (one: unknown) => (await subject.fresh({ ...trail.given, [value.name]: one })).picture
  for (const { says, without, alone } of parts) {
    const nothing = value.empty ?? value.default
    if (![without, alone, nothing].every((one) => one !== undefined && mayStand(subject, value, one))) continue
    if (!samePicture(await pictureOf(without), row.picture)) continue
    if (samePicture(await pictureOf(alone), await pictureOf(nothing))) continue
    if (await showsBothByAFlag(subject, several, without)) continue
    return {
      row: 0,
      says: `${says} is shown by itself, and not beside another`,
      expected: `another picture than with ${value.name} ${printed(without, 60)}`,
      found: 'the same',
    }
  }
  return undefined
}

/** Of the choices that a value, or a member of one, may have, two look alike, and another does not. */
export async function choicesAlike(subject: Subject, { trail }: Played): Promise<LeakAt | undefined> {
  if (trail.moves.length > 0 || !equal(trail.given, subject.middle)) return undefined
  for (const value of subject.values)
    for (const { path, choices } of choicesOf(value, trail.given[value.name])) {
      const fitting = choices
        .map((choice) => ({ choice, whole: withPart(trail.given[value.name], path, choice) }))
        .filter(({ whole }) => mayStand(subject, value, whole))
      const pictures = new Map<unknown, Picture>()
      for (const { choice, whole } of fitting)
        pictures.set(choice, (await subject.fresh({ ...trail.given, [value.name]: whole })).picture)
      const seen = [...pictures]
      const [first, ...others] = seen
      if (first === undefined || seen.length < 3 || others.every(([, one]) => samePicture(one, first[1]))) continue
      for (const [at, [choice, picture]] of seen.entries()) {
        const like = seen.slice(at + 1).find(([, one]) => samePicture(one, picture))
        if (like === undefined) continue
        const name = [value.name, ...path].join('.')
        return {
          row: 0,
          says: `${name} ${printed(choice)} and ${printed(like[0])} are shown alike`,
          expected: 'two pictures, as of others',
          found: 'the same',
        }
      }
    }
  return undefined
}

/** Of what a contract names as samples, a text is written where it is shown, and that of another is not. */
export async function sampleUnwritten(
  subject: Subject,
  { trail: { moves, given } }: Played,
): Promise<LeakAt | undefined> {
  if (moves.length > 0 || !equal(given, subject.middle)) return undefined
  for (const value of subject.values) {
    const samples = value.samples.filter((one) => mayStand(subject, value, one)).slice(0, MOST_CHOICES)
    const members = new Set(samples.flatMap((one) => (isRecord(one) ? Object.keys(one) : [])))
    for (const path of [[], ...[...members].map((member) => [member])]) {
      const texts = new Map(samples.map((one) => [valueAt(one, path), one]))
      const written = new Map<unknown, boolean>()
      for (const [text, whole] of texts)
        if (typeof text === 'string' && text !== '') {
          const { picture } = await subject.fresh({ ...given, [value.name]: whole })
          written.set(text, pictureText(picture).includes(text))
        }
      const unwritten = [...written].find(([, isWritten]) => !isWritten)
      if (unwritten === undefined || written.size < 3 || [...written.values()].filter(Boolean).length < 2) continue
      const name = [value.name, ...path].join('.')
      return {
        row: 0,
        says: `${name} ${printed(unwritten[0])} is written nowhere, and others are`,
        expected: printed(unwritten[0]),
        found: `with it, ${pictureText((await subject.fresh({ ...given, [value.name]: texts.get(unwritten[0]) })).picture)}`,
      }
    }
  }
  return undefined
}

function choicesOf({ type }: ValueClause, value: unknown): { path: readonly string[]; choices: readonly unknown[] }[] {
  const own = constantsOf(type)
  if (own.length > 0) return [{ path: [], choices: own }]
  if (!isRecord(value)) return []
  return Object.entries(memberTypes(type))
    .slice(0, MOST_MEMBERS)
    .map(([name, member]) => ({ path: [name], choices: constantsOf(member) }))
}

/** What a type names one by one; nothing of one that takes more. */
function constantsOf(type: TSchema): readonly unknown[] {
  const { enum: names, anyOf } = type as { readonly enum?: readonly unknown[]; readonly anyOf?: readonly TSchema[] }
  if (names !== undefined) return names.slice(0, MOST_CHOICES)
  const constants = (anyOf ?? []).map((one) => (one as { const?: unknown }).const)
  return constants.includes(undefined) ? [] : constants.slice(0, MOST_CHOICES)
}

function mayStand({ ideally, middle }: Subject, { name, type }: ValueClause, value: unknown): boolean {
  return accepts(type, value) && equal(ideally(name, { ...middle, [name]: value }), value)
}
