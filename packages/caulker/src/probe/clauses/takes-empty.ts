import { accepts, equal, isValue, type PropertyClause } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { looksLikeAChoice, nothingChosen } from './nothing-chosen.js'
import { nothingGiven, nothingShownAsSome, someShownAsNothing } from './nothing-shown.js'
import type { Subject } from '../subject/subject.js'
import { behavesLikeFresh, followsOrdinaryTell, replacesTheEdit, updateEqualsRemount, showsAChange } from './laws.js'
import type { Played } from '../stage/played.js'
import { isGesture, isTell, tell } from '../stage/trail.js'
import { toldAsAWord } from './words-for-nothing.js'

/** Update equals remount, for nothing: null, '' and [] where the type has them, and "not given". */
export const takesEmpty = clause({
  id: 'takes-empty',
  group: 'down',
  promise: 'Its owner can clear it: told nothing, it looks as if it had been mounted with nothing.',
  why: 'A photo, a date or a choice that cannot be cleared from outside survives the reset of its screen and is sent with the next record.',
  tried:
    'Each name is told an ordinary value and then what is empty for it, or that it is no longer given; then it is operated. Of a few choices, of a count, and of what a field shows as it is, none must not look like one, and no word of code for nothing is shown.',
  unprovenWhen: 'No ordinary value of such a name can be made, or none of them can be seen.',
  random: 'tells',
  onTrial: 'tell',
  concerns: (contract) =>
    Object.values<PropertyClause>({ ...contract.properties, ...contract.values }).some(
      (one) => emptiesOf(one).length > 0,
    ),
  *trails(subject) {
    yield* nothingChosen(subject)
    yield* nothingGiven(subject)
    for (const named of subject.tellable)
      for (const empty of emptiesOf(named))
        for (const value of subject.plain(named.name).slice(0, 2))
          yield { given: { ...subject.base, [named.name]: value }, moves: [tell({ [named.name]: empty })] }
    // What a person has put in is cleared like anything else.
    for (const way of subject.chiefWays)
      for (const value of subject.tellable)
        if (way.changes.has(value.name))
          for (const empty of emptiesOf(value).slice(0, 1))
            yield { given: way.given, moves: [...way.moves, tell({ [value.name]: empty })] }
    // Cleared, it goes on as one does that was mounted with nothing.
    for (const way of subject.chiefWays.slice(0, MOST_WAYS))
      for (const value of subject.tellable)
        if (way.changes.has(value.name))
          for (const empty of emptiesOf(value).slice(0, 1))
            for (const plain of subject.plain(value.name).slice(0, 1))
              yield {
                given: { ...way.given, [value.name]: plain },
                moves: [tell({ [value.name]: empty }), ...way.moves],
              }
  },
  proves: async (subject, played) => showsAChange(played) && (await updateEqualsRemount(subject, played)) === undefined,
  async judge(subject, played) {
    if (played.trail.moves.length === 0)
      return (
        (await looksLikeAChoice(subject, played)) ??
        (await nothingShownAsSome(subject, played)) ??
        someShownAsNothing(subject, played)
      )
    const word = toldAsAWord(played, ({ tell: told }) =>
      Object.entries(told).some(([name, value]) => isEmptyOf(named(subject, name), value)),
    )
    if (word !== undefined) return word
    const leak = (await updateEqualsRemount(subject, played)) ?? (await replacesTheEdit(subject, played))
    if (leak === undefined) return goesOnOtherwise(subject, played)
    if (isToldAgain(played.rows, leak.row)) return undefined
    const told = played.rows[leak.row]?.move
    const cleared =
      told !== undefined && 'tell' in told
        ? Object.entries(told.tell).find(([name, value]) => isEmptyOf(named(subject, name), value))
        : undefined
    if (
      cleared === undefined ||
      !(await followsOrdinaryTell(subject, played.rows[leak.row - 1]?.held ?? {}, cleared[0]))
    )
      return undefined
    const { cause: _, ...what } = leak
    return {
      ...what,
      says: `${cleared[0]} cannot be cleared by its owner`,
      ...(leak.cause === undefined ? {} : { cause: 'an empty value is taken for "nothing was told"' }),
    }
  },
})

const MOST_WAYS = 4

/** After it was cleared the same gesture comes to something else than where nothing ever stood. */
async function goesOnOtherwise(subject: Subject, played: Played): Promise<LeakAt | undefined> {
  const [told, ...rest] = played.trail.moves
  if (!isTell(told) || rest.length === 0 || !rest.every(isGesture)) return undefined
  const unlike = await behavesLikeFresh(subject, played, 2)
  return unlike && { ...unlike, says: 'once cleared, the same gesture has another result than where nothing stood' }
}

/** What its owner holds already is told once more: what a person has begun may stand. */
function isToldAgain(rows: Played['rows'], at: number): boolean {
  const [before, row] = [rows[at - 1], rows[at]]
  if (before === undefined || !isTell(row?.move) || !isGesture(before.move)) return false
  return Object.entries(row.move.tell).every(
    ([name, value]) => equal(before.held[name], value) && equal(before.read[name], value),
  )
}

function named({ names }: Subject, name: string): PropertyClause | undefined {
  return names.find((one) => one.name === name)
}

function emptiesOf(named: PropertyClause): unknown[] {
  const empties =
    isValue(named) && named.empty !== undefined
      ? [named.empty]
      : [null, ''].filter((empty) => accepts(named.type, empty)).slice(0, 1)
  return named.required ? empties : [...empties, ...(named.default === undefined && !isValue(named) ? [] : [undefined])]
}

function isEmptyOf(named: PropertyClause | undefined, value: unknown): boolean {
  return (
    named !== undefined &&
    (value === undefined ||
      emptiesOf(named).some(
        (empty) => Object.is(empty, value) || (Array.isArray(empty) && Array.isArray(value) && value.length === 0),
      ))
  )
}
