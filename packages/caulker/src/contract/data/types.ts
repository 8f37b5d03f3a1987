import type { Static, TSchema, TUnsafe } from 'typebox'
import { checkerOf, type TypeCheck } from './checker.js'
import { HOST_KEYWORD, isHostObject } from './host-object.js'

export { HOST_KEYWORD, type Static, type TSchema, type TUnsafe }

/** Named data types: JSON Schema 2020-12, built with `Type` or written by hand. */
export type SchemaMap = Record<string, TSchema>

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
  return { [HOST_KEYWORD]: name } as never as TUnsafe<HostObjects[N]>
}

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

/** The check of a data type, made once for each. */
export function checkOf(type: TSchema): TypeCheck {
  let check = checks.get(type)
  if (check === undefined) checks.set(type, (check = checkerOf(type)))
  return check
}

/** Whether a value is a host object: compared by identity and never cloned, but for dates. */
export function isHost(value: unknown): value is object {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) return false
  const prototype: unknown = Object.getPrototypeOf(value)
  return prototype !== null && prototype !== Object.prototype && Object.getPrototypeOf(prototype) !== null
}

/** Whether a value is a date, also of another window. */
export function isDate(value: unknown): value is Date {
  return isHostObject(value, 'Date')
}

/** Equality of values: plain data structurally, NaN equals NaN, dates by their time, other host objects by identity. */
export function equal(one: unknown, other: unknown): boolean {
  if (Object.is(one, other) || one === other) return true
  if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null) return false
  if (isHost(one) || isHost(other)) return isDate(one) && isDate(other) && Object.is(one.getTime(), other.getTime())
  if (Array.isArray(one) !== Array.isArray(other)) return false
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
