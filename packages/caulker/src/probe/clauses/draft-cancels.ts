import { isPress, tell } from '../stage/trail.js'
import { BEFORE, textAfter, told, typed, TYPED, TYPED_LATER, type OwnEditor } from '../subject/own-drafts.js'
import type { Subject } from '../subject/subject.js'
import { looksSame, pictureText } from '../sight/picture.js'
import { clause } from './clause.js'
import { ABOUT_DRAFTS, edits, examineDrafts, type DraftTry } from './own-drafts.js'

/** A draft that is cancelled or done is gone. */
export const draftCancels = clause({
  ...ABOUT_DRAFTS,
  id: 'draft-cancels',
  promise: 'A cancelled draft is gone and nothing is reported; each edit begins with what stands then.',
  why: 'What was cancelled is there again at the next edit, and is saved by somebody who never typed it.',
  tried: 'A text is typed and cancelled by each way, or saved and replaced by its owner; then it is opened again.',
  examine: (subject) => examineDrafts(subject, (editor) => cancels(subject, editor)),
})

function* cancels(subject: Subject, editor: OwnEditor): Iterable<DraftTry> {
  const { opening, draft } = editor
  for (const cancel of editor.cancels) {
    const done = edits(editor, opening, typed(editor, TYPED), cancel)
    yield {
      trail: done,
      judge({ rows }) {
        const at = rows.findIndex(({ heard }) => heard.some(({ event }) => event === draft.event))
        if (at >= 0)
          return {
            row: at,
            says: 'what is cancelled is saved',
            expected: 'nothing is heard',
            found: `heard ${draft.event}`,
          }
        const [first, last] = [rows[0], rows[rows.length - 1] ?? rows[0]]
        return looksSame(first.picture, last.picture)
          ? undefined
          : {
              row: rows.length - 1,
              says: 'it does not look as before the edit that was cancelled',
              expected: `shown ${pictureText(first.picture)}`,
              found: `shown ${pictureText(last.picture)}`,
            }
      },
    }
    yield beginsWith(subject, editor, BEFORE, edits(editor, done.moves, opening))
  }
  if (opening.length > 0 && !editor.cancels.some(isPress)) yield* noneCancels(editor)
  const [save = []] = editor.saves
  const since = tell(told(editor, TYPED_LATER))
  if (opening.length > 0 && editor.saves.length > 0)
    // Nobody holds the answer back here: it counts as saved at once.
    yield beginsWith(subject, editor, TYPED_LATER, {
      given: editor.given,
      moves: [...opening, typed(editor, TYPED), ...save, since, ...opening],
    })
}

/** Of two buttons that come with the field one is there to save, and the other is not. */
function* noneCancels(editor: OwnEditor): Iterable<DraftTry> {
  const [, other] = editor.saves.filter(isPress)
  if (other === undefined) return
  yield {
    trail: edits(editor, editor.opening, typed(editor, TYPED), other),
    judge: ({ rows }) => ({
      row: rows.length - 1,
      says: 'each button beside the field saves, and none cancels',
      expected: 'nothing is heard',
      found: `heard ${editor.draft.event}`,
    }),
  }
}

/** What stands in the field when it is opened again. */
function beginsWith(subject: Subject, editor: OwnEditor, text: string, trail: DraftTry['trail']): DraftTry {
  return {
    trail,
    async judge({ rows }) {
      const stands = await textAfter(subject, editor, trail)
      if (stands === undefined || stands === text) return undefined
      return {
        row: rows.length - 1,
        says:
          stands === TYPED ? 'an old draft is there again at the next edit' : 'an edit does not begin with what stands',
        expected: `a field with “${text}”`,
        found: `a field with “${stands}”`,
        cause: 'the draft outlives its edit',
      }
    },
  }
}
