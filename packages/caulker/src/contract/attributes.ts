import type { PropertyClause } from './clauses.js'
import { accepts } from './data/types.js'

/** What an attribute's text means for a clause: a flag is true by being there, a number is written out. */
export function attributeValue({ type }: PropertyClause, text: string): unknown {
  if (accepts(type, true)) return accepts(type, text) ? text : true
  if (accepts(type, text)) return text
  const number = text.trim() === '' ? NaN : Number(text)
  return Number.isNaN(number) ? text : number
}

/** A value as an attribute says it; null where leaving it out does, undefined where none can. */
export function attributeText({ attribute }: PropertyClause, value: unknown): string | null | undefined {
  if (attribute === false || typeof value === 'object' || value === undefined) return undefined
  return value === false ? null : value === true ? '' : String(value)
}
