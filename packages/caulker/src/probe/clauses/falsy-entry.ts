import { accepts, equal, pointerParts, printed, type ValueClause } from '../../contract/index.js'
import { samePicture } from '../sight/picture.js'
import type { Given } from '../../mount/index.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import { keysIn } from '../subject/among.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

const FALSY: readonly unknown[] = [0, '', false]

/** A list one of whose entries is known by 0, by an empty text or by false, and that one chosen. */
export function* falsyEntry({ base, controls, names, plain }: Subject, value: ValueClause): Iterable<Trail> {
  const { list: name = '', at = '' } = value.among ?? {}
  const parts = pointerParts(at) ?? []
  const list = [...plain(name), base[name]].find((one) => Array.isArray(one) && one.length > 1)
  const type = names.find((one) => one.name === name)?.type
  if (!Array.isArray(list) || parts.length !== 1 || type === undefined) return
  const [first, ...others] = list as Readonly<Record<string, unknown>>[]
  // HTML, section 4.10.7: in a native list an option whose value is empty stands for none.
  const isNative = controls.some(({ kind }) => kind === 'select')
  for (const falsy of FALSY.filter((one) => !isNative || one !== '')) {
    const told = [...others, { ...first, [parts[0] as string]: falsy }]
    if (equal(falsy, value.empty) || !accepts(value.type, falsy) || !accepts(type, told)) continue
    yield { given: { ...base, [name]: told, [value.name]: falsy }, moves: [] }
  }
}

/** Known by something else, an entry at that place is not seen to be chosen either: it may stand on another page. */
async function isOutOfSight(subject: Subject, value: ValueClause, given: Given): Promise<boolean> {
  const { list: name = '', at = '' } = value.among ?? {}
  const [part = ''] = pointerParts(at) ?? []
  const list = given[name] as readonly Readonly<Record<string, unknown>>[]
  const usual = STRANGERS[typeof given[value.name] as keyof typeof STRANGERS]
  const known = { ...given, [name]: list.map((one) => (FALSY.includes(one[part]) ? { ...one, [part]: usual } : one)) }
  if (!accepts(value.type, usual)) return false
  const [chosen, none] = [
    await subject.fresh({ ...known, [value.name]: usual }),
    await subject.fresh({ ...known, [value.name]: value.empty }),
  ]
  return samePicture(chosen.picture, none.picture)
}

/** A value of each kind that nobody knows. */
export const STRANGERS = { number: 7919, string: 'kzqv', boolean: true } as const

/** Where another entry is seen to be chosen, the one that is known by 0 looks as if nothing were. */
export async function entryUnchosen(
  subject: Subject,
  { trail: { given, moves }, rows: [row] }: Played,
): Promise<LeakAt | undefined> {
  const value = subject.values.find(({ name, among }) => among !== undefined && FALSY.includes(given[name]))
  const keys = value === undefined ? undefined : keysIn(value, given)
  if (value === undefined || keys === undefined || moves.length > 0 || !keys.includes(given[value.name]))
    return undefined
  if (value.empty === undefined || equal(given[value.name], value.empty) || !accepts(value.type, value.empty))
    return undefined
  const nothing = await subject.fresh({ ...given, [value.name]: value.empty })
  const other = await subject.fresh({ ...given, [value.name]: keys[0] })
  if (samePicture(other.picture, nothing.picture) || !samePicture(row.picture, nothing.picture)) return undefined
  if (await isOutOfSight(subject, value, given)) return undefined
  return {
    row: 0,
    says: `the entry that is known by ${printed(given[value.name])} is not shown as chosen`,
    expected: `another picture than without a ${value.name}`,
    found: 'shown as where nothing is chosen',
    cause: `${printed(given[value.name])} is taken for missing`,
  }
}
