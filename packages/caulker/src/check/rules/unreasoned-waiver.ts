import { contractRule, leak } from './rule.js'

/** A clause that is waived without saying why. */
export const unreasonedWaiver = contractRule({
  id: 'unreasoned-waiver',
  level: 'warning',
  title: 'A clause is waived without a reason',
  why: 'Nobody can tell later whether the promise is knowingly not kept, or whether a leak was silenced to get on.',
  mend: 'Write the reason, or drop the waiver.',
  leaking: `
import { contract } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', waives: { 'resets-fully': '' } })`,
  mended: `
import { contract } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', waives: { 'resets-fully': 'the drum keeps its last turn' } })`,
  *find(contract) {
    for (const [clause, reason] of Object.entries(contract.waives))
      if (String(reason ?? '').trim().length < 3)
        yield leak(['waives', clause], `'${clause}' is waived, and the reason is left out`)
  },
})
