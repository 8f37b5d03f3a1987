import { closest } from '../../words/index.js'
import { pointerParts, valueAt } from './pointer.js'
import { printed } from './print.js'
import { Type } from './builder.js'
import { accepts, HOST_KEYWORD, type TSchema } from './types.js'

/** What is wrong in a data type, and where in it. */
export interface SchemaProblem {
  readonly at: readonly string[]
  readonly says: string
  /** The word that was meant, where one is near. */
  readonly meant?: string | undefined
}

const KINDS = ['null', 'boolean', 'object', 'array', 'number', 'string', 'integer']
const kind = Type.Enum(KINDS as [string])
const count = Type.Integer({ minimum: 0 })
const texts = Type.Array(Type.String())
const any = Type.Unknown()

/** The keywords whose value is one schema, a list of them, or schemas by name (JSON Schema 2020-12, Core, section 10). */
const HOLDS = {
  one: [
    'additionalProperties',
    'contains',
    'contentSchema',
    'else',
    'if',
    'items',
    'not',
    'propertyNames',
    'then',
    'unevaluatedItems',
    'unevaluatedProperties',
  ],
  list: ['allOf', 'anyOf', 'oneOf', 'prefixItems'],
  named: ['$defs', 'definitions', 'dependentSchemas', 'patternProperties', 'properties'],
} as const

/** What every other keyword may be (JSON Schema 2020-12, Validation, sections 6 to 9, and Core, section 8). */
const VALUES: Readonly<Record<string, TSchema>> = {
  $anchor: Type.String(),
  $comment: Type.String(),
  $dynamicAnchor: Type.String(),
  $dynamicRef: Type.String(),
  $id: Type.String(),
  $ref: Type.String(),
  $schema: Type.String(),
  $vocabulary: any,
  additionalItems: any,
  const: any,
  contentEncoding: Type.String(),
  contentMediaType: Type.String(),
  default: any,
  dependentRequired: Type.Record(Type.String(), texts),
  deprecated: Type.Boolean(),
  description: Type.String(),
  enum: Type.Array(any),
  examples: Type.Array(any),
  exclusiveMaximum: Type.Number(),
  exclusiveMinimum: Type.Number(),
  format: Type.String(),
  maxContains: count,
  maximum: Type.Number(),
  maxItems: count,
  maxLength: count,
  maxProperties: count,
  minContains: count,
  minimum: Type.Number(),
  minItems: count,
  minLength: count,
  minProperties: count,
  multipleOf: Type.Number({ exclusiveMinimum: 0 }),
  pattern: Type.String(),
  readOnly: Type.Boolean(),
  required: texts,
  title: Type.String(),
  type: Type.Union([kind, Type.Array(kind)]),
  uniqueItems: Type.Boolean(),
  writeOnly: Type.Boolean(),
  [HOST_KEYWORD]: Type.String(),
}
const KEYWORDS = [...Object.keys(VALUES), ...HOLDS.one, ...HOLDS.list, ...HOLDS.named]
const MOST_DEEP = 200

/**
 * What no schema can say: a keyword with a value that it cannot have, a pattern that is none, a `$ref` to nowhere, and a word that is
 * almost a keyword. Other keywords are let be, as the standard wants it.
 */
export function schemaProblems(schema: unknown): Iterable<SchemaProblem> {
  return isOneWord(schema) ? [] : problemsIn(schema, [], schema)
}

/** Most types are one word, and there may be thousands of them. */
function isOneWord(schema: unknown): boolean {
  for (const key in schema as object)
    if (key !== 'type' || !KINDS.includes((schema as { type: string }).type)) return false
  return true
}

function* problemsIn(schema: unknown, at: readonly string[], root: unknown): Iterable<SchemaProblem> {
  if (typeof schema === 'boolean') return
  if (at.length > MOST_DEEP) return yield { at: at.slice(0, 4), says: 'it is nested too deep to be judged' }
  if (typeof schema !== 'object' || schema === null || Array.isArray(schema))
    return yield { at, says: `${printed(schema)} is no data type` }
  for (const [key, value] of Object.entries(schema)) {
    if (key.startsWith('~')) continue
    const here = [...at, key]
    if (HOLDS.one.includes(key as never)) {
      // In the older form a tuple is a list under items.
      for (const [step, one] of Array.isArray(value) ? value.entries() : ([[undefined, value]] as const))
        yield* problemsIn(one, step === undefined ? here : [...here, String(step)], root)
    } else if (HOLDS.list.includes(key as never) || HOLDS.named.includes(key as never)) {
      const isList = HOLDS.list.includes(key as never)
      if (typeof value !== 'object' || value === null || Array.isArray(value) !== isList)
        yield { at: here, says: `'${key}' must be ${isList ? 'a list of data types' : 'data types by name'}` }
      else for (const [name, one] of Object.entries(value)) yield* problemsIn(one, [...here, name], root)
    } else yield* keywordProblems(key, value, here, root)
  }
}

function* keywordProblems(key: string, value: unknown, at: readonly string[], root: unknown): Iterable<SchemaProblem> {
  const allowed = VALUES[key]
  if (allowed === undefined) {
    const near = closest(key, KEYWORDS)
    if (near !== undefined) yield { at, says: `'${key}' is no keyword of JSON Schema`, meant: near }
    return
  }
  if (!accepts(allowed, value)) {
    const near = key === 'type' && typeof value === 'string' ? closest(value, KINDS) : undefined
    yield { at, says: `'${key}' cannot be ${printed(value)}`, meant: near }
  } else if (key === 'pattern' && !isPattern(value as string))
    yield { at, says: `'pattern' is no regular expression: ${printed(value)}` }
  else if (key === '$ref' && (value as string).startsWith('#') && !leadsSomewhere(value as string, root))
    yield { at, says: `'$ref' leads to ${printed(value)}, and there is nothing` }
}

function isPattern(text: string): boolean {
  try {
    return new RegExp(text, 'u') instanceof RegExp
  } catch {
    return false
  }
}

/** A pointer into the schema itself (JSON Schema 2020-12, Core, section 9); anchors are looked for by name. */
function leadsSomewhere(reference: string, root: unknown): boolean {
  const fragment = decodeURIComponent(reference.slice(1))
  if (fragment !== '' && !fragment.startsWith('/'))
    return JSON.stringify(root).includes(`chor":${JSON.stringify(fragment)}`)
  const parts = pointerParts(fragment)
  return parts !== undefined && valueAt(root, parts) !== undefined
}
