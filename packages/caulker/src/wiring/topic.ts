import { kinds, refused, refuseOther, rememberPlace, type Static, type TSchema, type Type } from '../contract/index.js'

/** What siblings without a common owner say to each other. */
export interface Topic<S extends TSchema = TSchema> {
  readonly kind: 'topic'
  readonly name: string
  readonly payload: TSchema | undefined
  readonly summary: string | undefined
  /** Only for the compiler. */
  readonly types?: Static<S>
}

// A typed seam: any topic, where only its name matters.
export type AnyTopic = Topic<any>

const TOPIC = kinds.partsOf(
  { payload: kinds.dataType, summary: kinds.text },
  'must be an object, such as { payload: Type.String() }',
)

/**
 * Names something that one screen announces and others hear, where no owner stands above both.
 *
 * @example
 * ```ts
 * import { topic, Type } from 'caulker'
 * const berthFreed = topic('berth-freed', { payload: Type.String() })
 * console.assert(berthFreed.name === 'berth-freed')
 * ```
 */
export function topic<S extends TSchema = ReturnType<typeof Type.Undefined>>(
  name: string,
  clauses: { payload?: S; summary?: string } = {},
): Topic<S> {
  if (typeof name !== 'string' || name === '') refused('topic', "a name, such as 'berth-freed'", name)
  refuseOther('malformed-topic', `topic '${name}'`, clauses, TOPIC)
  const made: AnyTopic = { kind: 'topic', name, payload: clauses.payload, summary: clauses.summary }
  rememberPlace(made, topic)
  return Object.freeze(made) as Topic<S>
}

/** Whether something is a topic, by its own mark; what steps name it by has no payload of its own. */
export function isTopic(value: unknown): value is AnyTopic {
  return typeof value === 'object' && value !== null && (value as AnyTopic).kind === 'topic' && 'payload' in value
}
