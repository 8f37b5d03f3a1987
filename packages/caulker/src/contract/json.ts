import { CaulkerError, isTooDeep, messageOf } from '../words/index.js'
import {
  asContract,
  contract,
  draftOf,
  sectionsOf,
  type AnyContract,
  type Contract,
  type ContractTypes,
} from './contract.js'
import { mapValues } from './data/lists.js'
import { refuseUnreadable } from './data/checker.js'
import { equal } from './data/types.js'
import { isObject, WHOLE, type Table, type Written } from './table/index.js'

/** A contract as a file holds it: its tag, and its clauses without those that only say what applies anyway. */
export type ContractJson = Readonly<Record<string, unknown>> & { readonly tag: string }

type Json = Record<string, unknown>

/**
 * Writes a contract as plain JSON, with its types as JSON Schema 2020-12. Functions stay in the module: a clause that has some says so
 * under `code`.
 *
 * @example
 * ```ts
 * import { contract, contractFromJson, contractToJson, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
 * const json = contractToJson(winch)
 * console.assert(JSON.stringify(json) === '{"tag":"chain-winch","values":{"turns":{"type":{"type":"integer"},"default":0}}}')
 * console.assert(contractFromJson(json).values['turns']?.event === 'turns-set')
 * ```
 */
export function contractToJson(of: AnyContract): ContractJson {
  asContract('contractToJson', of)
  const { summary, required, ...rest } = clauseJson(WHOLE, of as unknown as Written, of.tag)
  const sections = Object.fromEntries(
    sectionsOf(of)
      .filter(({ clauses }) => Object.keys(clauses).length > 0)
      .map(({ section, its, clauses }) => [
        section,
        mapValues(clauses, (clause, name) => clauseJson(its.table, clause, name)),
      ]),
  )
  return compact({ tag: of.tag, summary, required, ...sections, ...rest }) as ContractJson
}

/**
 * Reads a contract from plain JSON; one whose types `caulker sheet --types` has declared is typed by them. Throws a {@link CaulkerError} `malformed-contract` like
 * {@link contract} does.
 *
 * @example
 * ```ts
 * import { contractFromJson } from 'caulker'
 * const winch = contractFromJson({ tag: 'chain-winch', values: { turns: { type: { type: 'integer' }, default: 0 } } })
 * console.assert(winch.values['turns']?.event === 'turns-set')
 * ```
 */
export function contractFromJson<T extends ContractTypes>(json: ContractJson & { readonly types?: T }): Contract<T>
export function contractFromJson(json: unknown): AnyContract
export function contractFromJson(json: unknown): AnyContract {
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    throw new CaulkerError(
      'malformed-contract',
      'a contract file holds an object with a tag, such as { "tag": "bale-stepper" }',
    )
  const { $schema: _, tag, ...draft } = json as Json
  if (tag === undefined)
    throw new CaulkerError('malformed-contract', 'a contract file needs a tag, such as "tag": "bale-stepper"')
  const made = attempt(String(tag), [], () => (contract as (tag: unknown, draft: unknown) => AnyContract)(tag, draft))
  for (const { section, its, clauses } of sectionsOf(made))
    for (const [name, clause] of Object.entries(clauses))
      for (const [key, { kind }] of Object.entries(its.table))
        if (kind.isType === true && clause[key] !== undefined)
          attempt(made.tag, [section, name, key], () => refuseUnreadable(clause[key]))
  return made
}

/** A schema that no validator can read is a mistake in the file, not in Caulker. */
function attempt<T>(tag: string, at: readonly string[], work: () => T): T {
  try {
    return work()
  } catch (thrown) {
    if (thrown instanceof CaulkerError) throw thrown
    throw new CaulkerError(
      'malformed-contract',
      `contract '${tag}': ${at.join('.') || 'a data type'} is no usable JSON Schema (${isTooDeep(thrown) ? 'it is nested too deep' : messageOf(thrown)})`,
      { at },
    )
  }
}

/** What a table writes of one name: what only says what applies anyway is left out. */
function clauseJson(table: Table, clause: Written, name: string): Json {
  return compact(
    mapValues(table, (entry, key) => {
      if (entry.json !== undefined) return entry.json(clause)
      return equal(clause[key], entry.usual(clause, name)) ? undefined : bare(clause[key])
    }),
  )
}

/** An object of clauses without those that are left out. */
function bare(value: unknown): unknown {
  return isObject(value) ? compact(value) : value
}

function compact(json: Json): Json {
  return Object.fromEntries(Object.entries(json).filter(([, value]) => value !== undefined))
}

/** Whether a contract itself says a clause, and does not leave it at what is usual. */
export function isWritten(of: AnyContract, section: 'properties' | 'values', name: string, clause: string): boolean {
  const whole = (draftOf(of) ?? contractToJson(of)) as Readonly<Record<string, Json | undefined>>
  const written = whole[section]?.[name]
  return typeof written === 'object' && written !== null && Object.hasOwn(written, clause)
}
