import { kinds, refuseOther, mapValues, rememberPlace, type Static, type TSchema } from '../contract/index.js'
import type { OperationRef } from './steps.js'

const EFFECTS = ['reads', 'creates', 'updates', 'removes'] as const

const { choice, dataType, eachOf, partsOf, text } = kinds
const OPERATION = partsOf(
  { effect: choice(...EFFECTS), takes: dataType, gives: dataType, key: text, summary: text },
  "must be an object, such as { effect: 'reads' }",
  ['effect'],
)
const SOURCE = eachOf(OPERATION, "must be an object of operations, such as { berths: { effect: 'reads' } }")

/** What one operation of a source takes, gives and does there. */
export interface OperationDraft {
  effect: (typeof EFFECTS)[number]
  takes?: TSchema
  gives?: TSchema
  /** The member of what it takes that names the record which it updates or removes. */
  key?: string
  summary?: string
}

export type OperationMap = Record<string, OperationDraft>

export interface OperationClause {
  readonly name: string
  readonly effect: 'reads' | 'creates' | 'updates' | 'removes'
  readonly takes: TSchema | undefined
  readonly gives: TSchema | undefined
  readonly key: string | undefined
  readonly summary: string | undefined
}

/** Where screens load from and send to. */
export interface Source<O extends OperationMap = OperationMap> {
  readonly kind: 'source'
  readonly name: string
  readonly operations: { readonly [K in keyof O]: OperationClause }
  /** Only for the compiler. */
  readonly types?: O
}

// A typed seam: any source, where only its clauses matter.
export type AnySource = Source<any>

type TypeOr<O, K extends string> = O extends { [key in K]: infer S extends TSchema } ? Static<S> : undefined

/** The operations of a source, as steps name them. */
export type OperationsOf<O> =
  O extends Source<infer M>
    ? { readonly [K in keyof M]: OperationRef<TypeOr<M[K], 'takes'>, TypeOr<M[K], 'gives'>> }
    : never

/** What answers for the sources of a screen: a function for each operation, typed by what it takes and gives. */
export type Answering<O> = {
  readonly [K in keyof O]: O[K] extends Source<infer M>
    ? {
        readonly [N in keyof M]: (
          given: TypeOr<M[N], 'takes'>,
          call: { readonly signal: AbortSignal },
        ) => Promise<TypeOr<M[N], 'gives'>> | TypeOr<M[N], 'gives'>
      }
    : never
}

/**
 * Writes down where screens load from and send to: what each operation takes, gives and does.
 *
 * Throws a {@link CaulkerError} `malformed-source` that names the first clause that cannot be.
 *
 * @example
 * ```ts
 * import { source, Type } from 'caulker'
 * const office = source('yard-office', {
 *   berths: { effect: 'reads', gives: Type.Array(Type.String()) },
 *   book: { effect: 'creates', takes: Type.Object({ vessel: Type.String() }), gives: Type.Object({ number: Type.String() }) },
 * })
 * console.assert(office.operations.book.effect === 'creates')
 * ```
 */
export function source<O extends OperationMap>(
  name: string,
  operations: O & { [K in keyof O]: OperationDraft },
): Source<O> {
  refuseOther('malformed-source', `source '${name}'`, operations, SOURCE)
  const made: AnySource = {
    kind: 'source',
    name,
    operations: mapValues(
      operations,
      ({ effect, takes, gives, key, summary }: OperationDraft, of): OperationClause => ({
        name: of,
        effect,
        takes,
        gives,
        key,
        summary,
      }),
    ),
  }
  rememberPlace(made, source)
  return Object.freeze(made) as Source<O>
}

/** Whether something is a source, by its own mark. */
export function isSource(value: unknown): value is AnySource {
  return typeof value === 'object' && value !== null && (value as AnySource).kind === 'source' && 'operations' in value
}
