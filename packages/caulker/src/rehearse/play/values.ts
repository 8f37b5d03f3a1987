import {
  accepts,
  equal,
  isEmpty,
  limitsOf,
  samplesOf,
  valueAt,
  pointerParts,
  type TSchema,
} from '../../contract/index.js'
import type { CellClause } from '../../wiring/index.js'
import type { Link } from './link.js'
import type { Plan } from './plan.js'
import type { KeptPart } from './stage.js'

/** What makes host objects, such as files, where a type asks for some. */
export type MakeHost = (name: string) => unknown[]

const MOST = 6

const samples = new WeakMap<MakeHost, WeakMap<TSchema, unknown[]>>()
const noHosts: MakeHost = () => []

/** Samples of a type, the same each time: a type is asked for in every state. */
export function samplesFor(type: TSchema, makeHost: MakeHost = noHosts): unknown[] {
  const known = samples.get(makeHost) ?? new WeakMap<TSchema, unknown[]>()
  samples.set(makeHost, known)
  const made = known.get(type) ?? samplesOf(type, makeHost)
  known.set(type, made)
  return made
}

/**
 * What a person may enter in a field: two tokens where no function, bound or guard reads it, else the edges of its type, of its
 * bounds and of what the functions that read it are written with.
 */
export function entered(plan: Plan, link: Link, { part, state }: KeptPart, makeHost: MakeHost): unknown[] {
  const { value, cell } = link
  const { component } = part
  const clause = takerOf(plan, link)
  const list = value.among === undefined ? undefined : component.standing(state, value.among.list)
  if (Array.isArray(list)) {
    const at = pointerParts(value.among?.at ?? '') ?? []
    return list.slice(0, 2).map((entry) => valueAt(entry, at))
  }
  const fitting = samplesFor(value.type, makeHost).filter((one) => clause === undefined || accepts(clause.type, one))
  const plain = fitting.filter((one) => !isEmpty(one, value) && !equal(one, clause?.initial))
  // Where no cell takes it, it begins with its default; of two values there are, both are entered.
  const tokens = [plain[0], clause === undefined ? value.default : clause.initial]
  if (tokens.some((one) => one === undefined))
    tokens.push(fitting.find((one) => !tokens.some((two) => equal(one, two))))
  const isRead = plan.read.has(cell) || value.amend.length + value.refuse.length > 0
  const edges = isRead
    ? [...limits(link, part, state), ...written(plan, link), ...fitting.filter((one) => isEmpty(one, value))]
    : []
  const all = [...tokens, ...edges].filter((one) => one !== undefined && accepts(value.type, one))
  return all.filter((one, at) => all.findIndex((other) => equal(one, other)) === at).slice(0, MOST)
}

/** What takes what is entered: a cell, or the member of an entry that a field of a row edits. */
function takerOf({ machine }: Plan, { cell, bound, value }: Link): Pick<CellClause, 'type' | 'initial'> | undefined {
  const clause = machine.cells[cell]
  if (clause === undefined || bound?.member === undefined) return clause
  const type = valueAt(clause.type, ['items', 'properties', bound.member]) as TSchema | undefined
  return { type: type ?? value.type, initial: value.default }
}

/** The most, one beyond it, and the least, as the field has them now. */
function limits({ value }: Link, { component }: KeptPart['part'], state: KeptPart['state']): unknown[] {
  const { least, most, step = 1 } = limitsOf(value, (name) => component.standing(state, name))
  const numbers = [most, typeof most === 'number' ? most + step : undefined, least]
  return numbers.filter((one) => one !== undefined)
}

/** Numbers and texts that stand in the functions that read a cell: where they decide, they decide there. */
function written({ readers }: Plan, { cell, value }: Link): unknown[] {
  const functions = [...(readers.get(cell) ?? []), ...value.amend, ...value.refuse]
  return functions.flatMap((one) => literals(String(one), value.type))
}

function literals(code: string, type: TSchema): unknown[] {
  const numbers = [...code.matchAll(/(?<![\w.'"])\d+(?:\.\d+)?\b/g)].map(([text]) => Number(text))
  if (accepts(type, 1) || accepts(type, 0.5)) return numbers.flatMap((number) => [number, number + 1, number - 1])
  if (!accepts(type, 'oakum')) return []
  const texts = [...code.matchAll(/'([^'\\\n]{0,20})'|"([^"\\\n]{0,20})"/g)].map((found) => found[1] ?? found[2] ?? '')
  const lengths = numbers.filter((number) => number > 0 && number < 200).map((number) => 'x'.repeat(number + 1))
  return [...texts, ...lengths]
}

/** What a source gives: neither what its cell begins with nor what a person would enter first, and the same each time. */
export function given(gives: TSchema | undefined, initial: unknown, makeHost: MakeHost): unknown {
  if (gives === undefined) return null
  const full = samplesFor(gives, makeHost).filter((one) => !isEmpty(one))
  const others = full.filter((one) => !equal(one, initial))
  return others[1] ?? others[0] ?? full[0]
}
