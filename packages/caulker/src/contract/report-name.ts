import type { ContractTypes, NameMap } from './contract.js'

/** `berthNumber` as `berth-number`, for the compiler. */
export type Kebab<S extends string> = S extends `${infer First}${infer Rest}`
  ? Rest extends Uncapitalize<Rest>
    ? `${Lowercase<First>}${Kebab<Rest>}`
    : `${Lowercase<First>}-${Kebab<Rest>}`
  : S

/** The text that one name of a map was given, or what stands for it. */
export type Named<N extends NameMap, K, Else extends string> = K extends keyof N
  ? N[K] extends string
    ? string extends N[K]
      ? Else
      : N[K]
    : Else
  : Else

/** The event that a value reports with. */
export type ReportName<T extends ContractTypes, K extends string> = Named<T['reportNames'], K, `${Kebab<K>}-set`>

/** Every event that reports a value or asks before it changes. */
export type ValueEventNames<T extends ContractTypes> =
  | { [K in Extract<keyof T['values'], string>]: ReportName<T, K> }[Extract<keyof T['values'], string>]
  | { [K in keyof T['vetoNames']]: Named<T['vetoNames'], K, never> }[keyof T['vetoNames']]
