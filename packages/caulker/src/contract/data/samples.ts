import { HOST_KEYWORD, accepts, equal, type TSchema } from './types.js'

type Keywords = Record<string, unknown>

/**
 * Valid values of a data type, the plain ones first and then those at its edges: bounds, off by one, 0, long and Unicode text, empty.
 * Host objects come from `makeHost`, so that the core needs none.
 */
export function samplesOf(type: TSchema, makeHost: (name: string) => unknown[] = () => []): unknown[] {
  const found: unknown[] = []
  for (const value of candidates(type as Keywords, makeHost, 0))
    if (accepts(type, value) && !found.some((one) => equal(one, value))) found.push(value)
  return found
}

function candidates(schema: Keywords, makeHost: (name: string) => unknown[], depth: number): unknown[] {
  if (depth > 4) return []
  const inner = (part: unknown) => candidates(part as Keywords, makeHost, depth + 1)
  const union = schema['anyOf'] ?? schema['oneOf']
  if (Array.isArray(union)) return interleaved(union.map(inner))
  if (Array.isArray(schema['allOf']))
    return [...schema['allOf'].flatMap(inner), ...numbers(merged(schema['allOf'] as Keywords[]))]
  if (Array.isArray(schema['enum'])) return schema['enum']
  if ('const' in schema) return [schema['const']]
  if (typeof schema[HOST_KEYWORD] === 'string') return makeHost(schema[HOST_KEYWORD])
  if (Array.isArray(schema['type'])) return interleaved(schema['type'].map((kind) => inner({ ...schema, type: kind })))
  switch (schema['type']) {
    case 'null':
      return [null]
    case 'boolean':
      return [true, false]
    case 'integer':
    case 'number':
      return numbers(schema)
    case 'string':
      return strings(schema)
    case 'array':
      return arrays(schema, inner)
    case 'object':
      return objects(schema, inner)
    case undefined:
      return 'properties' in schema
        ? objects(schema, inner)
        : ['oakum', 7, true, '', 0, false, null, ['oakum'], { pitch: 7 }]
    default:
      return []
  }
}

/** One of each kind before the second of any, so that short lists are varied. */
function interleaved(lists: unknown[][]): unknown[] {
  const most = Math.max(0, ...lists.map((list) => list.length))
  return Array.from({ length: most }, (_, at) =>
    lists.filter((list) => at < list.length).map((list) => list[at]),
  ).flat()
}

function merged(parts: Keywords[]): Keywords {
  return Object.assign({}, ...parts) as Keywords
}

function numbers(schema: Keywords): number[] {
  const whole = schema['type'] !== 'number'
  const bound = (key: string) => (typeof schema[key] === 'number' ? schema[key] : undefined)
  const unit = bound('multipleOf') ?? 1
  const least =
    bound('minimum') ??
    (bound('exclusiveMinimum') === undefined ? undefined : (bound('exclusiveMinimum') as number) + unit)
  const most =
    bound('maximum') ??
    (bound('exclusiveMaximum') === undefined ? undefined : (bound('exclusiveMaximum') as number) - unit)
  const from = least ?? (most === undefined || most >= 12 ? 0 : most - 12)
  const to = most ?? from + 40
  const places = Math.min(20, String(unit).split('.')[1]?.length ?? 0)
  const on = (number: number) =>
    bound('multipleOf') === undefined ? number : Number((Math.round(number / unit) * unit).toFixed(places))
  const middle = Math.round(from + (to - from) / 3)
  const plain = [7, 3, 12].filter((number) => number >= from && number <= to)
  const fractions = whole ? [] : [2.5, from + (to - from) / 4 + 0.25, 0.1]
  const edges = [
    from,
    from + unit,
    to - unit,
    to,
    0,
    1,
    -1,
    ...(least === undefined ? [-3] : []),
    ...(most === undefined ? [1000] : []),
  ]
  const outer = [from - unit / 2, to + unit / 2]
  return [...plain, ...fractions.slice(0, 1), middle, ...fractions.slice(1), ...edges, ...outer].map(on)
}

function strings(schema: Keywords): string[] {
  const formats: Record<string, string[]> = {
    date: ['2031-05-14', '2031-05-20', '2030-12-31'],
    time: ['08:30:00', '17:45:00'],
    'date-time': ['2031-05-14T08:30:00Z', '2031-05-20T17:45:00Z'],
    email: ['harbour@marrow-creek.example', 'pitch@marrow-creek.example'],
    uri: ['https://marrow-creek.example/slip', 'https://marrow-creek.example/mast'],
  }
  const named = formats[String(schema['format'])]
  if (named !== undefined) return named
  const least = Number(schema['minLength'] ?? 0)
  const most = Number(schema['maxLength'] ?? Infinity)
  const fitted = (text: string) => text.padEnd(least, 'x').slice(0, Math.min(most, 200))
  const digits = ['1', '12', '12:30', '2031-05-14', 'AB-12', 'MC-104', 'ABC', 'abc', '#1d3f58', '#c0a060']
  return [
    'oakum',
    'pitch',
    ...(schema['pattern'] === undefined ? [] : digits),
    'Ægir – 木 🚢',
    ' a b ',
    'long '.repeat(30).trim(),
    '<b>x</b>',
    '0',
    '',
  ].map(fitted)
}

function arrays(schema: Keywords, inner: (part: unknown) => unknown[]): unknown[][] {
  const heads = tupleHeads(schema)?.map(inner)
  const rest = schema['items']
  const items = typeof rest === 'object' && !Array.isArray(rest) ? inner(rest) : ['oakum', 'pitch']
  const least = Number(schema['minItems'] ?? 0)
  if (heads !== undefined) {
    const row = (turn: number, apart: number) =>
      heads.map((list, place) => list[(turn + place * apart) % Math.max(1, list.length)])
    // Alike in each place first; then with others beside each other, as the ends of a pair may have to be.
    return [0, 1].flatMap((apart) => [0, 1, 2, 3].map((turn) => row(turn, apart)))
  }
  const longer = (count: number) => Array.from({ length: count }, (_, at) => items[at % Math.max(1, items.length)])
  return [
    longer(Math.max(2, least)),
    longer(Math.max(1, least)),
    longer(Math.max(3, least + 1)),
    // Nothing comes last: in an entry of a list it would leave nothing to be operated.
    ...(least > 0 ? [longer(least)] : []),
    ...items.slice(0, 8).map((one) => Array.from({ length: Math.max(1, least) }, () => one)),
    [],
  ]
}

/** The types of a tuple's places: `prefixItems`, or the older list form of `items` that the builder writes. */
export function tupleHeads(schema: Keywords): unknown[] | undefined {
  const heads = schema['prefixItems'] ?? schema['items']
  return Array.isArray(heads) ? heads : undefined
}

function objects(schema: Keywords, inner: (part: unknown) => unknown[]): object[] {
  const properties = Object.entries((schema['properties'] ?? {}) as Record<string, unknown>)
  const required = (schema['required'] ?? []) as string[]
  const [entry] = Object.values((schema['patternProperties'] ?? {}) as Record<string, unknown>)
  if (properties.length === 0 && entry !== undefined) return records(inner(entry))
  const made = (turn: number, names: (name: string) => boolean) =>
    Object.fromEntries(
      properties
        .filter(([name]) => names(name))
        .flatMap(([name, part], at) => {
          // What stands in one member is not what stands in the next: who takes one for the other is seen.
          const values = inner(part)
          return values.length === 0 ? [] : [[name, values[(turn + at) % values.length]]]
        }),
    )
  const whole = Array.from({ length: 6 }, (_, turn) => made(turn, () => true))
  const bare = Array.from({ length: 3 }, (_, turn) => made(turn, (name) => required.includes(name)))
  const eachValue = properties.flatMap(([name, part]) =>
    inner(part)
      .slice(0, 12)
      .map((value) => ({ ...made(0, () => true), [name]: value })),
  )
  return [...whole, ...bare, ...eachValue, { ...whole[0], notDeclared: 'extra' }]
}

/** Objects whose names are free: two entries, one, and none. */
function records(values: unknown[]): object[] {
  const [one, other = one, third = one] = values
  if (values.length === 0) return [{}]
  return [{ oakum: one, pitch: other }, { oakum: other }, { pitch: third }, { oakum: third, tar: one }, {}]
}
