import { nearestMend } from '../../check/index.js'
import { attributeClauses, isGlobalAttribute } from '../reading/attributes.js'
import { pageRule } from './page-rule.js'

/** An attribute that the component does not know. */
export const unknownAttribute = pageRule({
  id: 'unknown-attribute',
  level: 'error',
  title: 'An attribute does not exist',
  why: 'The component never reads it, and nothing says so: the person sees the default instead of what was written.',
  mend: 'Use the attribute as the contract declares it.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { label: { type: Type.String() } } })
export const page = { kind: 'page', html: '<chain-winch lable="Anchor chain"></chain-winch>' }`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { label: { type: Type.String() } } })
export const page = { kind: 'page', html: '<chain-winch label="Anchor chain"></chain-winch>' }`,
  *find({ elements }) {
    for (const { tag, contract, attributes } of elements) {
      if (contract === undefined) continue
      const known = attributeClauses(contract)
      for (const [name, { at }] of attributes) {
        if (known.has(name) || isGlobalAttribute(name)) continue
        yield {
          at,
          subject: `${tag} / ${name}`,
          says: `<${tag}> has no attribute '${name}'`,
          ...nearestMend(name, known.keys()),
        }
      }
    }
  },
})
