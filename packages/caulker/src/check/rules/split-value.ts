import { kebab } from '../../words/index.js'
import { dequal } from 'dequal'
import { type EventClause, type PropertyClause } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** A property and an event that are one two-way value in two halves. */
export const splitValue = contractRule({
  id: 'split-value',
  level: 'warning',
  title: 'A property and an event are one value in two halves',
  why: 'Owners have to know that the two belong together and bind both; whoever forgets one has a frozen or a half-bound value, and no check can tell.',
  mend: 'Declare it once, under values.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { turns: { type: Type.Integer(), default: 0 } }, events: { 'turns-changed': { payload: Type.Integer() } } })`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } } })`,
  *find(contract) {
    for (const property of Object.values<PropertyClause>(contract.properties))
      for (const event of Object.values<EventClause>(contract.events))
        if (
          isReportOf(event.name, property.name) &&
          (event.payload === undefined || carries(event.payload, property.type))
        )
          yield leak(
            ['properties', property.name],
            `'${property.name}' and the event '${event.name}' are one two-way value`,
            {
              mend: `Declare '${property.name}' under values, with event: '${event.name}'.`,
            },
          )
  },
})

function isReportOf(event: string, name: string): boolean {
  // Most names differ at once, so that nothing has to be spelt anew for them.
  if (event[0]?.toLowerCase() !== name[0]?.toLowerCase()) return false
  const [reported, named] = [kebab(event), kebab(name)]
  return ['set', 'change', 'changed', 'input', 'updated'].some((ending) => reported === `${named}-${ending}`)
}

/** The value itself, or an object with one member of its type. */
function carries(payload: object, type: object): boolean {
  const members = Object.values((payload as { properties?: Record<string, object> }).properties ?? {})
  return dequal(payload, type) || (members.length === 1 && dequal(members[0], type))
}
