import { isWithin } from '../data/compatible.js'
import { printed } from '../data/print.js'
import { equal, typeText, type TSchema } from '../data/types.js'
import type { Kind } from './kind.js'

/** What the next version number has to say of a change: owners break, something is new, or neither. */
export type Weight = 'major' | 'minor' | 'patch'
export type Said = readonly [weight: Weight, says: string]

/** What is written of one name, before anything is filled in. */
export type Written = Readonly<Record<string, unknown>>

/** One clause, said once: all that reads, writes, fills in, compares or explains contracts follows from it. */
export interface Entry<V, U> {
  /** What it promises, in one sentence, for docs and editors. */
  readonly says: string
  readonly kind: Kind<V>
  /** What applies where it is left out. */
  readonly usual: (written: Written, name: string) => U
  /** How what is written is kept. */
  readonly kept?: (value: V) => U
  /** What another value of it means for owners; `name` is the name in quotes. */
  readonly changed: (old: U, now: U, name: string) => readonly Said[]
  /** How a file writes it, where that is not the value itself; nothing where it is left out. */
  readonly json?: (clause: Written) => unknown
  /** How a sheet says it, where it is not what usually applies. */
  readonly sheet?: (now: NonNullable<U>, clause: Written) => string
}

export type Table = Readonly<Record<string, Entry<any, any>>>

/** The clauses of a table as a developer may write them. */
export type WrittenBy<T extends Table> = { [K in keyof T]?: T[K] extends Entry<infer V, any> ? V : never }
/** The clauses of a table, all filled in. */
export type FilledBy<T extends Table> = { readonly [K in keyof T]: T[K] extends Entry<any, infer U> ? U : never }

/** One entry, with the types of what is written and of what is kept. */
export function clause<V, U = V>(entry: Entry<V, U>): Entry<V, U> {
  return entry
}

/** A clause that may be left out and then says nothing. */
export function optional<V>(entry: Omit<Entry<V, V | undefined>, 'usual'>): Entry<V, V | undefined> {
  return { ...entry, usual: () => undefined }
}

/** A clause that stands at some word, flag or number where it is left out. */
export function usually<V>(value: V, entry: Omit<Entry<V, V>, 'usual'>): Entry<V, V> {
  return { ...entry, usual: () => value }
}

/** Words for people: another breaks nobody. */
export const silent = (): readonly Said[] => []
export const words = (_old: unknown, _now: unknown, name: string): readonly Said[] => [
  ['patch', `the words on ${name} are others`],
]

/** `outside of 'bales' is refuse, and was clamp`. */
export function another(
  part: string,
  weight: Weight = 'major',
): (old: unknown, now: unknown, name: string) => readonly Said[] {
  return (old, now, name) => [[weight, `${part} of ${name} is ${printed(now)}, and was ${printed(old)}`]]
}

/** A flag by which owners get more where it is set. */
export function flagged(on: string, off: string, onWeight: Weight = 'minor', offWeight: Weight = 'major') {
  return (_old: boolean, now: boolean, name: string): readonly Said[] => [
    now ? [onWeight, `${name} ${on}`] : [offWeight, `${name} ${off}`],
  ]
}

/** Down: an owner may tell all that it could tell before. */
export function downChange(old: TSchema, now: TSchema, name: string): readonly Said[] {
  const down = isWithin(old, now)
  if (down.answer === 'no') return [['major', `${name} no longer takes ${printed(down.witness)}`]]
  if (down.answer === 'unknown')
    return [['major', `${name} takes ${typeText(now)} now: whether that holds all that it took cannot be told`]]
  return isWithin(now, old).answer === 'yes'
    ? []
    : [['minor', `${name} takes ${typeText(now)} now, and took ${typeText(old)}`]]
}

/** Up: a component reports nothing that its owner did not expect before. */
export function upChange(verb: string, old: TSchema, now: TSchema, name: string): readonly Said[] {
  const up = isWithin(now, old)
  return up.answer === 'no' ? [['major', `${name} ${verb} ${printed(up.witness)} now, which owners do not expect`]] : []
}

/** What it weighs that the second type stands where the first did: nothing is lost if all of the first is within it. */
export function typeChange(narrow: TSchema | undefined, wide: TSchema | undefined): Weight | undefined {
  if (narrow === undefined || wide === undefined) return narrow === wide ? undefined : 'major'
  if (isWithin(narrow, wide).answer !== 'yes') return 'major'
  return isWithin(wide, narrow).answer === 'yes' ? undefined : 'minor'
}

/** Everything that differs between two clauses of one table. */
export function* changesBy(table: Table, old: Written, now: Written, name: string): Iterable<Said> {
  for (const [key, entry] of Object.entries(table))
    if (!equal(old[key], now[key])) yield* entry.changed(old[key], now[key], name)
}
