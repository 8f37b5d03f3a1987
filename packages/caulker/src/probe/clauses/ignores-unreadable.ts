import { accepts, equal, printed, type ValueClause } from '../../contract/index.js'
import { clause } from './clause.js'
import { gesture, isDone, settlesEdits } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'

/** A text that is no number. */
const UNREADABLE = 'oakum'

/** A text that cannot be read is not taken for some value. */
export const ignoresUnreadable = clause({
  id: 'ignores-unreadable',
  group: 'up',
  promise: 'A text that cannot be read as its number leaves the number as it was, or counts as an emptied field.',
  why: 'A slip of the finger becomes a 0, or half of what was typed, and nobody has entered either.',
  tried:
    'Into each field whose text is taken as a number, in whatever unit, a word is typed; then it is left, and entered.',
  unprovenWhen: 'No field was found whose text is taken as a number, or it takes no letters.',
  random: 'none',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.values<ValueClause>(values).some(isNumber),
  *trails(subject) {
    for (const [name, { given, control }] of fields(subject))
      for (const value of subject.plain(name).slice(0, 2)) {
        const typed = gesture({ do: 'type', on: control, text: UNREADABLE })
        yield { given: { ...given, [name]: value }, moves: [typed, gesture({ do: 'leave' })] }
        yield { given: { ...given, [name]: value }, moves: [typed, gesture({ do: 'enter', on: control })] }
      }
  },
  proves: (_, { rows }) => rows.length > 2 && rows[1]?.around.caret?.text === UNREADABLE,
  async judge(subject, { trail, rows }) {
    const [typed, ...others] = trail.moves
    const [first, , last] = rows
    if (!isDone(typed, 'type') || typed.gesture.text !== UNREADABLE || last === undefined) return undefined
    const { on } = typed.gesture
    const [name] = fields(subject).find(([, { control }]) => equal(control, on)) ?? []
    if (name === undefined || !settlesEdits(last.move)) return undefined
    const emptied = await subject.play({ ...trail, moves: [gesture({ do: 'type', on, text: '' }), ...others] })
    const now = last.read[name] ?? last.held[name]
    const empty = emptied.rows[emptied.rows.length - 1]
    if ([first.read[name], first.held[name], empty?.read[name], empty?.held[name]].some((one) => equal(one, now)))
      return undefined
    return {
      row: rows.length - 1,
      says: `a text that is no number is taken as ${name}`,
      expected: `${name} ${printed(first.read[name] ?? first.held[name])}`,
      found: `${name} ${printed(now)}`,
    }
  },
})

function isNumber({ type }: ValueClause): boolean {
  return accepts(type, 7) && !accepts(type, UNREADABLE)
}

/** Each number with one field whose text is taken as it. */
function fields({ ways, values }: Subject): [string, Way][] {
  const typed = ways.filter(({ control }) => control.kind === 'text field' || control.kind === 'combo box')
  return values.filter(isNumber).flatMap(({ name }): [string, Way][] => {
    // In other units than it is typed in, it is no less a number.
    const way =
      typed.find(({ plainly }) => typeof plainly.get(name) === 'number') ??
      typed.find(({ changes, text }) => changes.has(name) && text !== undefined && text !== '' && !isNaN(Number(text)))
    return way === undefined ? [] : [[name, way]]
  })
}
