import { attributeText, attributeValue, clauseOf, type AnyContract, type PropertyClause } from '../contract/index.js'
import type { Given } from '../mount/index.js'

/** The clause of a name that an element has no property for; nothing where it has one. */
export function attributeOnly(contract: AnyContract, name: string): PropertyClause | undefined {
  const clause = clauseOf(contract, name)
  return clause?.only === 'attribute' ? clause : undefined
}

/** What is not given, null, or a flag that is off, is the attribute left out. */
export function giveAttribute(element: Element, clause: PropertyClause, value: unknown): void {
  if (clause.attribute === false) return
  const text = attributeText(clause, value)
  if (text === undefined || text === null) element.removeAttribute(clause.attribute)
  else element.setAttribute(clause.attribute, text)
}

export function attributeHeld(element: Element, clause: PropertyClause): unknown {
  const text = clause.attribute === false ? null : element.getAttribute(clause.attribute)
  return text === null ? clause.default : attributeValue(clause, text)
}

/** Gives an element one name, by the way in that its contract says. */
export function giveName(element: Element, contract: AnyContract, name: string, value: unknown): void {
  const clause = attributeOnly(contract, name)
  if (clause !== undefined) giveAttribute(element, clause, value)
  else (element as never as Record<string, unknown>)[name] = value
}

export function giveAll(element: Element, contract: AnyContract, given: Given): void {
  for (const [name, value] of Object.entries(given)) giveName(element, contract, name, value)
}
