import { waiversOf, type Waivers } from '../../contract/index.js'
import { INVARIANTS } from '../../wiring/index.js'
import { closestMend, designRule, leak, type Leak } from './rule.js'
import type { Subject } from '../reading/design-view.js'

/** A waiver that does not say why, or that names no rule. */
export const unreasonedWaiver = designRule({
  id: 'unreasoned-waiver',
  level: 'warning',
  title: 'Something is waived without a reason',
  why: 'Nobody can tell later whether the promise is knowingly not kept, or whether a leak was silenced to get on.',
  mend: 'Write the reason, or drop the waiver.',
  leaking: `
import { contract } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', waives: { 'resets-fully': '' } })`,
  mended: `
import { contract } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', waives: { 'resets-fully': 'the drum keeps its last turn' } })`,
  *find({ contracts, screens, interiors, journeys, rules }) {
    const of = (written: { readonly waives: Waivers }, name: string): Subject & { written: typeof written } => ({
      name,
      written,
    })
    for (const contract of contracts) yield* unreasoned(of(contract, contract.tag))
    const wired = [
      ...screens.map(({ screen }) => of(screen, screen.name)),
      ...interiors.map(({ interior, view }) => of(view.screen, `${interior.contract.tag} inside`)),
      ...journeys.map(({ journey }) => of(journey, journey.name)),
    ]
    for (const one of wired) {
      yield* unreasoned(one)
      for (const id of Object.keys(one.written.waives))
        if (!rules.includes(id) && !INVARIANTS.includes(id))
          yield {
            ...leak(
              ['waives', id],
              `'${id}' is waived, and there is no such rule`,
              closestMend(id, [...rules, ...INVARIANTS]),
            ),
            of: one,
          }
    }
  },
})

function* unreasoned(of: Subject & { written: { readonly waives: Waivers } }): Iterable<Leak & { of: Subject }> {
  for (const { id, name, reason } of waiversOf(of.written.waives))
    if (!isReason(reason))
      yield {
        ...leak(
          ['waives', id],
          `'${id}' is waived${name === undefined ? '' : ` for '${name}'`}, and the reason is left out`,
        ),
        of,
      }
}

/** Whether a waiver says anything. */
export function isReason(reason: string): boolean {
  return reason.trim().length >= 3
}
