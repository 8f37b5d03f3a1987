import { Type, type TSchema } from './types.js'

const text = Type.String({ minLength: 1 })
const flag = Type.Boolean()
const words = (...all: string[]) => Type.Enum(all as [string])
const optional = <P extends Record<string, TSchema>>(properties: P) =>
  Object.fromEntries(Object.entries(properties).map(([name, type]) => [name, Type.Optional(type)]))
const strict = (properties: Record<string, TSchema>) => Type.Object(properties, { additionalProperties: false })
const named = (clause: TSchema) => Type.Record(Type.String(), clause)

const dataType = Type.Unsafe({ $ref: 'https://json-schema.org/draft/2020-12/schema' })
const bound = Type.Union([Type.Number(), text])
const property = {
  type: dataType,
  ...optional({
    default: Type.Unknown(),
    attribute: Type.Union([text, Type.Literal(false)]),
    reflects: flag,
    label: text,
    summary: text,
    code: Type.Array(words('amend', 'refuse', 'after')),
  }),
}
const value = {
  ...property,
  ...optional({
    event: text,
    payloadAt: Type.String({ pattern: '^(/([^~]|~[01])*)?$' }),
    reports: words('edit', 'commit'),
    within: Type.Number({ minimum: 0 }),
    lastWord: words('owner', 'self'),
    accepts: words('always', 'never'),
    bounds: strict(optional({ least: bound, most: bound })),
    step: Type.Union([Type.Number({ exclusiveMinimum: 0 }), text]),
    outside: words('clamp', 'refuse', 'keep'),
    ordered: flag,
    gap: Type.Union([Type.Number({ minimum: 0 }), text]),
    applies: words('at-once', 'when-told'),
    vetoEvent: text,
    empty: Type.Unknown(),
    blank: words('empty', 'default', 'previous', 'refuse'),
    resetTo: words('default', 'initial'),
  }),
}
const event = optional({
  payload: dataType,
  bubbles: flag,
  composed: flag,
  cancelable: flag,
  mustHear: flag,
  summary: text,
})
const command = optional({
  takes: dataType,
  gives: dataType,
  effect: words('reset', 'focus', 'check'),
  reports: flag,
  summary: text,
})
const reading = { type: dataType, ...optional({ from: Type.Array(text), summary: text }) }
const slot = optional({ holds: Type.Array(text), summary: text })

/** The JSON Schema (2020-12) of a contract file, for editors that complete and check it. */
export const contractFileSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: 'urn:caulker:contract:1',
  title: 'The contract of a component, version 1',
  ...strict({
    tag: Type.String({ pattern: '^[a-z][^\\sA-Z/>]*-[^\\sA-Z/>]*$', description: 'A valid custom element name' }),
    ...optional({
      $schema: text,
      summary: text,
      required: Type.Array(text, { description: 'The names that the owner must supply' }),
      properties: named(strict(property)),
      values: named(strict(value)),
      events: named(strict(event)),
      commands: named(strict(command)),
      readings: named(strict(reading)),
      slots: named(strict(slot)),
      form: strict({ value: text, ...optional({ requiredBy: text }) }),
      locks: strict(optional({ readonly: text, disabled: text })),
      problem: text,
      waives: named(text),
      guesses: named(text),
    }),
  }),
}
