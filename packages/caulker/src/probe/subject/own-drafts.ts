import { accepts, isHost, type OwnDraftClause, type PropertyClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { findControl, isReachable, type ControlRef } from '../person/controls.js'
import { contentOf } from '../person/fields.js'
import { foundControls } from '../person/operate.js'
import { samePicture } from '../sight/picture.js'
import { gesture, isDone, type Move, type Trail } from '../stage/trail.js'
import { onceFor } from './once-for.js'
import type { Subject } from './subject.js'

/** How a person edits a draft of a component: what opens it, where it is typed, what saves it and what cancels it. */
export interface OwnEditor {
  readonly draft: OwnDraftClause
  /** The member of the record that is edited; nothing where the property is the text itself. */
  readonly member: string | undefined
  /** Another record for its owner to tell, with other members where there are any. */
  readonly other: Members
  readonly given: Given
  /** What brings the field up; nothing where it is always there. */
  readonly opening: readonly Move[]
  readonly field: ControlRef
  /** Empty where each way that closes the field leaves the owner in ignorance. */
  readonly saves: readonly (readonly Move[])[]
  readonly cancels: readonly (readonly Move[])[]
  /** Presses of buttons that do nothing at all once a text was typed. */
  readonly idle: readonly (readonly Move[])[]
}

export const BEFORE = 'oakum'
export const TYPED = 'pitch'
export const TYPED_LATER = 'tallow'

/** The editor of each draft of a contract; why none was found, where none was. */
export const editorsOf = onceFor((subject): Promise<(OwnEditor | string)[]> =>
  Promise.all(Object.values(subject.contract.drafts).map((draft) => editorOf(subject, draft))),
)

/** The property with another text, in a record whose other members are something else too. */
export function told({ draft, member, other }: OwnEditor, text: string): Given {
  return { [draft.of]: member === undefined ? text : { ...other, [member]: text } }
}

export function typed({ field }: OwnEditor, text: string): Move {
  return gesture({ do: 'type', on: field, text })
}

/** What stands in the field after some moves; nothing where it is not there. */
export async function textAfter(subject: Subject, editor: OwnEditor, trail: Trail): Promise<string | undefined> {
  return subject.lookAt(trail, (container) => {
    const field = findControl(container, editor.field)
    return field !== undefined && isReachable(field) ? contentOf(field) : undefined
  })
}

async function editorOf(subject: Subject, draft: OwnDraftClause): Promise<OwnEditor | string> {
  const { base, names } = subject
  const of = names.find(({ name }) => name === draft.of)
  const says = names.find(({ name }) => name === draft.member)
  const records = of === undefined ? [] : recordsOf(subject, of)
  const member = says === undefined ? draft.member : textMember(records)
  const [record, other = record] = records.filter(
    (one) => member === undefined || accepts(of?.type ?? {}, { ...one, [member]: BEFORE }),
  )
  const start = member === undefined ? BEFORE : record && { ...record, [member]: BEFORE }
  const given = { ...base, [draft.of]: start, ...(says === undefined ? {} : { [says.name]: member }) }
  if (of === undefined || start === undefined || !accepts(of.type, start))
    return `No sample of '${draft.of}' with a text in it could be made.`
  const shown = (await subject.lookAfter(given, [], foundControls)) ?? []
  const fieldsOf = (controls: typeof shown) => controls.filter(({ ref, isFree }) => ref.kind === 'text field' && isFree)
  const buttons = shown.filter(({ ref }) => ref.kind === 'button')
  const openings: Move[][] =
    fieldsOf(shown).length > 0 ? [[]] : buttons.map(({ ref }) => [gesture({ do: 'press', on: ref })])
  let unsaved: OwnEditor | undefined
  for (const opening of openings) {
    const open = opening.length === 0 ? shown : ((await subject.lookAfter(given, opening, foundControls)) ?? [])
    for (const { ref: field } of fieldsOf(open)) {
      const begun = [...opening, gesture({ do: 'type', on: field, text: TYPED })]
      const [saves, cancels, idle]: [Move[][], Move[][], Move[][]] = [[], [], []]
      const ends: Move[][] = [
        ...open.filter(({ ref }) => ref.kind === 'button').map(({ ref }) => [gesture({ do: 'press', on: ref })]),
        [gesture({ do: 'enter', on: field })],
        [gesture({ do: 'key', on: field, key: 'Escape' })],
      ]
      for (const end of ends) {
        const [before, last] = (await subject.play({ given, moves: [...begun, ...end] })).rows.slice(-2)
        if (last?.impossible !== undefined || last?.fault !== undefined) continue
        if (last?.heard.some(({ event }) => event === draft.event)) saves.push(end)
        else if ((await closes(subject, given, [...begun, ...end], field)) && opening.length > 0) cancels.push(end)
        else if (last?.heard.length === 0 && before !== undefined && samePicture(before.picture, last.picture))
          idle.push(end)
      }
      const found = { draft, member, other: other ?? {}, given, opening, field, saves, cancels, idle }
      if (saves.length > 0) return found
      if (cancels.some((end) => !isEscape(end))) unsaved ??= found
    }
  }
  if (unsaved !== undefined) return unsaved
  return `Nothing was found that opens a field and saves it with '${draft.event}'.`
}

type Members = Readonly<Record<string, unknown>>

/** Two records with different members beside the edited one; where its type names none, they may be any. */
function recordsOf({ plain }: Subject, { name, type }: PropertyClause): readonly Members[] {
  const isRecord = (value: unknown): value is Members =>
    typeof value === 'object' && value !== null && !Array.isArray(value) && !isHost(value)
  return 'properties' in type ? plain(name).filter(isRecord) : [{ foreman: 'Tarn' }, { foreman: 'linseed' }]
}

/** Where a property says which member it is: one that holds a text. */
function textMember([record]: readonly Members[]): string {
  return (
    Object.entries(record ?? {}).find(([name, part]) => typeof part === 'string' && name !== 'foreman')?.[0] ?? 'remark'
  )
}

function isEscape([move]: readonly Move[]): boolean {
  return isDone(move, 'key') && move.gesture.key === 'Escape'
}

/** Whether the field is gone after some moves. */
async function closes(subject: Subject, given: Given, moves: readonly Move[], field: ControlRef): Promise<boolean> {
  const open = await subject.lookAfter(given, moves, (container) =>
    foundControls(container).some(
      ({ ref }) => ref.kind === field.kind && ref.label === field.label && ref.nth === field.nth,
    ),
  )
  return open === false
}
