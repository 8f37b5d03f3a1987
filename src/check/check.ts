import { isContract, placeOf, type AnyContract } from '../contract/index.js'
import { isScreen, type AnyScreen } from '../wiring/index.js'
import type { Finding, Leak, Rule } from './rule.js'
import { rules as allRules } from './rules/index.js'
import { viewOf } from './screen-view.js'

/** Contracts and screens to be checked together. */
export interface Design {
  readonly contracts: readonly AnyContract[]
  readonly screens: readonly AnyScreen[]
}

/** The contracts and screens among what a module exports, or in any other bag of values. */
export function designOf(exported: Readonly<Record<string, unknown>> | readonly unknown[]): Design {
  const all = [...new Set(Object.values(exported))]
  return { contracts: all.filter(isContract), screens: all.filter(isScreen) }
}

/**
 * Reads contracts and screens at rest, and says what leaks: nothing is run and nothing is mounted.
 *
 * @example
 * ```ts
 * import { check, contract, screen, Type } from 'caulker'
 * const winch = contract('chain-winch', { required: ['label'], properties: { label: { type: Type.String() } } })
 * const slip = screen('slipway', { cells: {}, fittings: { winch }, bind: () => ({ winch: {} as never }) })
 * console.assert(check({ contracts: [winch], screens: [slip] }).some(({ rule }) => rule === 'required-missing'))
 * ```
 */
export function check(design: Design, rules: readonly Rule[] = allRules): Finding[] {
  const findings: Finding[] = []
  for (const contract of design.contracts)
    for (const rule of rules)
      if (rule.about === 'contract')
        for (const leak of rule.find(contract)) findings.push(findingOf(rule, leak, contract.tag, contract))
  for (const screen of design.screens) {
    const view = viewOf(screen)
    for (const rule of rules)
      if (rule.about === 'screen')
        for (const leak of rule.find(view)) findings.push(findingOf(rule, leak, screen.name, screen))
  }
  return findings
}

function findingOf(rule: Rule, leak: Leak, owner: string, written: object): Finding {
  const shown = leak.at.filter((part) => !SECTIONS.has(part))
  return {
    rule: rule.id,
    level: leak.level ?? rule.level,
    subject: shown.length === 0 ? owner : `${owner} / ${shown.join('.')}`,
    says: leak.says,
    mend: leak.mend ?? rule.mend,
    place: placeOf(written),
    path: leak.at,
  }
}

/** Parts of a path that lead to the line, and say nothing to a reader. */
const SECTIONS = new Set([
  'bind',
  'cells',
  'properties',
  'values',
  'actions',
  'reckoned',
  'fittings',
  'on',
  'events',
  'commands',
  'waives',
])
