import { equal, printed } from '../../contract/index.js'
import { clause } from './clause.js'
import { findControl, isReachable } from '../person/controls.js'
import { isPlaced } from '../person/gestures.js'
import { gesture, isDone, isGesture, tell, type Move } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { Given } from '../../mount/index.js'

/** A tell that does not change a text leaves the caret in it where it was. */
export const keepsCaret = clause({
  id: 'keeps-caret',
  group: 'both ways',
  promise:
    'A person who is typing is left alone: told what it shows already, or something else, it moves no caret and takes no text away.',
  why: 'Each key comes back from the owner as a tell. A field that is written or drawn anew with each of them throws the caret to the end, or the focus away.',
  tried:
    'A text is typed, the caret is put into the middle of it, and the owner tells the same once more, and then another property.',
  unprovenWhen: 'No text field was found whose text is taken just as it was typed.',
  random: 'none',
  onTrial: 'tell',
  concerns: ({ values }) => Object.keys(values).length > 0,
  *trails(subject) {
    for (const way of subject.ways) {
      const typed = way.moves[0]
      if (way.control.kind !== 'text field' || way.plainly.size === 0 || typed === undefined) continue
      if ((way.text ?? '').length < 2 || !isDone(typed, 'type')) continue
      // What is typed and not yet reported is no business of this clause.
      if (
        ![...way.plainly.keys()].some((name) =>
          subject.values.some((one) => one.name === name && one.reports === 'edit'),
        )
      )
        continue
      const begun: Move[] = [typed, gesture({ do: 'caret', on: way.control, at: 1 })]
      for (const name of way.plainly.keys())
        if (subject.values.some((value) => value.name === name && value.reports === 'edit'))
          yield { given: way.given, moves: [...begun, { retell: name }] }
      for (const { name, kind } of subject.tellable) {
        const other = subject
          .plain(name)
          .map((value) => withoutText(value, way.text))
          .find((value) => value !== undefined && !equal(value, way.given[name]))
        const isLock = Object.values(subject.contract.locks).includes(name)
        if (kind === 'property' && !isLock && other !== undefined)
          yield { given: way.given, moves: [...begun, tell({ [name]: other })] }
      }
    }
  },
  proves: (_subject, { rows }) => rows[2]?.around.caret?.at === 1,
  async judge(subject, { trail, rows }) {
    const [before, after] = [rows[2]?.around.caret, rows[3]?.around.caret]
    if (before === undefined || before.at !== 1 || rows[3] === undefined) return undefined
    // Where what is told leaves no room for the field, a fresh mount has none either.
    if (after === undefined && !(await hasField(subject, rows[3].held, trail.moves[0]))) return undefined
    if (after === undefined)
      return {
        row: 3,
        says: 'the field loses the focus while a person is typing',
        expected: `the caret behind letter 1 of “${before.text}”`,
        found: 'the focus is nowhere in it',
        cause: 'the field is drawn anew; keep it, and write only what has changed',
      }
    if (after.text !== before.text)
      return {
        row: 3,
        says: 'what was being typed is taken away',
        expected: `“${before.text}”`,
        found: `“${after.text}”`,
      }
    if (after.at !== before.at)
      return {
        row: 3,
        says: 'the caret jumps while a person is typing',
        expected: `the caret behind letter ${before.at ?? 0}`,
        found: `the caret behind letter ${after.at ?? 0}`,
        cause: 'the field is written although its text is the same',
      }
    return undefined
  },
})

/** A list that offers just what is being typed makes of it a choice, as it should. */
function withoutText(value: unknown, text: string | undefined): unknown {
  const isOffered = (entry: unknown) => text !== undefined && printed(entry).includes(text)
  if (!isOffered(value)) return value
  const others = Array.isArray(value) ? value.filter((entry) => !isOffered(entry)) : []
  return others.length > 0 ? others : undefined
}

async function hasField(subject: Subject, given: Given, typed: Move | undefined): Promise<boolean> {
  const made = isGesture(typed) && isPlaced(typed.gesture) ? typed.gesture : undefined
  const found = await subject.look(given, (container) => {
    const field = made && findControl(container, made.on)
    return field !== undefined && isReachable(field)
  })
  return found === true
}
