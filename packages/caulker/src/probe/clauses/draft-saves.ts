import { accepts, equal, pointerParts, printed, valueAt } from '../../contract/index.js'
import type { HeardThen, Played, Row } from '../stage/played.js'
import { isDone, tell, type Move, type Trail } from '../stage/trail.js'
import { BEFORE, told, typed, TYPED, type OwnEditor } from '../subject/own-drafts.js'
import type { Subject } from '../subject/subject.js'
import { clause, type LeakAt } from './clause.js'
import { ABOUT_DRAFTS, edits, examineDrafts, type DraftTry } from './own-drafts.js'

/** A save says what was typed, and writes its own field alone. */
export const draftSaves = clause({
  ...ABOUT_DRAFTS,
  id: 'draft-saves',
  promise:
    'Saving a draft reports it once: the text that was typed, and the record as its owner holds it then, with that member alone replaced.',
  why: 'A save that sends the record as it was when the edit began puts back what somebody else has changed since; one that writes into the record changes it even where the save is refused.',
  tried:
    'A text is typed and saved by each way, as it was given and after its owner has told another record; an empty one, too; a button that says it saves does.',
  examine: (subject) => examineDrafts(subject, (editor) => saves(subject, editor)),
})

function* saves({ names }: Subject, editor: OwnEditor): Iterable<DraftTry> {
  if (editor.saves.length === 0) yield neverSaved(editor)
  for (const press of editor.idle) if (saysItSaves(press)) yield deadSave(editor, press)
  for (const save of editor.saves) {
    yield judged(editor, edits(editor, editor.opening, typed(editor, TYPED), save))
    if (editor.member !== undefined) {
      const since = tell(told(editor, BEFORE))
      yield judged(editor, edits(editor, editor.opening, typed(editor, TYPED), since, save))
    }
  }
  const { of } = editor.draft
  if (accepts(names.find(({ name }) => name === of)?.type ?? {}, told(editor, '')[of]))
    for (const save of editor.saves.slice(0, 1)) yield emptied(editor, save)
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

/** A button that says it saves, where another way does. */
function deadSave(editor: OwnEditor, press: readonly Move[]): DraftTry {
  return {
    trail: edits(editor, editor.opening, typed(editor, TYPED), press),
    judge: ({ rows }) => ({
      row: rows.length - 1,
      says: 'its own button does not save what was typed',
      expected: `heard ${editor.draft.event}`,
      found: 'nothing is heard, and nothing changes',
      cause: 'nobody hears the button',
    }),
  }
}

function saysItSaves([press]: readonly Move[]): boolean {
  return (
    isDone(press, 'press') &&
    press.gesture.on.kind === 'button' &&
    /^(save|keep|done|ok|apply)\b/i.test(press.gesture.on.label)
  )
}

/** An empty text may be refused; where it is saved, it is saved as it is. */
function emptied(editor: OwnEditor, save: readonly Move[]): DraftTry {
  const trail = edits(editor, editor.opening, typed(editor, ''), save)
  const isSaved = ({ rows }: Played) => rows.at(-1)?.heard.some(({ event }) => event === editor.draft.event) === true
  return { trail, judge: (played) => (isSaved(played) ? wrongSave(editor, played.rows, '') : undefined) }
}

function judged(editor: OwnEditor, trail: Trail): DraftTry {
  return { trail, judge: ({ rows }) => wrongSave(editor, rows) ?? writtenTo(editor, rows) }
}

function wrongSave({ draft, member }: OwnEditor, rows: readonly Row[], wanted = TYPED): LeakAt | undefined {
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
  const record = draft.recordAt === undefined ? undefined : partAt(first, draft.recordAt)
  // Where only the record is sent, the text is in it.
  const text = partAt(first, draft.payloadAt) ?? (member === undefined ? undefined : valueAt(record, [member]))
  if (!equal(text, wanted))
    return { row: at, says: 'what is saved is not what was typed', expected: printed(wanted), found: printed(text) }
  if (draft.recordAt === undefined || member === undefined) return undefined
  const expected = { ...(row.held[draft.of] as object), [member]: wanted }
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
