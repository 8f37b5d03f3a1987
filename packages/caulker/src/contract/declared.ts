import { accepts, type TSchema } from './data/types.js'
import type { ContractJson } from './json.js'
import type { ManifestElement, ManifestField } from './manifest.js'

type Json = Record<string, unknown>

/**
 * A contract that was read off a live element, with what its manifest declares: summaries, types that were only guessed, and events that
 * did not come while it was operated.
 */
export function withDeclared(contract: ContractJson, element: ManifestElement): ContractJson {
  const guesses = { ...(contract['guesses'] as Record<string, string> | undefined) }
  const section = (name: string) => (contract[name] ?? {}) as Readonly<Record<string, Json>>
  const declared = (name: 'properties' | 'values') =>
    Object.fromEntries(
      Object.entries(section(name)).map(([key, clause]) => {
        const field = element.fields.find((one) => one.name === key)
        return [key, field === undefined ? clause : asDeclared(clause, field, `${name}.${key}.type`, guesses)]
      }),
    )
  const heard = new Set(Object.values(section('values')).map(({ event }) => event))
  const events = { ...section('events') }
  for (const { name, summary } of element.events)
    if (!heard.has(name)) events[name] = { ...(events[name] ?? {}), ...(summary === undefined ? {} : { summary }) }
  const { tag, summary = element.summary, ...others } = contract
  const parts = { properties: declared('properties'), values: declared('values'), events, guesses }
  const kept = Object.entries(parts).filter(([, part]) => Object.keys(part).length > 0)
  const emptied = Object.keys(parts).filter((name) => !kept.some(([one]) => one === name))
  const rest = Object.fromEntries(Object.entries(others).filter(([name]) => !emptied.includes(name)))
  return { tag, ...(summary === undefined ? {} : { summary }), ...rest, ...Object.fromEntries(kept) }
}

/** A declared type that its own default contradicts is no better than a guess. */
function asDeclared(clause: Json, { type, summary }: ManifestField, at: string, guesses: Json): Json {
  const said = summary === undefined ? clause : { ...clause, summary }
  const isNarrower = (clause['type'] as Json)['pattern'] !== undefined || (clause['type'] as Json)['enum'] !== undefined
  if (type === undefined || isNarrower || ('default' in clause && !accepts(type, clause['default']))) return said
  delete guesses[at]
  return { ...said, type: type as TSchema }
}
