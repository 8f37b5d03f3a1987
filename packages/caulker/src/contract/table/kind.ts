import { hint } from '../../words/index.js'
import { pointerParts } from '../data/pointer.js'
import type { TSchema } from '../data/types.js'

/** Where the names stand that a clause may give for others. */
export type NameSection = 'given' | 'properties' | 'values' | 'events'

/** What a clause may be written as: in a file, in a module, and what is said of anything else. */
export interface Kind<V> {
  /** Nothing where only a module can hold it. */
  readonly schema: TSchema | undefined
  /** What it has to be, for one that it cannot be. */
  wrong(value: unknown): string | undefined
  /** The names of other clauses that it gives: they have to be there. */
  readonly names?: { readonly of: NameSection; in(value: unknown): readonly unknown[] }
  /** The clauses inside it, where it is an object of them. */
  readonly parts?: Kinds
  /** Those of them that have to be there. */
  readonly must?: readonly string[]
  /** What each of its entries has to be, where it is an object of them by name. */
  readonly each?: Kind<any>
  /** Whether it is a data type, which is held against the schema of schemas. */
  readonly isType?: true
  /** Only for the compiler. */
  readonly types?: V
}

export type Kinds = Readonly<Record<string, Kind<any>>>

/** The first thing that a clause cannot be: where it is, what is wrong with it, and what is named for it where that is not the place. */
export interface Misfit {
  readonly at: readonly string[]
  readonly wrong: string
  readonly what?: string
}

/** The first of the clauses in an object that is not of its kind, or that no kind is known for. */
export function misfitOf(
  at: readonly string[],
  clause: Readonly<Record<string, unknown>>,
  kinds: Kinds,
): Misfit | undefined {
  for (const [key, value] of Object.entries(clause)) {
    const kind = Object.hasOwn(kinds, key) ? kinds[key] : undefined
    if (kind === undefined) {
      const near = hint(key, Object.keys(kinds))
      return at.length === 0
        ? { at: [key], wrong: `does not exist${near}`, what: `the part '${key}'` }
        : { at: [...at, key], wrong: `has no clause '${key}'${near}`, what: at.join('.') }
    }
    const misfit = value === undefined ? undefined : misfitIn([...at, key], value, kind)
    if (misfit !== undefined) return misfit
  }
  return undefined
}

/** The first thing in a value that is not of its kind. */
export function misfitIn(at: readonly string[], value: unknown, kind: Kind<any>): Misfit | undefined {
  const wrong = kind.wrong(value)
  if (wrong !== undefined) return { at, wrong }
  if (!isObject(value)) return undefined
  const missing = kind.must?.find((name) => value[name] === undefined)
  if (missing !== undefined)
    return { at: [...at, missing], wrong: kind.parts?.[missing]?.wrong(undefined) ?? 'must be there' }
  if (kind.parts !== undefined) return misfitOf(at, value, kind.parts)
  for (const [name, one] of kind.each === undefined ? [] : Object.entries(value)) {
    const misfit = misfitIn([...at, name], one, kind.each as Kind<any>)
    if (misfit !== undefined) return misfit
  }
  return undefined
}

export const judged =
  (isRight: (value: unknown) => boolean, must: string) =>
  (value: unknown): string | undefined =>
    isRight(value) ? undefined : must

export function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

const isText = (value: unknown): value is string => typeof value === 'string' && value !== ''
/** A schema for the file schema of contracts; the builder would come along into every app. */
function plain(schema: object): TSchema {
  return schema as TSchema
}

const textSchema = plain({ type: 'string', minLength: 1 })

export const text: Kind<string> = { schema: textSchema, wrong: judged(isText, 'must be a text') }

export const flag: Kind<boolean> = {
  schema: plain({ type: 'boolean' }),
  wrong: judged((value) => typeof value === 'boolean', 'must be true or false'),
}

/** Any value: what it may be depends on the type beside it. */
export const anything: Kind<unknown> = { schema: plain({}), wrong: () => undefined }

export function choice<const W extends string>(...words: readonly W[]): Kind<W> {
  return {
    schema: plain({ enum: words }),
    wrong: judged((value) => words.includes(value as W), `must be ${words.map((word) => `'${word}'`).join(' or ')}`),
  }
}

export const milliseconds: Kind<number> = {
  schema: plain({ type: 'number', minimum: 0 }),
  wrong: judged((value) => typeof value === 'number' && value >= 0, 'must be a number of milliseconds, 0 or more'),
}

export const count: Kind<number> = {
  schema: plain({ type: 'integer', minimum: 0 }),
  wrong: judged((value) => Number.isInteger(value) && (value as number) >= 0, 'must be a whole number, 0 or more'),
}

export const pointer: Kind<string> = {
  schema: plain({ type: 'string', pattern: '^(/([^~]|~[01])*)?$' }),
  wrong: judged(
    (value) => typeof value === 'string' && pointerParts(value) !== undefined,
    "must be a JSON Pointer, such as '/detail/value'",
  ),
}

export const dataType: Kind<TSchema> = {
  schema: plain({ $ref: 'https://json-schema.org/draft/2020-12/schema' }),
  wrong: judged(
    (value) => isObject(value) || typeof value === 'boolean',
    'must be a data type: write Type.String(), or a JSON Schema object',
  ),
  isType: true,
}

/** An attribute by its name, or none at all. */
export const attributeName: Kind<string | false> = {
  schema: plain({ anyOf: [textSchema, { type: 'boolean', const: false }] }),
  wrong: judged((value) => value === false || isText(value), 'must be a text, or false for none'),
}

/** Functions stay in the module. */
export const functions: Kind<unknown> = {
  schema: undefined,
  wrong: judged(
    (value) => (Array.isArray(value) ? value : [value]).every((one) => typeof one === 'function'),
    'must be a function or a list of functions',
  ),
}

export function listOf<const W extends string>(...words: readonly W[]): Kind<readonly W[]> {
  return {
    schema: plain({ type: 'array', items: { enum: words } }),
    wrong: judged(
      (value) => Array.isArray(value) && value.every((one) => words.includes(one as W)),
      `must be a list of ${words
        .map((word) => `'${word}'`)
        .join(', ')
        .replace(/, ([^,]*)$/, ' and $1')}`,
    ),
  }
}

export const names: Kind<readonly string[]> = {
  schema: plain({ type: 'array', items: textSchema }),
  wrong: judged(
    (value) => Array.isArray(value) && value.every((one) => typeof one === 'string'),
    'must be a list of names',
  ),
}

/** The names of other clauses of the same contract. */
export function namesOf(of: NameSection): Kind<readonly string[]> {
  return { ...names, names: { of, in: (value) => (Array.isArray(value) ? value : []) } }
}

export function nameOf(of: NameSection, must = 'must be a text'): Kind<string> {
  return { schema: textSchema, wrong: judged(isText, must), names: { of, in: (value) => [value] } }
}

/** A date or time text is a bound itself, never a name. */
const isName = (value: unknown): value is string => typeof value === 'string' && !/^\d/.test(value)

/** A number, a date or time, or the name of a property or value that holds it. */
export const bound: Kind<string | number> = {
  schema: plain({ anyOf: [{ type: 'number' }, textSchema] }),
  wrong: () => undefined,
  names: { of: 'given', in: (value) => (isName(value) ? [value] : []) },
}

function amount(isRight: (value: number) => boolean, must: string, schema: TSchema): Kind<string | number> {
  return {
    schema: plain({ anyOf: [schema, textSchema] }),
    wrong: judged(
      (value) => typeof value === 'string' || (typeof value === 'number' && isRight(value)),
      `${must}, or the name of a property`,
    ),
    names: { of: 'given', in: (value) => (typeof value === 'string' ? [value] : []) },
  }
}

export const stepSize = amount(
  (size) => size > 0,
  'must be a number above 0',
  plain({ type: 'number', exclusiveMinimum: 0 }),
)
export const distance = amount(
  (size) => size >= 0,
  'must be a number, 0 or more',
  plain({ type: 'number', minimum: 0 }),
)

type PartsOf<P> = { [K in keyof P]?: P[K] extends Kind<infer V> ? V | undefined : never }

/** An object of clauses of its own, those in `must` always there. */
export function partsOf<P extends Readonly<Record<string, Kind<any>>>>(
  parts: P,
  says: string,
  must: readonly (keyof P & string)[] = [],
): Kind<PartsOf<P>> {
  const properties = Object.fromEntries(Object.entries(parts).map(([name, { schema }]) => [name, schema ?? plain({})]))
  const required = must.length > 0 ? { required: must } : {}
  return {
    schema: plain({ type: 'object', ...required, properties, additionalProperties: false }),
    wrong: judged(isObject, says),
    parts: parts as never,
    must,
  }
}

/** An object with an entry of one kind for each name. */
export function eachOf<V>(each: Kind<V>, says: string): Kind<Readonly<Record<string, V>>> {
  return { schema: undefined, wrong: judged(isObject, says), each }
}

/** What only a module can hold: `says` is what it has to be. */
export function made<V>(isRight: (value: unknown) => boolean, says: string): Kind<V> {
  return { schema: undefined, wrong: judged(isRight, says) }
}

/** Texts by name, each of them also name by name. */
export function reasonsBy(what: string): Kind<Readonly<Record<string, string | Readonly<Record<string, string>>>>> {
  const byName = plain({ type: 'object', patternProperties: { '^.*$': textSchema } })
  return {
    schema: plain({ type: 'object', patternProperties: { '^.*$': { anyOf: [textSchema, byName] } } }),
    wrong: judged(isObject, what),
  }
}

/** Places in an event, each with the name whose value stands there. */
export const carriedNames: Kind<Readonly<Record<string, string>>> = {
  schema: plain({
    type: 'object',
    patternProperties: { '^(/([^~]|~[01])*)?$': textSchema },
    additionalProperties: false,
  }),
  wrong: judged(
    (value) => isObject(value) && Object.keys(value).every((place) => pointerParts(place) !== undefined),
    "must be an object: JSON Pointers from the event, and what stands there, such as { '/detail/unit': 'unit' }",
  ),
  names: { of: 'given', in: (value) => Object.values((value ?? {}) as object) },
}

/** Texts by name. */
export function textsBy(what: string): Kind<Readonly<Record<string, string>>> {
  return { schema: plain({ type: 'object', patternProperties: { '^.*$': textSchema } }), wrong: judged(isObject, what) }
}

/** The kinds that whatever else is written by hand is made of. */
export const kinds = { anything, choice, count, dataType, eachOf, functions, made, names, partsOf, text, textsBy }
