import { dequal } from 'dequal'
import { HOST_KEYWORD, accepts, type TSchema } from './types.js'
import { samplesOf, tupleHeads } from './samples.js'

/** Whether every value of one type is also of another; a no comes with a value that shows it. */
export type Compatibility =
  { readonly answer: 'yes' } | { readonly answer: 'no'; readonly witness: unknown } | { readonly answer: 'unknown' }

const YES: Compatibility = { answer: 'yes' }

type Schema = Record<string, unknown> | boolean
type Keywords = Record<string, unknown>

/**
 * Decides on the schemas themselves whether all that `narrower` allows is allowed by `wider`. A yes is proved keyword by keyword, a no
 * shows a value that the one accepts and the other refuses, and everything else is `unknown`.
 */
export function isWithin(narrower: TSchema, wider: TSchema): Compatibility {
  if (narrower === wider || proves(narrower as Schema, wider as Schema)) return YES
  for (const witness of samplesOf(narrower, hostStandIns))
    if (!accepts(wider, witness)) return { answer: 'no', witness }
  return { answer: 'unknown' }
}

const ANNOTATIONS = new Set([
  'title',
  'description',
  'default',
  'examples',
  '$comment',
  '$id',
  '$schema',
  'deprecated',
  'readOnly',
  'writeOnly',
])
const UNDERSTOOD: Record<string, readonly string[]> = {
  number: ['minimum', 'maximum', 'exclusiveMinimum', 'exclusiveMaximum', 'multipleOf'],
  string: ['minLength', 'maxLength', 'pattern', 'format'],
  array: ['items', 'minItems', 'maxItems', 'prefixItems', 'additionalItems', 'uniqueItems'],
  object: ['properties', 'required', 'additionalProperties'],
}

function proves(narrow: Schema, wide: Schema): boolean {
  if (wide === true || narrow === false || dequal(narrow, wide)) return true
  if (narrow === true || wide === false) return false
  if (keys(wide).length === 0) return true
  const options = (narrow['anyOf'] ?? narrow['oneOf']) as Schema[] | undefined
  if (options !== undefined) return options.every((option) => proves(option, wide))
  const listed = valuesOf(narrow)
  if (listed !== undefined) return listed.every((value) => accepts(wide as TSchema, value))
  if (Array.isArray(narrow['type'])) return narrow['type'].every((kind) => proves({ ...narrow, type: kind }, wide))
  if (Array.isArray(narrow['allOf'])) return narrow['allOf'].some((part) => proves(part as Schema, wide))
  const alternatives = wide['anyOf'] as Schema[] | undefined
  if (alternatives !== undefined) return keys(wide).length === 1 && alternatives.some((one) => proves(narrow, one))
  if (Array.isArray(wide['allOf']))
    return keys(wide).length === 1 && wide['allOf'].every((part) => proves(narrow, part as Schema))
  if (Array.isArray(wide['type'])) return wide['type'].some((kind) => proves(narrow, { ...wide, type: kind }))
  if (typeof wide[HOST_KEYWORD] === 'string') {
    const name = narrow[HOST_KEYWORD]
    return (
      keys(wide).length === 1 && (name === wide[HOST_KEYWORD] || (name === 'File' && wide[HOST_KEYWORD] === 'Blob'))
    )
  }
  return provesKind(narrow, wide)
}

function provesKind(narrow: Keywords, wide: Keywords): boolean {
  const kind = wide['type'] === 'integer' ? 'number' : String(wide['type'])
  const narrowKind = narrow['type'] === 'integer' ? 'number' : String(narrow['type'])
  const understood = UNDERSTOOD[kind]
  if (
    understood === undefined ||
    kind !== narrowKind ||
    keys(wide).some((key) => key !== 'type' && !understood.includes(key))
  )
    return false
  if (kind === 'number') return provesNumber(narrow, wide)
  if (kind === 'string') return provesString(narrow, wide)
  return kind === 'array' ? provesArray(narrow, wide) : provesObject(narrow, wide)
}

function provesNumber(narrow: Keywords, wide: Keywords): boolean {
  const isWhole =
    narrow['type'] === 'integer' || (typeof narrow['multipleOf'] === 'number' && Number.isInteger(narrow['multipleOf']))
  if (wide['type'] === 'integer' && !isWhole) return false
  const multiple = wide['multipleOf']
  const by = (narrow['multipleOf'] ?? (narrow['type'] === 'integer' ? 1 : undefined)) as number | undefined
  if (typeof multiple === 'number' && (by === undefined || !Number.isInteger(by / multiple))) return false
  return provesLeast(narrow, wide) && provesMost(narrow, wide)
}

function provesLeast(narrow: Keywords, wide: Keywords): boolean {
  const from = number(narrow['minimum'], -Infinity)
  const above = number(narrow['exclusiveMinimum'], -Infinity)
  const start = Math.max(from, above)
  const isOpen = above >= from && above > -Infinity
  return start >= number(wide['minimum'], -Infinity) && exceeds(start, isOpen, wide['exclusiveMinimum'], 1)
}

function provesMost(narrow: Keywords, wide: Keywords): boolean {
  const to = number(narrow['maximum'], Infinity)
  const below = number(narrow['exclusiveMaximum'], Infinity)
  const end = Math.min(to, below)
  const isOpen = below <= to && below < Infinity
  return end <= number(wide['maximum'], Infinity) && exceeds(end, isOpen, wide['exclusiveMaximum'], -1)
}

function exceeds(end: number, isOpen: boolean, limit: unknown, sign: 1 | -1): boolean {
  return typeof limit !== 'number' || end * sign > limit * sign || (end === limit && isOpen)
}

function provesString(narrow: Keywords, wide: Keywords): boolean {
  return (
    number(narrow['minLength'], 0) >= number(wide['minLength'], 0) &&
    number(narrow['maxLength'], Infinity) <= number(wide['maxLength'], Infinity) &&
    (wide['pattern'] === undefined || narrow['pattern'] === wide['pattern']) &&
    (wide['format'] === undefined || narrow['format'] === wide['format'])
  )
}

function provesArray(narrow: Keywords, wide: Keywords): boolean {
  const narrowHeads = (tupleHeads(narrow) ?? []) as Schema[]
  const wideHeads = (tupleHeads(wide) ?? []) as Schema[]
  const longest = longestOf(narrow, narrowHeads)
  const itemOf = (schema: Keywords, heads: Schema[], at: number): Schema => heads[at] ?? restOf(schema)
  const positions = Math.min(Math.max(narrowHeads.length, wideHeads.length), longest)
  const heads = Array.from({ length: positions }, (_, at) =>
    proves(itemOf(narrow, narrowHeads, at), itemOf(wide, wideHeads, at)),
  )
  return (
    number(narrow['minItems'], 0) >= number(wide['minItems'], 0) &&
    longest <= number(wide['maxItems'], Infinity) &&
    (wide['uniqueItems'] !== true || narrow['uniqueItems'] === true) &&
    heads.every(Boolean) &&
    (longest <= positions || proves(restOf(narrow), restOf(wide)))
  )
}

function longestOf(schema: Keywords, heads: Schema[]): number {
  return Math.min(number(schema['maxItems'], Infinity), restOf(schema) === false ? heads.length : Infinity)
}

function restOf(schema: Keywords): Schema {
  if (schema['additionalItems'] === false) return false
  const items = schema['items'] as Schema | Schema[] | undefined
  return items === undefined || Array.isArray(items) ? true : items
}

function provesObject(narrow: Keywords, wide: Keywords): boolean {
  const from = (narrow['properties'] ?? {}) as Record<string, Schema>
  const to = (wide['properties'] ?? {}) as Record<string, Schema>
  const required = (narrow['required'] ?? []) as string[]
  const member = (members: Record<string, Schema>, schema: Keywords, name: string): Schema =>
    Object.hasOwn(members, name)
      ? (members[name] as Schema)
      : ((schema['additionalProperties'] as Schema | undefined) ?? true)
  return (
    ((wide['required'] ?? []) as string[]).every((name) => required.includes(name)) &&
    [...new Set([...Object.keys(from), ...Object.keys(to)])].every((name) =>
      proves(member(from, narrow, name), member(to, wide, name)),
    ) &&
    proves(
      (narrow['additionalProperties'] as Schema | undefined) ?? true,
      (wide['additionalProperties'] as Schema | undefined) ?? true,
    )
  )
}

/** The values of a type that has only a few. */
function valuesOf(schema: Keywords): unknown[] | undefined {
  if (Array.isArray(schema['enum'])) return schema['enum']
  if ('const' in schema) return [schema['const']]
  if (schema['type'] === 'boolean') return [true, false]
  return schema['type'] === 'null' ? [null] : undefined
}

function keys(schema: Keywords): string[] {
  return Object.keys(schema).filter((key) => !ANNOTATIONS.has(key))
}

function number(value: unknown, otherwise: number): number {
  return typeof value === 'number' ? value : otherwise
}

function hostStandIns(name: string): unknown[] {
  if (name === 'Date') return [new Date(0)]
  return [{ [Symbol.toStringTag]: name, name: 'hull.png', size: 0, type: '' }]
}
