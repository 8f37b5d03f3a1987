import { equal, isWritten, printed, type ValueClause } from '../../contract/index.js'
import { clause } from './clause.js'
import { gesture, isGesture, settlesEdits } from '../stage/trail.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'

/** An emptied field becomes what its contract says. */
export const emptiedAsSaid = clause({
  id: 'emptied-as-said',
  group: 'up',
  promise:
    'A field that is emptied and left becomes what its contract says: nothing, the default, or what stood before.',
  why: 'Who empties a number to type another one, and is called away, leaves a 0 that nobody has entered.',
  tried: 'Each field whose text is taken as the value is emptied and left, and emptied and entered.',
  unprovenWhen: 'No field was found whose text is taken as the value.',
  random: 'none',
  onTrial: 'gesture',
  concerns: (contract) =>
    Object.values<ValueClause>(contract.values).some(({ name }) => isWritten(contract, 'values', name, 'blank')),
  *trails(subject) {
    for (const { given, control, plainly } of fields(subject))
      for (const { name } of promised(subject).filter((value) => plainly.has(value.name)))
        for (const value of subject.plain(name).slice(0, 2)) {
          const from = { ...given, [name]: value }
          const emptied = gesture({ do: 'type', on: control, text: '' })
          yield { given: from, moves: [emptied, gesture({ do: 'leave' })] }
          yield { given: from, moves: [emptied, gesture({ do: 'enter', on: control })] }
        }
  },
  proves: (_, { rows: [, emptied, ended] }) => emptied?.around.caret?.text === '' && ended !== undefined,
  judge(subject, { trail, rows }) {
    const [emptied] = trail.moves
    const [first, , last] = rows
    if (!isGesture(emptied) || emptied.gesture.do !== 'type' || last === undefined || !settlesEdits(last.move))
      return undefined
    const { on } = emptied.gesture
    const way = fields(subject).find(({ control }) => equal(control, on))
    const value = promised(subject).find(({ name }) => way?.plainly.has(name))
    if (value === undefined) return undefined
    const wanted = becomes(value, first.read[value.name])
    const now = last.read[value.name] ?? last.held[value.name]
    if (now === undefined || equal(now, wanted)) return undefined
    return {
      row: rows.length - 1,
      says: `emptied, ${value.name} does not become ${WORDS[value.blank]}`,
      expected: `${value.name} ${printed(wanted)}`,
      found: `${value.name} ${printed(now)}`,
    }
  },
})

const WORDS: Readonly<Record<ValueClause['blank'], string>> = {
  empty: 'nothing',
  default: 'its default',
  previous: 'what stood before',
  refuse: 'what stood before, as what is turned down does',
}

function becomes({ blank, empty, default: usual }: ValueClause, before: unknown): unknown {
  return blank === 'empty' ? empty : blank === 'default' ? usual : before
}

/** The values whose contract itself says what an emptied one becomes. */
function promised({ contract, values }: Subject): ValueClause[] {
  return values.filter(({ name }) => isWritten(contract, 'values', name, 'blank'))
}

/** One way for each field that takes its text as such a value. */
function fields(subject: Subject): Way[] {
  const names = promised(subject).map(({ name }) => name)
  return oneAtEach(
    subject.ways.filter(({ control, plainly }) => isField(control) && names.some((name) => plainly.has(name))),
  )
}
