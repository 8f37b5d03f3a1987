import { equal } from './data/types.js'

/** Whether a value is what a person has not filled in: 0 and false are values. */
export function isEmpty(value: unknown, clause?: { readonly empty: unknown }): boolean {
  if (value === undefined || value === null || value === '' || equal(value, [])) return true
  return clause?.empty !== undefined && equal(value, clause.empty)
}
