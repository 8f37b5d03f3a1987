import { accepts, printed, typeText } from '../../contract/index.js'
import { attributeValue } from '../../contract/index.js'
import { attributeClauses } from '../reading/attributes.js'
import { pageRule } from './page-rule.js'

/** An attribute whose text the clause's type refuses. */
export const attributeOffType = pageRule({
  id: 'attribute-off-type',
  level: 'error',
  title: 'An attribute has a value off its type',
  why: 'The component turns the text into something nobody meant: not a number, a flag that cannot be false, a choice that is not offered.',
  mend: 'Write a value of the type.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { most: { type: Type.Integer(), default: 12 } } })
export const page = { kind: 'page', html: '<chain-winch most="a dozen"></chain-winch>' }`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { most: { type: Type.Integer(), default: 12 } } })
export const page = { kind: 'page', html: '<chain-winch most="12"></chain-winch>' }`,
  *find({ elements }) {
    for (const { tag, contract, attributes } of elements) {
      const known = contract === undefined ? new Map<string, never>() : attributeClauses(contract)
      for (const [name, { value, at }] of attributes) {
        const clause = known.get(name)
        if (clause === undefined) continue
        if (accepts(clause.type, true) && value === 'false')
          yield {
            at,
            subject: `${tag} / ${name}`,
            says: `${name}="false" means true: a flag is true by being there`,
            mend: `Leave '${name}' out.`,
          }
        else if (!accepts(clause.type, attributeValue(clause, value)))
          yield {
            at,
            subject: `${tag} / ${name}`,
            says: `'${name}' is ${printed(value)}, and its type is ${typeText(clause.type)}`,
          }
      }
    }
  },
})
