import { contractToJson, equal } from '../../contract/index.js'
import { designRule, leak } from './rule.js'

/** Two contracts of one tag that say different things. */
export const doubledTag = designRule({
  id: 'doubled-tag',
  level: 'error',
  title: 'One tag has two contracts',
  why: 'A page has one element of a tag. Screens that follow one contract are sound by it, and wrong by the other; which of them was meant nobody can tell.',
  mend: 'Keep one of them and import it everywhere, or give the other a tag of its own.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
export const other = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 3 } } })`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
export const other = contract('hand-winch', { values: { turns: { type: Type.Integer(), default: 3 } } })`,
  *find({ contracts, screens }) {
    const placed = screens.flatMap((view) => view.fittings.map(({ contract }) => contract))
    const first = new Map<string, (typeof contracts)[number]>()
    for (const contract of new Set([...contracts, ...placed])) {
      // A native control is no registered element: two selects may have different options.
      if (contract.tag.startsWith('native-')) continue
      const before = first.get(contract.tag)
      if (before === undefined) first.set(contract.tag, contract)
      else if (!equal(contractToJson(before), contractToJson(contract)))
        yield {
          ...leak([], `'${contract.tag}' has another contract that says something else`),
          of: { name: contract.tag, written: contract },
        }
    }
  },
})
