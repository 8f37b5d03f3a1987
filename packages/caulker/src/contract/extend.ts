import type { CommandMap, PropertyDraft, ReadingDraft, ValueDraft } from './clauses.js'
import {
  draftOf,
  isContract,
  makeContract,
  type AnyContract,
  type Contract,
  type ContractDraft,
  type ContractTypes,
} from './contract.js'
import { contractToJson } from './json.js'
import { printed } from './data/print.js'
import type { SchemaMap, Static } from './data/types.js'
import { CaulkerError } from '../words/index.js'
import { isObject, SECTIONS } from './table/index.js'

/** What one set of names becomes when another is laid over it. */
type Over<A, B> = Omit<A, keyof B> & B

/** The names of which an extension takes less than its base: what owners tell would be refused. */
type Narrowed<A extends SchemaMap, B extends SchemaMap> = {
  [K in keyof A & keyof B]: Static<A[K]> extends Static<B[K]> ? never : K
}[keyof A & keyof B]

type Names<P, V, P2, V2> = NoInfer<Extract<keyof P | keyof V | keyof P2 | keyof V2, string>>

/** What a contract adds to the one that it extends, under a tag of its own. */
export interface Extension<
  P extends SchemaMap,
  V extends SchemaMap,
  P2 extends SchemaMap,
  R2 extends string,
  V2 extends SchemaMap,
  E2 extends SchemaMap,
  C2 extends CommandMap,
  G2 extends SchemaMap,
> extends Omit<
  ContractDraft<P2, R2, V2, E2, C2, G2, {}, {}, {}>,
  'required' | 'properties' | 'values' | 'readings' | 'form' | 'locks' | 'problem'
> {
  tag: `${string}-${string}`
  required?: readonly (R2 & Names<P, V, P2, V2>)[]
  properties?: { [K in keyof P2]: PropertyDraft<P2[K]> }
  values?: { [K in keyof V2]: ValueDraft<V2[K], Names<P, V, P2, V2>> }
  readings?: { [K in keyof G2]: ReadingDraft<G2[K], Names<P, V, P2, V2>> }
  form?: {
    value: NoInfer<Extract<keyof V | keyof V2, string>>
    requiredBy?: NoInfer<Extract<keyof P | keyof P2, string>>
    sends?: NoInfer<Extract<keyof P | keyof P2, string>>
  }
  problem?: NoInfer<Extract<keyof P | keyof P2, string>>
  locks?: { readonly?: Names<P, V, P2, V2>; disabled?: Names<P, V, P2, V2> }
}

/**
 * Builds a contract on another: it may add, and tighten what it reports; it may not remove or narrow what owners rely on.
 *
 * A narrowing that types can show is a compile error; any other is the finding `narrowed-extension` of `check`. Throws a
 * {@link CaulkerError} `malformed-contract` like {@link contract} does.
 *
 * @example
 * ```ts
 * import { contract, extend, Type } from 'caulker'
 * const text = contract('yard-text', { required: ['label'], properties: { label: { type: Type.String() } }, values: { text: { type: Type.String() } } })
 * const search = extend(text, { tag: 'yard-search', properties: { hint: { type: Type.String(), default: 'Search' } } })
 * console.assert(search.values.text.event === 'text-set' && search.properties.hint.default === 'Search')
 * ```
 */
export function extend<
  T extends ContractTypes,
  P2 extends SchemaMap = {},
  V2 extends SchemaMap = {},
  E2 extends SchemaMap = {},
  C2 extends CommandMap = {},
  const R2 extends string = never,
  G2 extends SchemaMap = {},
>(
  base: Contract<T>,
  more: Extension<T['properties'], T['values'], P2, R2, V2, E2, C2, G2>,
  ..._narrowed: [Narrowed<T['properties'], P2> | Narrowed<T['values'], V2>] extends [never]
    ? []
    : [{ 'narrows what owners rely on': Narrowed<T['properties'], P2> | Narrowed<T['values'], V2> }]
): Contract<{
  properties: Over<T['properties'], P2>
  required: T['required'] | R2
  values: Over<T['values'], V2>
  events: Over<T['events'], E2>
  commands: Over<T['commands'], C2>
  readings: Over<T['readings'], G2>
  reportNames: T['reportNames']
  payloadsAt: T['payloadsAt']
  vetoNames: T['vetoNames']
}> {
  if (!isContract(base))
    throw new CaulkerError('malformed-contract', `extend: what is extended is no contract (it is ${printed(base)})`)
  if (!isObject(more) || !('tag' in more))
    throw new CaulkerError(
      'malformed-contract',
      "extend: the second argument must have a tag of its own, such as { tag: 'short-text' }",
    )
  const { tag, ...added } = more as unknown as { tag: `${string}-${string}` } & Draft
  const { tag: _, ...written } = contractToJson(base as AnyContract)
  const under = (draftOf(base as AnyContract) ?? written) as Draft
  const merged = {
    ...under,
    ...added,
    required: [...new Set([...(under.required ?? []), ...(added.required ?? [])])],
    ...Object.fromEntries(LAID_OVER.map((section) => [section, laidOver(under[section], added[section])])),
  }
  return makeContract(tag, merged as never, extend, base as AnyContract) as never
}

type Draft = { required?: readonly string[] } & Readonly<Record<string, Record<string, object> | undefined>>

const LAID_OVER = [...Object.keys(SECTIONS), 'waives']

/** Name by name, clause by clause: what the extension says stands over what its base says. */
function laidOver(under: Record<string, object> = {}, over: Record<string, object> = {}): Record<string, object> {
  const merged = Object.entries(over).map(
    ([name, clause]) => [name, typeof clause === 'object' ? { ...under[name], ...clause } : clause] as const,
  )
  return { ...under, ...Object.fromEntries(merged) }
}
