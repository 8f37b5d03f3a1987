import { HOST_KEYWORD, isHostObject } from './host-object.js'

export type TypeCheck = (value: unknown) => boolean
type Schema = Readonly<Record<string, unknown>>
type Made = TypeCheck | undefined

/** Where references lead: the schema that they stand in, and what was made of what they lead to. */
interface Root {
  readonly schema: Schema
  readonly made: Map<string, TypeCheck>
  readonly isWhole?: boolean
}

/**
 * A check of a data type (JSON Schema 2020-12, validation vocabulary): made once, asked often. What is unevaluated, dynamic references and
 * content are not looked at.
 */
export function checkerOf(schema: unknown, root?: Root): TypeCheck {
  if (typeof schema === 'boolean') return () => schema
  if (typeof schema !== 'object' || schema === null) return () => true
  const of = schema as Schema
  const at: Root = root ?? { schema: of, made: new Map() }
  const checks = KEYWORDS.flatMap(([keyword, make]) =>
    keyword in of
      ? (make(of[keyword], of, (part) => (at.isWhole === true ? checkerOf(part, at) : lateChecker(part, at)), at) ?? [])
      : [],
  )
  if (checks.length === 1) return checks[0] as TypeCheck
  return (value) => {
    for (const check of checks) if (!check(value)) return false
    return true
  }
}

/** Makes every part of a check at once: throws where a part of the type cannot be read, such as a pattern that is none. */
export function refuseUnreadable(schema: unknown): void {
  checkerOf(schema, { schema: schema as Schema, made: new Map(), isWhole: true })
}

/** A part is made when it is first asked: a type may be nested deeper than any call. */
function lateChecker(part: unknown, root: Root): TypeCheck {
  let made: TypeCheck | undefined
  return (value) => (made ??= checkerOf(part, root))(value)
}

type Keyword = readonly [
  name: string,
  make: (its: unknown, schema: Schema, check: (schema: unknown) => TypeCheck, root: Root) => Made,
]

const TYPES: Readonly<Record<string, TypeCheck>> = {
  string: (value) => typeof value === 'string',
  number: (value) => Number.isFinite(value),
  integer: (value) => Number.isInteger(value),
  boolean: (value) => typeof value === 'boolean',
  null: (value) => value === null,
  object: isObject,
  array: (value) => Array.isArray(value),
  undefined: (value) => value === undefined,
  bigint: (value) => typeof value === 'bigint',
  function: (value) => typeof value === 'function',
  symbol: (value) => typeof value === 'symbol',
}

const KEYWORDS: readonly Keyword[] = [
  ['type', (its) => (Array.isArray(its) ? anyOf(its.map(typeNamed)) : typeNamed(its))],
  [HOST_KEYWORD, (its) => (value) => isHostObject(value, String(its))],
  ['const', (its) => (value) => same(value, its)],
  ['enum', (its) => (value) => list(its).some((one) => same(value, one))],
  ...numbers([
    ['minimum', (value, least) => value >= least],
    ['maximum', (value, most) => value <= most],
    ['exclusiveMinimum', (value, least) => value > least],
    ['exclusiveMaximum', (value, most) => value < most],
    ['multipleOf', (value, step) => isMultiple(value, step)],
  ]),
  ['minLength', (its) => texts((text) => lengthOf(text) >= Number(its))],
  ['maxLength', (its) => texts((text) => lengthOf(text) <= Number(its))],
  [
    'pattern',
    (its) => {
      const pattern = new RegExp(String(its), 'u')
      return texts((text) => pattern.test(text))
    },
  ],
  [
    'format',
    (its) => {
      const format = Object.hasOwn(FORMATS, String(its)) ? FORMATS[String(its)] : undefined
      return format && texts(format)
    },
  ],
  ['minItems', (its) => lists((all) => all.length >= Number(its))],
  ['maxItems', (its) => lists((all) => all.length <= Number(its))],
  [
    'uniqueItems',
    (its) =>
      its === true
        ? lists((all) => all.every((one, at) => !all.slice(0, at).some((other) => same(one, other))))
        : undefined,
  ],
  [
    'prefixItems',
    (its, _schema, check) => {
      const each = list(its).map(check)
      return lists((all) => all.every((one, at) => each[at]?.(one) ?? true))
    },
  ],
  [
    'items',
    (its, schema, check) => {
      if (Array.isArray(its)) {
        // The older form of a tuple: a list, and `additionalItems` for the rest.
        const [each, rest] = [
          its.map(check),
          'additionalItems' in schema ? check(schema['additionalItems']) : undefined,
        ]
        return lists((all) => all.every((one, at) => (each[at] ?? rest)?.(one) ?? true))
      }
      const [one, first] = [check(its), list(schema['prefixItems']).length]
      return lists((all) => all.every((entry, at) => at < first || one(entry)))
    },
  ],
  [
    'contains',
    (its, schema, check) => {
      const one = check(its)
      const [least, most] = [Number(schema['minContains'] ?? 1), Number(schema['maxContains'] ?? Infinity)]
      return lists((all) => {
        const count = all.filter(one).length
        return count >= least && count <= most
      })
    },
  ],
  ['required', (its) => objects((of) => list(its).every((name) => Object.hasOwn(of, name as string)))],
  ['minProperties', (its) => objects((of) => Object.keys(of).length >= Number(its))],
  ['maxProperties', (its) => objects((of) => Object.keys(of).length <= Number(its))],
  [
    'properties',
    (its, _schema, check) => {
      const each = Object.entries(its as Schema).map(([name, one]) => [name, check(one)] as const)
      return objects((of) => each.every(([name, one]) => !Object.hasOwn(of, name) || one(of[name])))
    },
  ],
  [
    'patternProperties',
    (its, _schema, check) => {
      const each = patterns(its).map(([pattern, one]) => [pattern, check(one)] as const)
      return objects((of) =>
        Object.entries(of).every(([name, value]) => each.every(([pattern, one]) => !pattern.test(name) || one(value))),
      )
    },
  ],
  [
    'additionalProperties',
    (its, schema, check) => {
      const [one, named, matched] = [
        check(its),
        (schema['properties'] ?? {}) as Schema,
        patterns(schema['patternProperties']),
      ]
      return objects((of) =>
        Object.entries(of).every(
          ([name, value]) =>
            Object.hasOwn(named, name) || matched.some(([pattern]) => pattern.test(name)) || one(value),
        ),
      )
    },
  ],
  [
    'propertyNames',
    (its, _schema, check) => {
      const one = check(its)
      return objects((of) => Object.keys(of).every(one))
    },
  ],
  [
    'dependentRequired',
    (its) =>
      objects((of) =>
        Object.entries(its as Schema).every(
          ([name, needs]) => !Object.hasOwn(of, name) || list(needs).every((one) => Object.hasOwn(of, one as string)),
        ),
      ),
  ],
  [
    'dependentSchemas',
    (its, _schema, check) => {
      const each = Object.entries(its as Schema).map(([name, one]) => [name, check(one)] as const)
      return objects((of) => each.every(([name, one]) => !Object.hasOwn(of, name) || one(of)))
    },
  ],
  [
    'allOf',
    (its, _schema, check) => {
      const each = list(its).map(check)
      return (value) => each.every((one) => one(value))
    },
  ],
  ['anyOf', (its, _schema, check) => anyOf(list(its).map(check))],
  [
    'oneOf',
    (its, _schema, check) => {
      const each = list(its).map(check)
      return (value) => each.filter((one) => one(value)).length === 1
    },
  ],
  [
    'not',
    (its, _schema, check) => {
      const one = check(its)
      return (value) => !one(value)
    },
  ],
  [
    'if',
    (its, schema, check) => {
      const [is, yes, no] = [check(its), check(schema['then'] ?? true), check(schema['else'] ?? true)]
      return (value) => (is(value) ? yes(value) : no(value))
    },
  ],
  ['$ref', (its, _schema, check, root) => referred(String(its), check, root)],
  [
    '~refine',
    (its) => {
      const each = list(its) as { check: TypeCheck }[]
      return (value) => each.every((one) => one.check(value))
    },
  ],
]

/** Formats that fields of a form have; any other says nothing about a value. */
const FORMATS: Readonly<Record<string, (text: string) => boolean>> = {
  date: isDate,
  time: (text) => /^([01]\d|2[0-3]):[0-5]\d:([0-5]\d|60)(\.\d+)?(z|[+-]([01]\d|2[0-3]):?[0-5]\d)$/i.test(text),
  'date-time': (text) => {
    const [date, time, ...rest] = text.split(/t|\s/i)
    return rest.length === 0 && isDate(date ?? '') && FORMATS['time']?.(time ?? '') === true
  },
  email: (text) =>
    /^[a-z0-9!#$%&'*+/=?^_`{|}~-]+(\.[a-z0-9!#$%&'*+/=?^_`{|}~-]+)*@[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/i.test(
      text,
    ),
  uuid: (text) => /^(urn:uuid:)?[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i.test(text),
  uri: (text) => /^[a-z][a-z0-9+.-]*:[^\s<>"{}|\\^`]+$/i.test(text),
  url: (text) => /^(https?|ftp):\/\/[^\s/$.?#][^\s]*$/i.test(text),
}

function isDate(text: string): boolean {
  const [, year, month, day] = /^(\d{4})-(\d\d)-(\d\d)$/.exec(text) ?? []
  if (year === undefined) return false
  const days = new Date(Date.UTC(Number(year), Number(month), 0)).getUTCDate()
  return Number(month) >= 1 && Number(month) <= 12 && Number(day) >= 1 && Number(day) <= days
}

/** `#`, a JSON Pointer into the schema (RFC 6901), or the `$id` or `$anchor` of one of its definitions. */
function referred(ref: string, check: (schema: unknown) => TypeCheck, root: Root): TypeCheck {
  return (value) => {
    let made = root.made.get(ref)
    if (made === undefined) root.made.set(ref, (made = check(schemaAt(ref, root.schema))))
    return made(value)
  }
}

function schemaAt(ref: string, root: Schema): unknown {
  if (ref === '#') return root
  if (ref.startsWith('#/'))
    return ref
      .slice(2)
      .split('/')
      .map((part) => decodeURIComponent(part).replaceAll('~1', '/').replaceAll('~0', '~'))
      .reduce<unknown>((part, name) => (part as Schema | undefined)?.[name], root)
  const named = Object.values((root['$defs'] ?? root['definitions'] ?? {}) as Record<string, Schema>)
  return named.find((one) => one['$id'] === ref || `#${String(one['$anchor'])}` === ref)
}

/** A name that is no type says nothing; `check` says so. */
function typeNamed(name: unknown): TypeCheck {
  return (Object.hasOwn(TYPES, String(name)) ? TYPES[String(name)] : undefined) ?? (() => true)
}

function anyOf(checks: readonly TypeCheck[]): TypeCheck {
  return (value) => checks.some((check) => check(value))
}

function numbers(keywords: readonly (readonly [string, (value: number, its: number) => boolean])[]): Keyword[] {
  return keywords.map(([name, holds]) => [
    name,
    (its) => (value: unknown) => typeof value !== 'number' || holds(value, Number(its)),
  ])
}

function texts(holds: (text: string) => boolean): TypeCheck {
  return (value) => typeof value !== 'string' || holds(value)
}

function lists(holds: (all: readonly unknown[]) => boolean): TypeCheck {
  return (value) => !Array.isArray(value) || holds(value)
}

function objects(holds: (of: Schema) => boolean): TypeCheck {
  return (value) => !isObject(value) || holds(value)
}

function isObject(value: unknown): value is Schema {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

function list(its: unknown): readonly unknown[] {
  return Array.isArray(its) ? its : []
}

function patterns(its: unknown): [RegExp, unknown][] {
  return Object.entries((its ?? {}) as Schema).map(([pattern, one]) => [new RegExp(pattern, 'u'), one])
}

/** Characters, not code units (RFC 8259). */
function lengthOf(text: string): number {
  let length = 0
  for (const _character of text) length++
  return length
}

function isMultiple(value: number, step: number): boolean {
  if (Number.isInteger(value) && Number.isInteger(step)) return value % step === 0
  const times = value / step
  return Math.abs(times - Math.round(times)) < 1e-10 * Math.max(1, Math.abs(times))
}

/** Equality of what JSON can hold. */
function same(one: unknown, other: unknown): boolean {
  if (one === other) return true
  if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null) return false
  if (Array.isArray(one) !== Array.isArray(other)) return false
  const names = Object.keys(one)
  return (
    names.length === Object.keys(other).length &&
    names.every((name) => Object.hasOwn(other, name) && same(one[name as never], other[name as never]))
  )
}
