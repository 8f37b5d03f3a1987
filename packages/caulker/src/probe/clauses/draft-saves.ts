import { equal, pointerParts, printed, valueAt } from '../../contract/index.js'
import type { HeardThen, Row } from '../stage/played.js'
import { tell, type Trail } from '../stage/trail.js'
import { BEFORE, told, typed, TYPED, type OwnEditor } from '../subject/own-drafts.js'
import { clause, type LeakAt } from './clause.js'
import { ABOUT_DRAFTS, edits, examineDrafts, type DraftTry } from './own-drafts.js'

/** A save says what was typed, and writes its own field alone. */
export const draftSaves = clause({
  ...ABOUT_DRAFTS,
  id: 'draft-saves',
  promise:
    'Saving a draft reports it once: the text that was typed, and the record as its owner holds it then, with that member alone replaced.',
  why: 'A save that sends the record as it was when the edit began puts back what somebody else has changed since; one that writes into the record changes it even where the save is refused.',
  tried: 'A text is typed and saved by each way, as it was given and after its owner has told another record.',
  examine: (subject) => examineDrafts(subject, saves),
})

function* saves(editor: OwnEditor): Iterable<DraftTry> {
  if (editor.saves.length === 0) yield neverSaved(editor)
  for (const save of editor.saves) {
    yield judged(editor, edits(editor, editor.opening, typed(editor, TYPED), save))
    if (editor.member !== undefined) {
      const since = tell(told(editor, BEFORE))
      yield judged(editor, edits(editor, editor.opening, typed(editor, TYPED), since, save))
    }
  }
}

/** The field closes by each button and by Enter, and nobody hears of what was typed. */
function neverSaved(editor: OwnEditor): DraftTry {
  const trail = edits(editor, editor.opening, typed(editor, TYPED), editor.cancels[0] ?? [])
  return {
    trail,
    judge: ({ rows }) => ({
      row: rows.length - 1,
      says: 'nothing that closes the field saves what was typed',
      expected: `heard ${editor.draft.event} by one of its buttons, or by Enter`,
      found: 'nothing is heard',
    }),
  }
}

function judged(editor: OwnEditor, trail: Trail): DraftTry {
  return { trail, judge: ({ rows }) => wrongSave(editor, rows) ?? writtenTo(editor, rows) }
}

function wrongSave({ draft, member }: OwnEditor, rows: readonly Row[]): LeakAt | undefined {
  const at = rows.length - 1
  const row = rows[at] as Row
  const saved = row.heard.filter(({ event }) => event === draft.event)
  const early = rows.findIndex(({ heard }, place) => place < at && heard.some(({ event }) => event === draft.event))
  const [first] = saved
  if (early >= 0 || first === undefined || saved.length > 1)
    return {
      row: early >= 0 ? early : at,
      says:
        early >= 0
          ? 'it saves before it is told to'
          : first === undefined
            ? 'saving is not reported'
            : 'one save is reported more than once',
      expected: `heard ${draft.event} once, when it is saved`,
      found: early >= 0 ? `heard ${draft.event} already` : `heard it ${saved.length} times`,
    }
  const text = partAt(first, draft.payloadAt)
  if (!equal(text, TYPED))
    return { row: at, says: 'what is saved is not what was typed', expected: printed(TYPED), found: printed(text) }
  if (draft.recordAt === undefined || member === undefined) return undefined
  const expected = { ...(row.held[draft.of] as object), [member]: TYPED }
  const record = partAt(first, draft.recordAt)
  return equal(record, expected)
    ? undefined
    : {
        row: at,
        says: 'what is saved is not the record that its owner holds, with the new text',
        expected: printed(expected),
        found: printed(record),
        cause: 'the record is the one from when the edit began',
      }
}

/** What an event carries is seen from its detail on. */
function partAt({ payload }: HeardThen, pointer: string): unknown {
  const [first, ...rest] = pointerParts(pointer) ?? []
  return first === 'detail' ? valueAt(payload, rest) : undefined
}

function writtenTo({ draft }: OwnEditor, rows: readonly Row[]): LeakAt | undefined {
  const at = rows.findIndex(({ around }) => around.mutated.includes(draft.of))
  return at < 0
    ? undefined
    : {
        row: at,
        says: `it writes into the ${draft.of} that its owner gave`,
        expected: `the ${draft.of} as it was given`,
        found: 'it is changed in place, before anything is saved',
        cause: 'the draft is no copy',
      }
}
