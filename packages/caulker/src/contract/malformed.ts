import { CaulkerError, hint } from '../words/index.js'
import type { TSchema } from './data/types.js'
import {
  isObject,
  isScalar,
  misfitOf,
  SECTIONS,
  WHOLE,
  type Kind,
  type Kinds,
  type NameSection,
} from './table/index.js'

type Draft = Record<string, unknown>
type Path = readonly string[]

const kindsOf = (table: Readonly<Record<string, { kind: Kind<any> }>>): Kinds =>
  Object.fromEntries(Object.entries(table).map(([key, { kind }]) => [key, kind]))
const WHOLE_KINDS = kindsOf(WHOLE)
const SECTION_KINDS = Object.fromEntries(Object.entries(SECTIONS).map(([name, { table }]) => [name, kindsOf(table)]))
const ALL = [...Object.keys(WHOLE), ...Object.keys(SECTIONS)]
const NO_NAMES = ['__proto__', 'constructor', 'prototype']

/** Throws one error for the first thing in a draft that cannot be a contract: which clause, and what to do. */
export function refuseMalformed(tag: unknown, draft: unknown): void {
  if (typeof tag !== 'string' || !/^[a-z][^\sA-Z/>]*-[^\sA-Z/>]*$/.test(tag))
    fail(
      String(tag),
      ['tag'],
      "must be lower case and contain a hyphen, such as 'bale-stepper' (a valid custom element name)",
      'the tag',
    )
  if (!isObject(draft)) fail(tag, [], 'must be an object of clauses', 'the contract')
  for (const key of Object.keys(draft))
    if (!ALL.includes(key)) fail(tag, [key], `does not exist${hint(key, ALL)}`, `the clause '${key}'`)
  const whole = Object.fromEntries(Object.entries(draft).filter(([key]) => Object.hasOwn(WHOLE, key)))
  members(tag, [], whole, WHOLE_KINDS)
  for (const [section, kinds] of Object.entries(SECTION_KINDS)) clauses(tag, draft, section, kinds)
  standOnce(tag, draft)
  haveAWayIn(tag, draft)
  references(tag, [], whole, WHOLE_KINDS, draft)
  for (const [section, kinds] of Object.entries(SECTION_KINDS))
    for (const [name, clause] of Object.entries((draft[section] ?? {}) as Record<string, Draft>))
      references(tag, [section, name], clause, kinds, draft)
}

function clauses(tag: string, draft: Draft, section: string, kinds: Kinds): void {
  const entries = draft[section] ?? {}
  if (!isObject(entries)) fail(tag, [section], 'must be an object with a clause for each name')
  for (const [name, clause] of Object.entries(entries)) {
    const at = [section, name]
    if (NO_NAMES.includes(name)) fail(tag, at, 'cannot have this name; choose another')
    if (!isObject(clause)) fail(tag, at, 'must be an object of clauses')
    members(tag, at, clause, kinds)
    if ('type' in kinds && !('type' in clause))
      fail(tag, at, 'has no type; write type: Type.String(), or another data type')
    if (section === 'drafts')
      for (const part of ['of', 'event'])
        if (!(part in clause))
          fail(
            tag,
            at,
            `does not say ${part === 'of' ? 'what it is a draft of' : 'with which event it is saved'}; write ${part}: '…'`,
          )
  }
}

function members(tag: string, at: Path, clause: Draft, kinds: Kinds): void {
  const misfit = misfitOf(at, clause, kinds)
  if (misfit !== undefined) fail(tag, misfit.at, misfit.wrong, misfit.what)
}

function standOnce(tag: string, draft: Draft): void {
  const [properties, values] = [namesIn(draft, 'properties'), namesIn(draft, 'values')]
  for (const name of namesIn(draft, 'readings'))
    if ([...properties, ...values].includes(name))
      fail(
        tag,
        ['readings', name],
        'is a reading and a property or value too; a reading is what owners can only read',
        `'${name}'`,
      )
  for (const name of values)
    if (properties.includes(name))
      fail(
        tag,
        ['values', name],
        'stands under properties and under values; a two-way value is declared once, under values',
        `'${name}'`,
      )
}

/** What has only its attribute needs one. */
function haveAWayIn(tag: string, draft: Draft): void {
  for (const section of ['properties', 'values'])
    for (const [name, { only, attribute, type }] of Object.entries((draft[section] ?? {}) as Record<string, Draft>))
      if (only === 'attribute' && (attribute === false || (attribute === undefined && !isScalar(type as TSchema))))
        fail(tag, [section, name], `has only its attribute, and none that can say it; name one: attribute: '…'`)
}

/** Every name that one clause gives for another must be there. */
function references(tag: string, at: Path, clause: Draft, kinds: Kinds, draft: Draft): void {
  for (const [key, kind] of Object.entries(kinds)) {
    const value = clause[key]
    if (value === undefined) continue
    for (const name of kind.names?.in(value) ?? []) {
      const among = namesAmong(draft, kind.names?.of ?? 'given')
      if (typeof name === 'string' && !among.includes(name))
        fail(tag, [...at, key], `names '${name}', which is not declared${hint(name, among)}`)
    }
    if (kind.parts !== undefined && isObject(value)) references(tag, [...at, key], value, kind.parts, draft)
  }
}

function namesAmong(draft: Draft, of: NameSection): string[] {
  return of === 'given' ? [...namesIn(draft, 'properties'), ...namesIn(draft, 'values')] : namesIn(draft, of)
}

function namesIn(draft: Draft, section: string): string[] {
  return Object.keys((draft[section] ?? {}) as object)
}

function fail(tag: string, at: Path, wrong: string, what = at.join('.')): never {
  throw new CaulkerError('malformed-contract', `contract '${tag}': ${what} ${wrong}`, { at })
}
