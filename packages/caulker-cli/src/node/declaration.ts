import { kebab } from 'caulker/inside/words'
import {
  HOST_KEYWORD,
  mapValues,
  schemaJson,
  valueClauses,
  type AnyContract,
  type CommandClause,
  type EventClause,
  type ReadingClause,
  type TSchema,
  type ValueClause,
} from 'caulker/inside/contract'

type Schema = Record<string, unknown>

/** The TypeScript declaration of a contract file: imported JSON loses its literals, so its types are written beside it. */
export async function declarationOf(contract: AnyContract): Promise<string> {
  const name = `${kebab(contract.tag).replace(/(?:^|-)([a-z0-9])/g, (_, letter: string) => letter.toUpperCase())}Types`
  const { compile } = await import('json-schema-to-typescript')
  const types = await compile(typesSchema(contract), name, {
    bannerComment: '',
    additionalProperties: false,
    style: { semi: false, singleQuote: true, printWidth: 120 },
  })
  return [
    `// The types of <${contract.tag}>, written by caulker sheet --types from the JSON beside it.`,
    "import type { TypedContractJson } from 'caulker'",
    '',
    types.trim().replace(/^export /, ''),
    '',
    `declare const contract: TypedContractJson<${name}>`,
    'export = contract',
    '',
  ].join('\n')
}

function typesSchema(contract: AnyContract): Schema {
  const values = valueClauses(contract)
  const given = (name: string, usual: (value: ValueClause) => string | undefined) =>
    object(
      Object.fromEntries(
        values.flatMap((value) => {
          const text = value[name as 'event']
          return text === undefined || text === usual(value) ? [] : [[value.name, { const: text }]]
        }),
      ),
    )
  return object({
    properties: object(mapValues(contract.properties, ({ type }) => typed(type))),
    required: contract.required.length === 0 ? { tsType: 'never' } : { enum: [...contract.required] },
    values: object(Object.fromEntries(values.map(({ name, type }) => [name, typed(type)]))),
    events: object(
      mapValues(contract.events, ({ payload }: EventClause) =>
        payload === undefined ? { tsType: 'unknown' } : typed(payload),
      ),
    ),
    commands: object(
      mapValues(contract.commands, ({ takes, gives }: CommandClause) =>
        object({ ...(takes && { takes: typed(takes) }), ...(gives && { gives: typed(gives) }) }),
      ),
    ),
    readings: object(mapValues(contract.readings, ({ type }: ReadingClause) => typed(type))),
    reportNames: given('event', ({ name }) => `${kebab(name)}-set`),
    payloadsAt: given('payloadAt', () => '/detail/value'),
    vetoNames: given('vetoEvent', () => undefined),
  })
}

function object(properties: Schema): Schema {
  return { type: 'object', additionalProperties: false, required: Object.keys(properties), properties }
}

/** A schema as the writer of declarations reads it: host objects by their class, tuples in the older form. */
function typed(type: TSchema): unknown {
  return JSON.parse(JSON.stringify(schemaJson(type)), (_key, part: unknown) => {
    const { [HOST_KEYWORD]: host, prefixItems, items, ...rest } = (part ?? {}) as Schema
    if (typeof host === 'string') return { ...rest, tsType: host }
    return Array.isArray(prefixItems) ? { ...rest, items: prefixItems, additionalItems: items ?? true } : part
  }) as unknown
}
