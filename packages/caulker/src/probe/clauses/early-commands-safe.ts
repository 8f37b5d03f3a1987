import { messageOf } from '../../words/index.js'
import { clause, type Examined } from './clause.js'
import { snapshot } from '../stage/around.js'
import { ledgerOf } from '../stage/ledger.js'
import { callText } from '../stage/trail.js'

/** A command before the mount does no damage. */
export const earlyCommandsSafe = clause({
  id: 'early-commands-safe',
  group: 'commands',
  promise: 'A command that is called before it is in the page is carried out or clearly refused, and does no damage.',
  why: 'Owners call reset and focus when they open a screen, sometimes a moment too early: "null has no focus" tells nobody what to do.',
  tried: 'Each command is called on an element that was just made and stands nowhere.',
  unprovenWhen: 'It is no custom element.',
  random: 'none',
  onTrial: 'command',
  needsElement: true,
  concerns: ({ commands }) => Object.keys(commands).length > 0,
  *trails() {},
  judge: () => undefined,
  async examine(subject): Promise<Examined> {
    let held = 0
    for (const call of subject.calls) {
      if (subject.define === undefined) continue
      const element = new subject.define() as unknown as Record<string, unknown>
      if (typeof element[call.command] !== 'function') continue
      try {
        const given = Object.hasOwn(call, 'takes') ? [snapshot(call.takes)] : []
        const made: unknown = (element[call.command] as (...takes: unknown[]) => unknown)(...given)
        if (made instanceof Promise) made.catch(() => undefined)
        held++
      } catch (thrown) {
        // A sentence of its own is a clear refusal; what the engine says of a missing part is none.
        if (!(thrown instanceof TypeError) && !(thrown instanceof ReferenceError)) held++
        else
          return {
            leak: {
              says: `${callText(call)} breaks before it is in the page`,
              expected: 'it is carried out, or clearly refused',
              found: `throws: ${messageOf(thrown)}`,
              cause: 'it counts on parts that are only made when it is put in place',
              ledger: ledgerOf(subject.contract, await subject.play({ given: subject.least, moves: [] }), 0),
            },
          }
      }
    }
    return held > 0 ? { held } : { unproven: 'No value could be made of what its commands take.' }
  },
})
