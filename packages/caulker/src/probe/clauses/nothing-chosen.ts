import { accepts, equal, outsideText, printed, type TSchema, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { samePicture, type Picture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import { choiceOf, keysIn } from '../subject/among.js'
import type { Subject, Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** Of a few choices nothing looks like one, where the others look different: then that one seems to be chosen. */
export async function looksLikeAChoice(subject: Subject, { trail, rows: [row] }: Played): Promise<LeakAt | undefined> {
  const { given } = trail
  for (const value of valuesOfFew(subject)) {
    const { name } = value
    if (!equal(given[name], nothingOf(value)) || !equal(row.read[name] ?? given[name], given[name])) continue
    const choices = isOfFew(value) ? choicesIn(subject, value, given) : await chosenIn(subject, value)
    const others = await Promise.all(
      choices.map(async (one) => (await subject.fresh({ ...given, [name]: one })).picture),
    )
    const alike = choices.filter((_, at) => samePicture(others[at] as Picture, row.picture))
    if (choices.length > 1 && alike.length === 1)
      return {
        row: 0,
        says: `nothing of ${name} looks as if ${printed(alike[0])} were chosen`,
        expected: `another picture without a ${name}`,
        found: `shown as with ${name} ${printed(alike[0])}`,
      }
  }
  return undefined
}

/** A mount without any choice, where its list offers some. */
export function* nothingChosen(subject: Subject): Iterable<Trail> {
  for (const value of valuesOfFew(subject)) {
    const nothing = nothingOf(value)
    if (nothing === undefined || !accepts(value.type, nothing)) continue
    const given = subject.ways.map((way) => way.given).find((one) => keysIn(value, one)?.length) ?? subject.base
    if (!isCount(value) || !isOutside(subject, value, given, 0))
      yield { given: { ...given, [value.name]: nothing }, moves: [] }
  }
}

function choicesIn(subject: Subject, value: ValueClause, given: Given): unknown[] {
  if (isCount(value))
    return [1, 2, 3].filter((one) => accepts(value.type, one) && !isOutside(subject, value, given, one))
  const keys = keysIn(value, given)?.map((key) => choiceOf({ ...value, among: undefined }, key))
  return (keys ?? subject.plain(value.name)).slice(0, 3)
}

function valuesOfFew(subject: Subject): ValueClause[] {
  return subject.values.filter((value) => isOfFew(value) || choosing(subject, value).length > 0)
}

/** By radio buttons or a select it is chosen, although its contract names no list. */
function choosing({ ways }: Subject, { name }: ValueClause): Way[] {
  const kinds = ['radio button', 'select']
  return ways.filter(
    ({ control, changes, moves }) => kinds.includes(control.kind) && changes.has(name) && moves.length === 1,
  )
}

/** What it becomes by what can be chosen. */
async function chosenIn(subject: Subject, value: ValueClause): Promise<unknown[]> {
  const found: unknown[] = []
  for (const way of choosing(subject, value).slice(0, MOST_CHOSEN)) {
    const came = (await subject.play(way)).rows.at(-1)?.read[value.name]
    if (came !== undefined && !equal(came, value.empty) && !found.some((one) => equal(one, came))) found.push(came)
  }
  return found
}

const MOST_CHOSEN = 4

function isOfFew(value: ValueClause): boolean {
  return isChoice(value) || isCount(value)
}

/** Marks, pieces, days: counted from none on, up to some most. */
function isCount({ type, among, bounds }: ValueClause): boolean {
  return (
    among === undefined && bounds.most !== undefined && accepts(type, 0) && !accepts(type, 0.5) && !accepts(type, '')
  )
}

function nothingOf(value: ValueClause): unknown {
  return isCount(value) ? 0 : value.empty
}

function isOutside(subject: Subject, value: ValueClause, given: Given, count: number): boolean {
  return outsideText(count, subject.limits(value, given)) !== undefined
}

function isChoice({ among, type }: ValueClause): boolean {
  return among !== undefined || isOfAFew(type)
}

/** Whether a type names all that it takes: an enumeration, and nothing beside it. */
function isOfAFew(type: TSchema): boolean {
  const { anyOf, type: kind } = type as { anyOf?: readonly TSchema[]; type?: unknown }
  return 'enum' in type || 'const' in type || kind === 'null' || anyOf?.every(isOfAFew) === true
}
