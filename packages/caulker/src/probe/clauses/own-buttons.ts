import { accepts, equal, printed, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { controlRefs, isOperable, type ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import { isOffered } from '../subject/among.js'
import { onceFor } from '../subject/once-for.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { listIn, listsOf, someEntries } from './lists.js'

/** A button that is there only for one entry of a list, on a mount with two of them. */
export interface Own {
  readonly value: ValueClause
  readonly entry: unknown
  readonly trail: Trail
}

/** The buttons that come up with each entry of a list: of two entries, the same button of the one and of the other. */
export const ownButtons = onceFor(lookForOwn)

async function lookForOwn(subject: Subject): Promise<(readonly [Own, Own])[]> {
  const pairs: (readonly [Own, Own])[] = []
  for (const value of listsOf(subject)) {
    const two = someEntries(subject, value, 2)
    if (two === undefined) continue
    const { given } = two
    for (const entries of [two.entries, ...namesakes(subject, value, given, two.entries)])
      pairs.push(...(await pairsOf(subject, value, given, entries)))
  }
  return pairs
}

/** Looks for the buttons that entries of a list bring along: those whose name is not there without any. */
export async function entryButtons(subject: Subject, { name }: ValueClause, given: Given) {
  const buttonsWith = async (list: readonly unknown[]) =>
    (await subject.look({ ...given, [name]: list }, (container) =>
      controlRefs(container).flatMap(({ ref, element }) =>
        ref.kind === 'button' ? [{ ref, isOff: !isOperable(element) }] : [],
      ),
    )) ?? []
  const usual = (await buttonsWith([])).map(({ ref }) => uncounted(ref.label))
  return async (entries: readonly unknown[]) =>
    (await buttonsWith(entries)).filter(({ ref }) => !usual.includes(uncounted(ref.label)))
}

/** A button that says how many entries there are is the same whatever their number. */
function uncounted(label: string): string {
  return /[^\d\s]/.test(label) ? label.replace(/\d+/g, '0') : label
}

async function pairsOf(
  subject: Subject,
  value: ValueClause,
  given: Given,
  entries: readonly unknown[],
): Promise<(readonly [Own, Own])[]> {
  const buttonsOf = await entryButtons(subject, value, given)
  const [one, both] = [await buttonsOf([entries[0]]), await buttonsOf(entries)].map((all) => all.map(({ ref }) => ref))
  if (one === undefined || both === undefined) return []
  // As many again with the second entry: what takes out all of them, or the last, is there once.
  if (one.length === 0 || one.length > MOST_OWN || both.length !== 2 * one.length) return []
  const pressAt = (on: ControlRef, entry: unknown): Own => ({
    value,
    entry,
    trail: { given: { ...given, [value.name]: entries }, moves: [gesture({ do: 'press', on })] },
  })
  return both
    .slice(0, one.length)
    .map((on, at) => [pressAt(on, entries[0]), pressAt(both[one.length + at] as ControlRef, entries[1])] as const)
}

/** Two entries that are alike but for the key that tells them apart. */
function namesakes(subject: Subject, value: ValueClause, given: Given, [one, other]: readonly unknown[]): unknown[][] {
  if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null) return []
  const key = KEYS.find((name) => Object.hasOwn(one, name) && Object.hasOwn(other, name))
  if (key === undefined) return []
  const entries = [one, { ...one, [key]: (other as Record<string, unknown>)[key] }]
  const isFit = accepts(value.type, entries) && isOffered(value, subject.names, given, entries)
  return isFit ? [entries] : []
}

const KEYS = ['id', 'key']

const MOST_OWN = 3

/** Whether a trail takes an entry out by a button of its own. */
export async function takenOut(subject: Subject, played: Played): Promise<boolean> {
  const own = await ownAt(subject, played)
  return own !== undefined && listAfter(own.own, played).length < 2
}

/** One entry's button takes out that entry, and no other. */
export async function takenOutWith(subject: Subject, played: Played): Promise<LeakAt | undefined> {
  const at = await ownAt(subject, played)
  if (at === undefined) return undefined
  const { own, other } = at
  const left = listAfter(own, played)
  const leftByOther = listAfter(other, await subject.play(other.trail))
  const { name } = own.value
  // What takes out the other one, and not its own, goes by a wrong place, unless each keeps only its own.
  const isCrossed = equal(left, [own.entry]) && equal(leftByOther, [other.entry])
  if (
    (equal(left, [own.entry]) && leftByOther.length > 1) ||
    (isCrossed && (await takesOneOfThree(subject, own.value)))
  )
    return {
      row: 1,
      says: `the button of one entry of ${name} takes out another`,
      expected: `${name} without ${printed(own.entry)}`,
      found: `${name} ${printed(left)}`,
      cause: 'the place of an entry is not what its button goes by',
    }
  // Both have to take something out: one may move an entry, or open it.
  if (left.length > 1 || leftByOther.length > 1) return undefined
  if (left.length === 0)
    return {
      row: 1,
      says: `the button of one entry takes all of ${name} out`,
      expected: `one entry left in ${name}`,
      found: `${name} ${printed(left)}`,
    }
  const [entry] = left
  // Of two that come to the same, the one whose own entry is left is wrong.
  if (!equal(left, leftByOther) || !equal(entry, own.entry)) return undefined
  return {
    row: 1,
    says: `the buttons of two entries of ${name} take out the same one`,
    expected: `${name} without ${printed(entry)}`,
    found: `${name} ${printed(left)}, as after the other button`,
    cause: 'the place of an entry is not what its button goes by',
  }
}

/** What changes another entry than its own, and the button of that one changes it too: both go by one place. */
export async function changesAnother(subject: Subject, played: Played): Promise<LeakAt | undefined> {
  const at = await ownAt(subject, played)
  if (at === undefined) return undefined
  const { own, other } = at
  const [after, afterOther] = [listAfter(own, played), listAfter(other, await subject.play(other.trail))]
  const stands = (list: readonly unknown[], entry: unknown) => list.some((one) => equal(one, entry))
  const isMade = (list: readonly unknown[]) =>
    list.length === 2 && stands(list, own.entry) && !stands(list, other.entry)
  // What moves an entry leaves both as they are.
  if (equal(own.entry, other.entry) || !isMade(after) || !isMade(afterOther)) return undefined
  const { name } = own.value
  const changed = after.find((one) => !equal(one, own.entry))
  return {
    row: 1,
    says: `the button of one entry of ${name} changes another`,
    expected: `${name} with another ${printed(own.entry)}`,
    found: `${name} with ${printed(changed)} in place of ${printed(other.entry)}, as after the other button`,
    cause: 'the place of an entry is not what its button goes by',
  }
}

/** Of three entries the button of the first leaves its own, and one more. */
async function takesOneOfThree(subject: Subject, value: ValueClause): Promise<boolean> {
  const three = someEntries(subject, value, 3)
  const [first, , ...others] =
    three === undefined ? [] : await (await entryButtons(subject, value, three.given))(three.entries)
  if (three === undefined || first === undefined || others.length === 0) return false
  const given = { ...three.given, [value.name]: three.entries }
  const row = (await subject.play({ given, moves: [gesture({ do: 'press', on: first.ref })] })).rows[1]
  const left = listIn(row?.read[value.name] ?? row?.held[value.name])
  return left.length === 2 && left.some((entry) => equal(entry, three.entries[0]))
}

async function ownAt(subject: Subject, { trail, rows }: Played): Promise<{ own: Own; other: Own } | undefined> {
  const [move] = trail.moves
  if (!isDone(move, 'press') || rows[1] === undefined) return undefined
  for (const pair of await ownButtons(subject))
    for (const own of pair) if (equal(own.trail, trail)) return { own, other: own === pair[0] ? pair[1] : pair[0] }
  return undefined
}

function listAfter({ value, trail }: Own, { rows }: Played): readonly unknown[] {
  const row = rows[trail.moves.length]
  const list = row?.read[value.name] ?? row?.held[value.name]
  return Array.isArray(list) ? list : listIn(trail.given[value.name])
}
