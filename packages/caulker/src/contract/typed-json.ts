import type { TUnsafe } from 'typebox'
import type { ContractJson } from './json.js'

/** The plain types of a contract, as a written declaration of a contract file says them. */
export interface PlainTypes {
  properties: object
  required: string
  values: object
  events: object
  commands: object
  readings: object
  reportNames: object
  payloadsAt: object
  vetoNames: object
}

type SchemasOf<P> = { [K in keyof P]-?: TUnsafe<P[K]> }
type CommandSchemasOf<C> = { [K in keyof C]: SchemasOf<C[K]> }
type NamesOf<N> = { [K in keyof N]: N[K] }

/** The types of a contract from plain ones. */
export interface TypesFrom<T extends PlainTypes> {
  properties: SchemasOf<T['properties']>
  required: T['required']
  values: SchemasOf<T['values']>
  events: SchemasOf<T['events']>
  commands: CommandSchemasOf<T['commands']>
  readings: SchemasOf<T['readings']>
  reportNames: NamesOf<T['reportNames']>
  payloadsAt: NamesOf<T['payloadsAt']>
  vetoNames: NamesOf<T['vetoNames']>
}

/** A contract file that TypeScript knows the types of: what `caulker sheet --types` declares. */
export type TypedContractJson<T extends PlainTypes> = ContractJson & { readonly types?: TypesFrom<T> }
