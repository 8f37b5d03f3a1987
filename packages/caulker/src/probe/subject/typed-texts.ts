import { accepts, equal, isHost, samplesOf, valueAt, type TSchema, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { ControlRef } from '../person/controls.js'
import { namesAmong } from './among.js'
import { typeParts } from './off-type.js'
import type { Subject } from './subject.js'

/** Texts that mean ordinary values; how a component reads them is its own affair. Beside other fields, each may take a part of one. */
export function textsFor(subject: Subject, given: Given, { kind }: ControlRef, isOneOfSeveral = false): string[] {
  const texts = subject.values.flatMap((value) =>
    subject
      .plain(value.name)
      .filter((one) => !equal(one, given[value.name]))
      .flatMap(writtenIn)
      // Of what has several parts, a text that stands in another one would not be seen to come there.
      .filter((one) => typeof given[value.name] !== 'object' || !writtenIn(given[value.name]).includes(one))
      .filter((one) => typeof one === 'number' || kind === 'text field' || kind === 'combo box')
      .slice(0, 2)
      .map(String),
  )
  if (kind === 'text field') texts.push(...subject.values.flatMap((value) => partsOf(subject, value, isOneOfSeveral)))
  if (kind === 'text field' || kind === 'combo box') texts.unshift(...newEntries(subject))
  // A choice is found by its name where it is typed at all.
  if (kind === 'combo box')
    texts.unshift(...subject.values.flatMap((value) => namesAmong(value, subject.names, given)).slice(0, MOST_NAMES))
  // A 0 has clauses of its own: first comes what is not taken for nothing.
  texts.sort((one, other) => Number(one === '0') - Number(other === '0'))
  const [first = '7'] = texts
  // An entry of a list may end with a comma, without another key.
  const isList = kind === 'text field' && subject.values.some(({ empty }) => Array.isArray(empty))
  return [...new Set(texts.length === 0 ? ['7'] : texts), ...(isList ? [`${first},`] : [])].slice(0, 6)
}

/** A text of a certain form may be written in several fields, a part of it in each. */
function partsOf({ plain, middle }: Subject, { name, type }: ValueClause, isOneOfSeveral: boolean): string[] {
  const [text] = plain(name).filter((one) => typeof one === 'string' && one !== middle[name])
  const isFormed = typeParts(type as never).some((part) => 'pattern' in part || (isOneOfSeveral && 'format' in part))
  const parts = typeof text === 'string' && isFormed ? (text.match(/\w+/g) ?? []) : []
  return parts.length < 2 ? [] : parts.slice(-2)
}

const MOST_NAMES = 2

/** For each list of texts one that is not in it yet: many a component takes none twice. */
function newEntries(subject: Subject): string[] {
  return subject.values.flatMap((value) => {
    const [there, type] = [subject.middle[value.name], itemsOf(value.type)]
    if (!Array.isArray(there) || type === undefined) return []
    const fitting = ['tar', 'moss', ...samplesOf(type)].filter((text) => typeof text === 'string' && text !== '')
    return (fitting as string[]).filter((text) => accepts(type, text) && !there.includes(text)).slice(0, 2)
  })
}

function itemsOf(type: TSchema): TSchema | undefined {
  return valueAt(type, ['items']) as TSchema | undefined
}

/** The numbers and texts in a value: of a pair, of a list, of an object. */
export function writtenIn(value: unknown): (number | string)[] {
  if (typeof value === 'number' || typeof value === 'string') return [value]
  return typeof value === 'object' && value !== null && !isHost(value) ? Object.values(value).flatMap(writtenIn) : []
}
