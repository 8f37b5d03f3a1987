import { Type } from './data/builder.js'
import type { TSchema } from './data/types.js'
import { SECTIONS, WHOLE, type Section, type Table } from './table/index.js'

const strict = (properties: Record<string, TSchema>, more: object = {}) =>
  Type.Object(properties, { additionalProperties: false, ...more })

/** What a file may write of one name: every clause that a file can hold, each with its sentence. */
function membersOf(table: Table): Record<string, TSchema> {
  return Object.fromEntries(
    Object.entries(table).flatMap(([key, { kind, says }]) => {
      if (kind.schema === undefined) return []
      const described = { ...kind.schema, description: says } as TSchema
      return [[key, key === 'type' ? described : Type.Optional(described)]]
    }),
  )
}

const sections = Object.fromEntries(
  Object.entries<Section>(SECTIONS).map(([name, { says, table }]) => [
    name,
    Type.Optional(Type.Record(Type.String(), strict(membersOf(table)), { description: says })),
  ]),
)

/** The JSON Schema (2020-12) of a contract file, for editors that complete, explain and check it. */
export const contractFileSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: 'urn:caulker:contract:1',
  title: 'The contract of a component, version 1',
  ...strict({
    tag: Type.String({
      pattern: '^[a-z][^\\sA-Z/>]*-[^\\sA-Z/>]*$',
      description: 'The name of the element: a valid custom element name (HTML Standard, section 4.13.3).',
    }),
    $schema: Type.Optional(Type.String({ minLength: 1, description: 'Where this schema stands.' })),
    ...membersOf(WHOLE),
    ...sections,
  }),
}
