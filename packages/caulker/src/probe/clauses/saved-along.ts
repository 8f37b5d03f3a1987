import { equal, isHost, printed, valueAt } from '../../contract/index.js'
import type { ControlRef } from '../person/controls.js'
import { foundControls } from '../person/operate.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, isGesture, type Move, type Trail } from '../stage/trail.js'
import type { Given } from '../../mount/index.js'
import { isPlainField, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { fieldText } from './field-text.js'

/** A button that takes what is typed into one of several fields. */
interface Saver {
  readonly given: Given
  readonly opening: readonly Move[]
  readonly field: ControlRef
  readonly save: Move
}

const MOST_SAVERS = 2
const MOST_MEMBERS = 5

function saversOf({ ways }: Subject): Saver[] {
  const savers = ways.flatMap(({ given, moves, changes }: Way): Saver[] => {
    const [typed, save] = moves.slice(-2)
    if (!isDone(typed, 'type') || !isDone(save, 'press') || save.gesture.on.kind !== 'button' || changes.size === 0)
      return []
    return [{ given, opening: moves.slice(0, -2), field: typed.gesture.on, save }]
  })
  const isSame = (one: Saver, other: Saver) => equal(one.save, other.save) && equal(one.opening, other.opening)
  return savers.filter((one, at) => savers.findIndex((other) => isSame(one, other)) === at).slice(0, MOST_SAVERS)
}

/** What else stands there to be edited is edited, and the same button pressed. */
export async function* savedAlong(subject: Subject): AsyncIterable<Trail> {
  for (const { given, opening, field, save } of saversOf(subject)) {
    const found = (await subject.lookAfter(given, opening, foundControls)) ?? []
    const others = found.map(({ ref }) => ref).filter((ref) => !equal(ref, field))
    for (const on of others.slice(0, MOST_MEMBERS)) {
      const edit = await editOf(subject, { given, moves: opening }, on)
      if (edit !== undefined) yield { given, moves: [...opening, edit, save] }
    }
  }
}

/** A member that a field shows, replaced by what stands there in another value; a box, where there is one member to turn. */
async function editOf(subject: Subject, opened: Trail, on: ControlRef): Promise<Move | undefined> {
  if (['checkbox', 'switch'].includes(on.kind))
    return membersIn(subject, opened.given).filter(({ is }) => typeof is === 'boolean').length === 1
      ? gesture({ do: 'press', on })
      : undefined
  if (!isPlainField(on)) return undefined
  const text = await subject.lookAt(opened, fieldText(on))
  const [member, ...alike] = membersIn(subject, opened.given).filter(({ is }) => text !== '' && String(is) === text)
  if (member === undefined || alike.length > 0) return undefined
  const others = subject.plain(member.name).map((value) => valueAt(value, member.path))
  const other = others.find((one) => ['string', 'number'].includes(typeof one) && one !== '' && !equal(one, member.is))
  return other === undefined ? undefined : gesture({ do: 'type', on, text: String(other) })
}

interface Member {
  readonly name: string
  readonly path: string[]
  readonly is: unknown
}

/** The members of the objects that are held: texts, numbers and flags. */
function membersIn({ values }: Subject, given: Given): Member[] {
  return values.flatMap(({ name }) => {
    const value = given[name]
    if (typeof value !== 'object' || value === null || Array.isArray(value) || isHost(value)) return []
    return Object.entries(value)
      .filter(([, is]) => ['string', 'number', 'boolean'].includes(typeof is))
      .map(([member, is]: [string, unknown]) => ({ name, path: [member], is }))
  })
}

/** The button takes another field, and nothing of this one. */
export function lostAtSave(subject: Subject, { trail, rows }: Played): LeakAt | undefined {
  const [edit, save] = trail.moves.slice(-2)
  const last = rows[trail.moves.length]
  if (last === undefined || !isGesture(edit) || !('on' in edit.gesture) || last.impossible !== undefined)
    return undefined
  const opening = trail.moves.slice(0, -2)
  const { on } = edit.gesture
  const isEdit =
    edit.gesture.do === 'type' ? edit.gesture.text !== '' : edit.gesture.do === 'press' && on.kind !== 'button'
  const saver = saversOf(subject).find(
    (one) =>
      equal(one.save, save) && equal(one.opening, opening) && equal(one.given, trail.given) && !equal(one.field, on),
  )
  if (!isEdit || saver === undefined || rows.some(({ heard }) => heard.length > 0)) return undefined
  if (subject.values.some(({ name }) => !equal(rows[0].read[name], last.read[name]))) return undefined
  return {
    row: trail.moves.length,
    says: `what is entered in the ${on.kind} “${on.label}” is not taken with the rest`,
    expected: `a report, as after the edit of “${saver.field.label}”`,
    found: 'nothing is heard, and nothing changes',
    cause: `the button takes what stands in other fields, and not ${printed(on.label)}`,
  }
}
