import { accepts, equal, isWritten, printed, valueAt, type ValueClause } from '../../contract/index.js'
import { cellsOf, stemOf, withPart } from './beside.js'
import { clause, type LeakAt } from './clause.js'
import { fieldText } from './field-text.js'
import { isMarkedInvalid } from './laws.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isDone, settlesEdits, type Trail } from '../stage/trail.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'

/** An emptied field becomes what its contract says. */
export const emptiedAsSaid = clause({
  id: 'emptied-as-said',
  group: 'up',
  promise:
    'A field that is emptied and left becomes what its contract says: nothing, the default, or what stood before; where it says none of them, one of them.',
  why: 'Who empties a number to type another one, and is called away, leaves a 0 that nobody has entered.',
  tried:
    'Each field whose text is taken as the value, or as a member of it, is emptied and left, and emptied and entered.',
  unprovenWhen: 'No field was found whose text is taken as the value, or the value cannot be nothing.',
  random: 'none',
  onTrial: 'gesture',
  concerns: (contract) =>
    Object.values<ValueClause>(contract.values).some(
      ({ name, empty, default: usual }) =>
        isWritten(contract, 'values', name, 'blank') || empty !== undefined || typeof usual === 'object',
    ),
  *trails(subject) {
    for (const way of fields(subject))
      for (const { name } of asked(subject).filter((value) => takes(subject, way, value)))
        for (const value of subject.plain(name).slice(0, 2))
          yield* emptied({ given: { ...way.given, [name]: value }, moves: [] }, way.control)
    for (const { given, control } of memberFields(subject)) yield* emptied({ given, moves: [] }, control)
  },
  proves: (_, { rows: [, emptiedRow, ended] }) => emptiedRow?.around.caret?.text === '' && ended !== undefined,
  async judge(subject, { trail, rows }) {
    const [typed] = trail.moves
    const last = rows[2]
    if (!isDone(typed, 'type') || last === undefined || !settlesEdits(last.move)) return undefined
    // A field of colours stands at one, whatever is taken out of it.
    if ((rows[1]?.around.caret?.text ?? '') !== '') return undefined
    const { on } = typed.gesture
    const way = fields(subject).find(({ control }) => equal(control, on))
    const value = asked(subject).find((one) => way !== undefined && takes(subject, way, one))
    if (value === undefined) return memberLeak(subject, { trail, rows })
    // One of several fields may hold only a part of it.
    const shown = await subject.lookAfter(trail.given, [], fieldText(on))
    if (subject.controls.filter(isField).length > 1 && shown !== String(rows[0].read[value.name])) return undefined
    const now = last.read[value.name] ?? last.held[value.name]
    if (now === undefined) return undefined
    // What else than the text of the field is in it, nobody has emptied.
    const isWhole = way?.plainly.has(value.name) === true || isPromised(subject, value)
    const wanted = isWhole ? becomes(subject, value, rows[0], trail) : [now]
    if (wanted.some((one) => equal(now, one))) return standsEmpty(subject, { trail, rows }, value, shown)
    return {
      row: 2,
      says: `emptied, ${value.name} does not become ${isPromised(subject, value) ? WORDS[value.blank] : NONE_SAID}`,
      expected: `${value.name} ${printed(wanted[0])}`,
      found: `${value.name} ${printed(now)}`,
    }
  },
})

/** What stood before stands still, and the field goes on showing nothing: a text that can be nothing was not taken. */
async function standsEmpty(
  subject: Subject,
  { trail, rows }: Played,
  { name, type, blank, applies }: ValueClause,
  shown: string | undefined,
): Promise<LeakAt | undefined> {
  const [typed] = trail.moves
  const before = rows[0].read[name]
  if (!isDone(typed, 'type') || !equal(rows[2]?.read[name], before) || !accepts(type, '')) return undefined
  const isTurnedDown = blank === 'refuse' || applies !== 'at-once' || isMarkedInvalid(rows[2] as Row)
  if (isTurnedDown || (shown ?? '') === '' || (await subject.lookAt(trail, fieldText(typed.gesture.on))) !== '')
    return undefined
  return {
    row: 2,
    says: `emptied and left, the field shows nothing, and ${name} is still what it was`,
    expected: `${name} ''`,
    found: `${name} ${printed(before)}`,
  }
}

function* emptied({ given }: Trail, on: Way['control']): Iterable<Trail> {
  const blank = gesture({ do: 'type', on, text: '' })
  yield { given, moves: [blank, gesture({ do: 'leave' })] }
  yield { given, moves: [blank, gesture({ do: 'enter', on })] }
}

/** A member of an object, or of an entry of a list, whose field was emptied: nothing, its default, or what stood before. */
async function memberLeak(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [typed] = trail.moves
  const way = memberFields(subject).find(
    ({ control, given }) => isDone(typed, 'type') && equal(control, typed.gesture.on) && equal(given, trail.given),
  )
  const last = rows[2]
  if (way === undefined || last === undefined || typed === undefined) return undefined
  const came = cellsOf(subject, (await subject.play({ given: way.given, moves: way.moves })).rows.at(-1) as Row)
  const [before, after] = [cellsOf(subject, rows[0]), cellsOf(subject, last)]
  const place = [...came].find(([at, value]) => String(value) === way.text && !equal(value, before.get(at)))?.[0]
  if (place === undefined) return undefined
  const { value, member } = stemOf(subject, place)
  if (value === undefined || !canBeNothing(value, member, rows[0])) return undefined
  const usual = valueAt(value.default, member.split('.'))
  const now = after.get(place)
  if ([undefined, null, '', usual, before.get(place)].some((one) => equal(one, now))) return undefined
  return {
    row: 2,
    says: `emptied, ${place} does not become ${NONE_SAID}`,
    expected: `${place} ${printed(usual)}`,
    found: `${place} ${printed(now)}`,
  }
}

function canBeNothing({ name, type }: ValueClause, member: string, { held }: Row): boolean {
  const path = member.split('.')
  return [undefined, null, ''].some((nothing) => accepts(type, withPart(held[name], path, nothing)))
}

const WORDS: Readonly<Record<ValueClause['blank'], string>> = {
  empty: 'nothing',
  default: 'its default',
  previous: 'what stood before',
  refuse: 'what stood before, as what is turned down does',
}
const NONE_SAID = 'nothing, nor its default, nor what stood before'

/** What it may become; where the contract says nothing of it, whatever it could have said, brought inside its bounds. */
function becomes(subject: Subject, value: ValueClause, { read }: Row, { given }: Trail): unknown[] {
  const { name, blank, empty, default: usual } = value
  const before = read[name]
  if (isPromised(subject, value)) return [blank === 'empty' ? empty : blank === 'default' ? usual : before]
  return [empty, usual, before, subject.ideally(name, { ...given, [name]: usual }), subject.limits(value, given).least]
}

function isPromised({ contract }: Subject, { name }: ValueClause): boolean {
  return isWritten(contract, 'values', name, 'blank')
}

/** The values whose contract says what an emptied one becomes, and those that can be nothing. */
function asked(subject: Subject): ValueClause[] {
  return subject.values.filter((value) => isPromised(subject, value) || value.empty !== undefined)
}

/** One way for each field that takes its text as such a value. */
function fields(subject: Subject): Way[] {
  const values = asked(subject)
  return oneAtEach(subject.ways.filter((way) => isField(way.control) && values.some((one) => takes(subject, way, one))))
}

/** Whether what is typed there is taken as a value: as it is, or, by the only field of the only value, in other units or another form. */
function takes(subject: Subject, { plainly, changes, text }: Way, value: ValueClause): boolean {
  if (plainly.has(value.name)) return true
  const isTheOnlyOne = subject.values.length === 1 && subject.controls.filter(isField).length === 1
  return isTheOnlyOne && changes.has(value.name) && text !== undefined && text !== ''
}

/** One way for each field that takes its text as a member of an object. */
function memberFields({ ways }: Subject): Way[] {
  return oneAtEach(
    ways.filter(
      ({ control, partly, moves }) =>
        isField(control) && partly.size > 0 && moves.length === 2 && isDone(moves[0], 'type'),
    ),
  ).slice(0, MOST_FIELDS)
}

const MOST_FIELDS = 4
