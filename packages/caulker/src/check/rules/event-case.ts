import { kebab } from '../../words/index.js'
import { valueClauses } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** An event name with capital letters or spaces. */
export const eventCase = contractRule({
  id: 'event-case',
  level: 'warning',
  title: 'An event name is not in lower case',
  why: 'Event names are compared letter by letter (DOM Standard, section 2.5) and attribute names are not: limitMet, limitmet and limit-met are three events, and the handler waits for another one.',
  mend: 'Write event names in lower case with hyphens.',
  leaking: `
import { contract } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', events: { limitMet: {} } })`,
  mended: `
import { contract } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', events: { 'limit-met': {} } })`,
  *find(contract) {
    const names = [
      ...Object.keys(contract.events).map((name) => ['events', name, name] as const),
      ...valueClauses(contract).map((value) => ['values', value.name, value.event] as const),
    ]
    for (const [section, name, event] of names)
      if (event !== event.toLowerCase() || /\s/.test(event))
        yield leak([section, name], `the event '${event}' is not in lower case`, {
          mend: `Write '${kebab(event).replace(/\s+/g, '-')}'.`,
        })
  },
})
