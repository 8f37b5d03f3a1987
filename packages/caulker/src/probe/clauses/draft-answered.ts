import { allLines, looksSame, pictureText, type Picture } from '../sight/picture.js'
import { textAfter, typed, TYPED, TYPED_LATER, type OwnEditor } from '../subject/own-drafts.js'
import type { Subject } from '../subject/subject.js'
import { clause } from './clause.js'
import { ABOUT_DRAFTS, edits, examineDrafts, type DraftTry } from './own-drafts.js'

/** The answer to a save is taken for what it is. */
export const draftAnswered = clause({
  ...ABOUT_DRAFTS,
  id: 'draft-answered',
  promise:
    'A save that fails loses nothing and does not look like one that worked; of several saves only the answer to the last one ends it.',
  why: 'A failure that looks like a success is noticed days later; and the newer text disappears from view because the older one has arrived.',
  tried: 'A save is answered and fails; two saves are made, and the first is answered.',
  concerns: ({ drafts }) => Object.values<{ answerAt: unknown }>(drafts).some(({ answerAt }) => answerAt !== undefined),
  examine: (subject) => examineDrafts(subject, (editor) => answers(subject, editor)),
})

function* answers(subject: Subject, editor: OwnEditor): Iterable<DraftTry> {
  const { opening, draft } = editor
  if (draft.answerAt === undefined) return
  const [save] = editor.saves
  if (save === undefined) return
  const saved = [...opening, typed(editor, TYPED), ...save]
  const failed = edits(editor, saved, { answer: 'failed', to: 0 })
  yield {
    trail: failed,
    async judge({ rows }) {
      const row = rows.length - 1
      const { picture } = rows[row] ?? rows[0]
      const fulfilled = await subject.play(edits(editor, saved, { answer: 'given', to: 0 }))
      const after = fulfilled.rows.at(-1)?.picture
      if (after !== undefined && looksSame(picture, after) && after.live.join() === picture.live.join())
        return {
          row,
          says: 'a save that failed looks like one that worked',
          expected: 'something that says so',
          found: `shown ${pictureText(picture)}`,
          cause: 'the promise is waited for, and not whether it is kept',
        }
      const text = await textAfter(subject, editor, failed)
      if (text === TYPED || shows(picture, TYPED)) return undefined
      return {
        row,
        says: 'a save that failed loses what was typed',
        expected: `“${TYPED}”, in the field or beside it`,
        found: `shown ${pictureText(picture)}`,
      }
    },
  }
  const twice = [...saved, ...opening, typed(editor, TYPED_LATER), ...save]
  yield {
    trail: edits(editor, twice, { answer: 'given', to: 0 }),
    judge({ rows }) {
      const [before, after] = [rows[rows.length - 2], rows[rows.length - 1]]
      if (before === undefined || after === undefined || !shows(before.picture, TYPED_LATER)) return undefined
      return shows(after.picture, TYPED_LATER)
        ? undefined
        : {
            row: rows.length - 1,
            says: 'the answer to an older save ends a newer one',
            expected: `“${TYPED_LATER}” goes on being shown`,
            found: `shown ${pictureText(after.picture)}`,
            cause: 'answers are not told apart',
          }
    },
  }
}

function shows(picture: Picture, text: string): boolean {
  return allLines(picture).some((line) => line.includes(text))
}
