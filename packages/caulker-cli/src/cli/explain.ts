import { CaulkerError, hint } from 'caulker/inside/words'
import type { RuleTexts } from 'caulker/inside/check'
import { everyRule } from 'caulker/inside/page'
import { clauses, type Clause } from 'caulker/inside/probe'

/** Why a rule or a clause is there, and what to do: for either, wherever it is asked. */
export function explained(id: string): string {
  const rule = everyRule.find((one) => one.id === id)
  if (rule !== undefined) return ruleText(rule)
  const clause = clauses.find((one) => one.id === id)
  if (clause !== undefined) return clauseText(clause)
  const ids = [...everyRule, ...clauses].map((one) => one.id)
  throw new CaulkerError('bad-argument', `--explain ${id}: there is no such rule or clause${nearest(id, ids)}`)
}

/** The list of all would be longer than a screen. */
function nearest(id: string, ids: readonly string[]): string {
  const said = hint(id, ids)
  return said.startsWith('; did') ? said : '; docs/reference.md lists them'
}

function ruleText({ id, level, title, why, mend, leaking, mended }: RuleTexts): string {
  return `${id} (${level}): ${title}\n\n${why}\n\nMend: ${mend}\n\nThis leaks:\n${indented(leaking)}\n\nThis is mended:\n${indented(mended)}\n`
}

function clauseText({ id, promise, why, tried, unprovenWhen }: Clause): string {
  return `${id}, a clause of a probe: ${promise}\n\n${why}\n\nHow it is tried: ${tried}\n\nUnproven: ${unprovenWhen}\n\nWaive it in the contract, with the reason: waives: { '${id}': '…' }\n`
}

function indented(code: string): string {
  return code
    .trim()
    .split('\n')
    .map((line) => `  ${line}`)
    .join('\n')
}
