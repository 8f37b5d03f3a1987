import { accepts, equal, printed, samplesOf, type ValueClause } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, settlesEdits, type Trail } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'

/** A text that is no number, and one that is no date, time or code. */
const UNREADABLE = 'oakum'
const NO_CODE = '?!'

/** A text that cannot be read is not taken for some value. */
export const ignoresUnreadable = clause({
  id: 'ignores-unreadable',
  group: 'up',
  promise:
    'A text that cannot be read as its number, date or code leaves what stood there as it was, or counts as an emptied field.',
  why: 'A slip of the finger becomes a 0, or half of what was typed, and nobody has entered either.',
  tried:
    'Into each field whose text is taken as a number, in whatever unit, a word is typed, and signs that say nothing into one of a date, a time or a code; then it is left, and entered; and a number is typed with a comma.',
  unprovenWhen: 'No field was found whose text is taken as a number, a date or a code, or it takes no such text.',
  random: 'none',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.values<ValueClause>(values).some((value) => isNumber(value) || isCode(value)),
  *trails(subject) {
    for (const [name, { given, control }] of fields(subject))
      for (const value of subject.plain(name).slice(0, 2)) {
        const typed = gesture({ do: 'type', on: control, text: unreadable(subject, name) })
        yield { given: { ...given, [name]: value }, moves: [typed, gesture({ do: 'leave' })] }
        yield { given: { ...given, [name]: value }, moves: [typed, gesture({ do: 'enter', on: control })] }
      }
    for (const [name, { given, control }] of fields(subject))
      for (const text of decimalsOf(subject, name))
        yield { given, moves: [gesture({ do: 'type', on: control, text }), gesture({ do: 'leave' })] }
  },
  proves: (_, { rows }) => rows.length > 2 && [UNREADABLE, NO_CODE].includes(rows[1]?.around.caret?.text ?? ''),
  async judge(subject, { trail, rows }) {
    const [typed, ...others] = trail.moves
    const [first, , last] = rows
    const cut = await cutAtComma(subject, trail, rows)
    if (cut !== undefined) return cut
    if (!isDone(typed, 'type') || last === undefined) return undefined
    const { on, text } = typed.gesture
    if (text !== UNREADABLE && text !== NO_CODE) return undefined
    const [name] = fields(subject).find(([, { control }]) => equal(control, on)) ?? []
    if (name === undefined || !settlesEdits(last.move)) return undefined
    const emptied = await subject.play({ ...trail, moves: [gesture({ do: 'type', on, text: '' }), ...others] })
    const now = last.read[name] ?? last.held[name]
    const empty = emptied.rows[emptied.rows.length - 1]
    if ([first.read[name], first.held[name], empty?.read[name], empty?.held[name]].some((one) => equal(one, now)))
      return undefined
    return {
      row: rows.length - 1,
      says: `a text that ${text === UNREADABLE ? 'is no number' : 'says nothing'} is taken as ${name}`,
      expected: `${name} ${printed(first.read[name] ?? first.held[name])}`,
      found: `${name} ${printed(now)}`,
    }
  },
})

function isNumber({ type }: ValueClause): boolean {
  return accepts(type, 7) && !accepts(type, UNREADABLE)
}

/** A date, a time or a code: a text of one form. */
function isCode({ type, samples }: ValueClause): boolean {
  return (
    !accepts(type, NO_CODE) && [...samplesOf(type), ...samples].some((one) => typeof one === 'string' && one !== '')
  )
}

function unreadable({ values }: Subject, name: string): string {
  const value = values.find((one) => one.name === name)
  return value !== undefined && isNumber(value) ? UNREADABLE : NO_CODE
}

/** Each number, date, time or code with one field whose text is taken as it. */
function fields({ ways, values }: Subject): [string, Way][] {
  const typed = ways.filter(({ control }) => control.kind === 'text field' || control.kind === 'combo box')
  const codes = values
    .filter((value) => !isNumber(value) && isCode(value))
    .flatMap(({ name }): [string, Way][] => {
      const way = typed.find(({ plainly }) => typeof plainly.get(name) === 'string')
      return way === undefined ? [] : [[name, way]]
    })
  const numbers = values.filter(isNumber).flatMap(({ name }): [string, Way][] => {
    // In other units than it is typed in, it is no less a number.
    const way =
      typed.find(({ plainly }) => typeof plainly.get(name) === 'number') ??
      typed.find(({ changes, text }) => changes.has(name) && text !== undefined && text !== '' && !isNaN(Number(text)))
    return way === undefined ? [] : [[name, way]]
  })
  return [...numbers, ...codes]
}

/** A number between two whole ones that may stand there, written with a comma. */
function decimalsOf(subject: Subject, name: string): string[] {
  const value = subject.values.find((one) => one.name === name)
  // Another one than what stands there, so that it is seen what was taken.
  const isOther = (one: number) => one > 0 && one < 1000 && Math.floor(one) !== subject.middle[name]
  const whole = subject.plain(name).find((one) => typeof one === 'number' && isOther(one))
  if (value === undefined || typeof whole !== 'number') return []
  const between = Math.floor(whole) + 0.5
  const isFit = equal(subject.ideally(name, { ...subject.middle, [name]: between }), between)
  return isFit ? [String(between).replace('.', ',')] : []
}

/** With a point it is read as a whole, and with a comma only what stands before it. */
async function cutAtComma(subject: Subject, trail: Trail, rows: Played['rows']): Promise<LeakAt | undefined> {
  const [typed, ...others] = trail.moves
  const [first, , last] = rows
  const text = isDone(typed, 'type') ? /^(\d+),5$/.exec(typed.gesture.text) : null
  if (text === null || last === undefined || !isDone(typed, 'type')) return undefined
  const [number, cut] = [Number(`${text[1]}.5`), Number(text[1])]
  const pointed = gesture({ do: 'type', on: typed.gesture.on, text: String(number) })
  const whole = (await subject.play({ ...trail, moves: [pointed, ...others] })).rows[2]
  const name = fields(subject).find(([, { control }]) => equal(control, typed.gesture.on))?.[0]
  if (name === undefined || whole?.read[name] !== number || last.read[name] !== cut || first.read[name] === cut)
    return undefined
  return {
    row: 2,
    says: `of a number with a comma only what stands before it is taken as ${name}`,
    expected: `${name} ${number}, or ${printed(first.read[name])} as it was`,
    found: `${name} ${cut}`,
  }
}
