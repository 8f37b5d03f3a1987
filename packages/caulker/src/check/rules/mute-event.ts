import { valueClauses } from '../../contract/index.js'
import { designRule, leak } from './rule.js'

/** An event of a contract that the interior behind it never sends. */
export const muteEvent = designRule({
  id: 'mute-event',
  level: 'error',
  title: 'An event is declared, and nothing inside sends it',
  why: 'Owners listen for it, as the contract says they may, and never hear of it.',
  mend: 'Report it from what sets it off, with report, or drop it from the contract.',
  leaking: `
import { contract, interior, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { press: {} } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String() } }, events: { sent: {} } })
export const inside = interior(name, { fittings: { text }, bind: ({ face }) => ({ text: { text: twoWay(face.values.name) } }) })`,
  mended: `
import { contract, interior, report, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { press: {} } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String() } }, events: { sent: {} } })
export const inside = interior(name, {
  fittings: { text },
  bind: ({ face }) => ({ text: { text: twoWay(face.values.name), on: { press: [report(face.events.sent)] } } }),
})`,
  *find({ interiors }) {
    for (const { interior, view } of interiors) {
      const { tag, events } = interior.contract
      const sent = new Set(
        view.actions.flatMap(({ all }) => all.flatMap((step) => (step.step === 'report' ? [step.event.name] : []))),
      )
      // What asks before a value changes is sent by the machine itself.
      const asked = new Set(valueClauses(interior.contract).flatMap(({ event, vetoEvent }) => [event, vetoEvent]))
      for (const name of Object.keys(events))
        if (!sent.has(name) && !asked.has(name))
          yield {
            ...leak(['events', name], `the interior of '${tag}' never sends its event '${name}'`),
            of: { name: `${tag} inside`, written: view.screen },
          }
    }
  },
})
