import { accepts, equal, printed, type PropertyClause, type ValueClause } from '../../contract/index.js'
import { samePicture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import { typeParts } from '../subject/off-type.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** Digits with a zero before them, and with one in the place of the first: in a text that is no number it counts. */
export function* zeroFirst(subject: Subject): Iterable<Trail> {
  for (const { given, control, text } of digitWays(subject))
    for (const typed of [`0${text ?? ''}`, `0${(text ?? '').slice(1)}`])
      yield { given, moves: [gesture({ do: 'type', on: control, text: typed }), gesture({ do: 'leave' })] }
}

/** The zero is gone, though the type would have taken it. */
export async function zeroLost(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [typed, ...others] = trail.moves
  const last = rows[2]
  if (!isDone(typed, 'type') || !/^0\d+$/.test(typed.gesture.text) || last === undefined) return undefined
  const { on, text } = typed.gesture
  const way = digitWays(subject).find((one) => one.control.nth === on.nth && one.control.kind === on.kind)
  if (way?.text === undefined || others.length !== 1) return undefined
  const usual = (
    await subject.play({ given: trail.given, moves: [gesture({ do: 'type', on, text: way.text }), ...others] })
  ).rows[2]
  for (const { name, type } of textsOf(subject)) {
    const [came, now] = [usual?.read[name], last.read[name]]
    if (typeof came !== 'string' || !came.includes(way.text)) continue
    const [whole, cut] = [came.replace(way.text, text), came.replace(way.text, text.replace(/^0+/, ''))]
    if (accepts(type, whole) && now === cut && now !== whole)
      return {
        row: 2,
        says: `the zero that was typed first is gone from ${name}`,
        expected: `${name} ${printed(whole)}`,
        found: `${name} ${printed(now)}`,
        cause: 'the digits are read as a number',
      }
  }
  return undefined
}

/** A code that begins with a zero. */
export function* zeroGivenFirst(subject: Subject): Iterable<Trail> {
  for (const [name, { whole }] of zeroTexts(subject)) yield { given: { ...subject.middle, [name]: whole }, moves: [] }
}

/** It looks like the code without the zero, where another looks otherwise. */
export async function zeroFirstUnshown(subject: Subject, { trail, rows: [row] }: Played): Promise<LeakAt | undefined> {
  if (trail.moves.length > 0) return undefined
  for (const [name, { whole, cut, other }] of zeroTexts(subject)) {
    if (!equal(trail.given, { ...subject.middle, [name]: whole }) || row.read[name] !== whole) continue
    const [like, unlike] = await Promise.all([cut, other].map((one) => subject.fresh({ ...trail.given, [name]: one })))
    if (like === undefined || unlike === undefined) continue
    if (samePicture(row.picture, like.picture) && !samePicture(row.picture, unlike.picture))
      return {
        row: 0,
        says: `the zero that ${name} begins with is not shown`,
        expected: `shown otherwise than ${name} ${printed(cut)}`,
        found: `shown as ${name} ${printed(cut)} is`,
        cause: 'the digits are read as a number',
      }
  }
  return undefined
}

/** By its name: digits with a zero before them, the same without it, and others. */
function zeroTexts(subject: Subject): Map<string, { whole: string; cut: string; other: string }> {
  const found = new Map<string, { whole: string; cut: string; other: string }>()
  for (const { name, type } of subject.names.filter(isOfAForm))
    for (const text of subject.plain(name)) {
      const cut = typeof text === 'string' && /^\d+$/.test(text) ? text.replace(/^0+/, '') : ''
      const other = `${cut.slice(0, -1)}${cut.endsWith('1') ? 2 : 1}`
      const zeros = '0'.repeat(Math.max(1, String(text).length - cut.length))
      const texts = { whole: `${zeros}${cut}`, cut, other }
      if (cut !== '' && Object.values(texts).every((one) => accepts(type, one))) found.set(name, texts)
    }
  return found
}

/** Texts of a certain form, as of a code or a number to call. */
function textsOf({ values }: Subject): ValueClause[] {
  return values.filter(isOfAForm)
}

/** Whether it is a text of a certain form: then a zero that stands first counts. */
export function isOfAForm({ type }: PropertyClause): boolean {
  return typeParts(type as never).some((part) => 'pattern' in part)
}

function digitWays(subject: Subject): Way[] {
  const names = textsOf(subject).map(({ name }) => name)
  return oneAtEach(
    subject.ways.filter(
      ({ text, control, changes, moves }) =>
        /^[1-9]\d+$/.test(text ?? '') &&
        isField(control) &&
        isDone(moves[0], 'type') &&
        names.some((name) => changes.has(name)),
    ),
  )
}
