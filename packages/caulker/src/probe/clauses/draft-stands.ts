import { tell, type Move } from '../stage/trail.js'
import { textAfter, told, typed, TYPED, TYPED_LATER, type OwnEditor } from '../subject/own-drafts.js'
import type { Subject } from '../subject/subject.js'
import { clause } from './clause.js'
import { ABOUT_DRAFTS, edits, examineDrafts, type DraftTry } from './own-drafts.js'

/** What is being typed is left alone. */
export const draftStands = clause({
  ...ABOUT_DRAFTS,
  id: 'draft-stands',
  promise:
    'An open draft stands until it is saved or cancelled: neither a new record nor the answer to an earlier save touches it.',
  why: 'The page refreshes its record in the background, or a slow answer comes at last, and what the person is typing is gone.',
  tried:
    'While a text is being typed its owner tells another record, and answers a save from before, which comes or fails.',
  examine: (subject) => examineDrafts(subject, (editor) => touched(subject, editor)),
})

function* touched(subject: Subject, editor: OwnEditor): Iterable<DraftTry> {
  const { opening, draft } = editor
  const record = tell(told(editor, TYPED_LATER))
  yield stands(subject, editor, TYPED, [...opening, typed(editor, TYPED), record])
  const [save] = editor.saves
  if (draft.answerAt === undefined || save === undefined) return
  for (const answer of ['given', 'failed'] as const)
    yield stands(subject, editor, TYPED_LATER, [
      ...opening,
      typed(editor, TYPED),
      ...save,
      ...opening,
      typed(editor, TYPED_LATER),
      { answer, to: 0 },
    ])
}

function stands(subject: Subject, editor: OwnEditor, text: string, moves: readonly Move[]): DraftTry {
  const trail = edits(editor, moves)
  return {
    trail,
    async judge({ rows }) {
      const found = await textAfter(subject, editor, trail)
      if (found === text) return undefined
      return {
        row: rows.length - 1,
        says: 'what is being typed is gone',
        expected: `a field with “${text}”`,
        found: found === undefined ? 'no field' : `a field with “${found}”`,
        cause:
          'answer' in (moves[moves.length - 1] ?? {})
            ? 'an earlier save settles a later edit'
            : 'what is told is put into the field',
      }
    },
  }
}
