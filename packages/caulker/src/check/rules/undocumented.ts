import { contractRule, leak } from './rule.js'

/** A contract without a word on what the component is for. */
export const undocumented = contractRule({
  id: 'undocumented',
  level: 'note',
  title: 'A contract does not say what the component is for',
  why: 'Whoever looks for a component reads the summaries; one without is not found, and is written again.',
  mend: 'Give it a summary of one sentence.',
  leaking: `
import { contract } from 'caulker'
export const winch = contract('chain-winch', {})`,
  mended: `
import { contract } from 'caulker'
export const winch = contract('chain-winch', { summary: 'Lets the anchor chain out and in' })`,
  *find(contract) {
    if (contract.summary === undefined) yield leak([], `'${contract.tag}' has no summary`)
  },
})
