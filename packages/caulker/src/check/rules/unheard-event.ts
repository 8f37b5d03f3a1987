import type { EventClause } from '../../contract/index.js'
import { leak, screenRule } from './rule.js'

/** An event that an owner must hear, and that nobody hears. */
export const unheardEvent = screenRule({
  id: 'unheard-event',
  level: 'error',
  title: 'An event that must be heard is not',
  why: 'The contract says that something is lost when nobody hears it: a warning, an edit, the end of a task.',
  mend: 'Give it a handler under on.',
  leaking: `
import { contract, screen } from 'caulker'
const winch = contract('chain-winch', { events: { 'chain-out': { mustHear: true } } })
export const slip = screen('slipway', { cells: {}, fittings: { winch }, bind: () => ({ winch: {} }) })`,
  mended: `
import { contract, screen, set, Type } from 'caulker'
const winch = contract('chain-winch', { events: { 'chain-out': { mustHear: true } } })
const lamp = contract('warning-lamp', { properties: { lit: { type: Type.Boolean(), default: false } } })
import { oneWay } from 'caulker'
export const slip = screen('slipway', {
  cells: { out: { type: Type.Boolean(), initial: false } },
  fittings: { winch, lamp },
  bind: ({ cells }) => ({ winch: { on: { 'chain-out': [set(cells.out, true)] } }, lamp: { lit: oneWay(cells.out) } }),
})`,
  *find({ fittings }) {
    for (const { name, contract, handlers } of fittings)
      for (const event of Object.values<EventClause>(contract.events))
        if (event.mustHear && (handlers.get(event.name)?.steps.length ?? 0) === 0)
          yield leak(
            ['bind', name],
            `nobody hears '${event.name}' of '${name}' (${contract.tag}), which must be heard`,
            { mend: `Write on: { '${event.name}': [...] } on '${name}'.` },
          )
  },
})
