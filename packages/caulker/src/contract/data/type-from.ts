import { CaulkerError, messageOf } from '../../words/index.js'
import type { StandardJSONSchemaV1, StandardSchemaV1, StandardTypedV1 } from '@standard-schema/spec'
import { Type } from './builder.js'

/**
 * The data type of a schema that a validator library made, through the open Standard Schema interface (version 1).
 *
 * A library that offers JSON Schema there is read as such, by what the schema gives out. One that can only validate becomes a type that
 * is code: it is checked while the program runs, its description says so, and a contract file holds nothing more of it. Throws a
 * {@link CaulkerError} `malformed-contract` for what offers neither, or cannot be said in JSON Schema.
 *
 * @example
 * ```ts
 * import { accepts, contract, typeFrom } from 'caulker'
 * // What a schema of any such library looks like from outside.
 * const json = () => ({ type: 'integer', minimum: 1 })
 * const schema = { '~standard': { version: 1, vendor: 'yard', jsonSchema: { input: json, output: json } } } as const
 * const berth = contract('berth-number', { values: { berth: { type: typeFrom(schema), default: 1 } } })
 * console.assert(accepts(berth.values.berth.type, 4) && !accepts(berth.values.berth.type, 0))
 * ```
 */
export function typeFrom<S extends StandardTypedV1>(schema: S) {
  return Type.Unsafe<StandardTypedV1.InferOutput<S>>(jsonSchemaOf(schema))
}

function jsonSchemaOf(schema: StandardTypedV1): object {
  const standard = (schema as Partial<StandardTypedV1> | null)?.['~standard'] as
    (StandardTypedV1.Props & Partial<StandardJSONSchemaV1.Props> & Partial<StandardSchemaV1.Props>) | undefined
  if (standard?.jsonSchema !== undefined) {
    try {
      const { $schema: _, ...json } = standard.jsonSchema.output({ target: 'draft-2020-12' })
      return json
    } catch (thrown) {
      throw new CaulkerError(
        'malformed-contract',
        `the schema of ${standard.vendor} cannot be said in JSON Schema (${messageOf(thrown)}); write the type with Type`,
      )
    }
  }
  const validate = standard?.validate
  if (validate === undefined)
    throw new CaulkerError('malformed-contract', 'typeFrom needs a schema that offers the Standard Schema interface')
  return Type.Refine(
    Type.Unsafe({ description: `a type that is code (${standard?.vendor ?? 'a library'})` }),
    (value) => {
      const result = validate(value)
      return !(result instanceof Promise) && result.issues === undefined
    },
  )
}
