import { Type, type Static, type TSchema } from 'typebox'
import { Compile } from 'typebox/compile'
import { Check } from 'typebox/value'

export { Type, type Static, type TSchema }

/** Named data types: JSON Schema 2020-12, built with `Type` or written by hand. */
export type SchemaMap = Record<string, TSchema>

/** The one extension keyword: it names a host object (a File, a Date) that JSON cannot hold. */
export const HOST_KEYWORD = 'hostObject'

interface HostObjects {
  File: File
  Blob: Blob
  Date: Date
}

/**
 * The data type of a host object, which is compared by identity and never copied.
 *
 * @param name the name of its class: `File`, `Blob` or `Date`
 * @example
 * ```ts
 * import { Type, host, accepts } from 'caulker'
 * const photo = Type.Union([host('File'), Type.Null()])
 * console.assert(accepts(photo, new File(['hull'], 'hull.png')))
 * console.assert(!accepts(photo, 'hull.png'))
 * ```
 */
export function host<N extends keyof HostObjects>(name: N) {
  return Type.Unsafe<HostObjects[N]>({ [HOST_KEYWORD]: name })
}

type TypeCheck = (value: unknown) => boolean
const checks = new WeakMap<object, TypeCheck>()

/**
 * Whether a value is of a data type (JSON Schema 2020-12, validation).
 *
 * @example
 * ```ts
 * import { Type, accepts } from 'caulker'
 * console.assert(accepts(Type.Integer({ minimum: 0 }), 12))
 * console.assert(!accepts(Type.Integer(), '12'))
 * ```
 */
export function accepts(type: TSchema, value: unknown): boolean {
  return checkOf(type)(value)
}

/** The compiled check of a data type, made once for each. */
export function checkOf(type: TSchema): TypeCheck {
  let check = checks.get(type)
  if (check === undefined) checks.set(type, (check = compileCheck(type)))
  return check
}

/** Compiling costs as much as many checks, so a type is compiled when it has been asked often. */
const ASKED_OFTEN = 20

function compileCheck(type: TSchema): TypeCheck {
  const plain = plainCheck(type)
  if (plain !== undefined) return plain
  let readable: TSchema | undefined
  let validator: { Check: TypeCheck } | undefined
  let asked = 0
  return (value) => {
    if (validator !== undefined) return validator.Check(value)
    readable ??= withHostChecks(type) as TSchema
    if (++asked < ASKED_OFTEN) return Check(readable, value)
    validator = Compile(readable)
    return validator.Check(value)
  }
}

/** Most types are one word; asking for that word alone costs nothing. */
const PLAIN: Readonly<Record<string, TypeCheck>> = {
  string: (value) => typeof value === 'string',
  number: (value) => Number.isFinite(value),
  integer: (value) => Number.isInteger(value),
  boolean: (value) => typeof value === 'boolean',
  null: (value) => value === null,
}

function plainCheck(type: TSchema): TypeCheck | undefined {
  const { type: word } = type as { type?: unknown }
  if (typeof word !== 'string' || !Object.hasOwn(PLAIN, word)) return undefined
  for (const key in type) if (key !== 'type' && !key.startsWith('~')) return undefined
  return PLAIN[word]
}

/** A copy of the schema whose host keywords are checked; plain JSON Schema knows nothing of them. */
function withHostChecks(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(withHostChecks)
  if (schema === null || typeof schema !== 'object' || '~refine' in schema) return schema
  const copy: Record<string, unknown> = {}
  for (const [key, part] of Object.entries(schema))
    copy[key] = key === 'const' || key === 'enum' ? part : withHostChecks(part)
  const name = copy[HOST_KEYWORD]
  return typeof name === 'string' ? Type.Refine(Type.Unsafe(copy), (value) => isHostObject(value, name)) : copy
}

/** By its class string, so that an object of another window counts too. */
function isHostObject(value: unknown, name: string): boolean {
  if (value === null || typeof value !== 'object') return false
  const found = Object.prototype.toString.call(value).slice(8, -1)
  return found === name || (name === 'Blob' && found === 'File')
}

/** Whether a value is a host object: compared by identity, never cloned. */
export function isHost(value: unknown): value is object {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) return false
  const prototype: unknown = Object.getPrototypeOf(value)
  return prototype !== null && prototype !== Object.prototype && Object.getPrototypeOf(prototype) !== null
}

/** Equality of values: plain data structurally, NaN equals NaN, host objects by identity. */
export function equal(one: unknown, other: unknown): boolean {
  if (Object.is(one, other) || one === other) return true
  if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null) return false
  if (isHost(one) || isHost(other) || Array.isArray(one) !== Array.isArray(other)) return false
  const names = Object.keys(one)
  return (
    names.length === Object.keys(other).length &&
    names.every((name) => Object.hasOwn(other, name) && equal(one[name as never], other[name as never]))
  )
}

/** A data type in a few words, for messages: `integer or null`. */
export function typeText(type: TSchema): string {
  const schema = type as Record<string, unknown>
  const union = schema['anyOf'] ?? schema['oneOf']
  if (Array.isArray(union)) return [...new Set(union.map((part) => typeText(part as TSchema)))].join(' or ')
  if (Array.isArray(schema['enum'])) return schema['enum'].map((one) => JSON.stringify(one)).join(' or ')
  if ('const' in schema) return JSON.stringify(schema['const'])
  if (typeof schema[HOST_KEYWORD] === 'string') return schema[HOST_KEYWORD]
  const kind = schema['type']
  if (Array.isArray(kind)) return kind.join(' or ')
  return typeof kind === 'string' ? kind : 'any value'
}

/** The builder writes tuples in an older form; a file holds the one of 2020-12. */
export function schemaJson(schema: TSchema): unknown {
  return JSON.parse(JSON.stringify(schema), (_key, part: unknown) => {
    const { items, additionalItems, ...rest } = (part ?? {}) as Record<string, unknown>
    return Array.isArray(items) ? { ...rest, prefixItems: items, items: additionalItems ?? true } : part
  }) as unknown
}
