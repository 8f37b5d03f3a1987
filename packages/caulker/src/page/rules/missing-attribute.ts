import { attributeClauses } from '../reading/attributes.js'
import { pageRule } from './page-rule.js'

/** A required name that markup could give, and does not. */
export const missingAttribute = pageRule({
  id: 'missing-attribute',
  level: 'error',
  title: 'A required attribute is missing',
  why: 'The component cannot do its work without it, and a page has no owner that would supply it later.',
  mend: 'Write the attribute.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', required: ['label'], properties: { label: { type: Type.String() } } })
export const page = { kind: 'page', html: '<chain-winch></chain-winch>' }`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', required: ['label'], properties: { label: { type: Type.String() } } })
export const page = { kind: 'page', html: '<chain-winch label="Anchor chain"></chain-winch>' }`,
  *find({ elements }) {
    for (const { tag, contract, attributes, at } of elements) {
      // A fitting of a screen is supplied by its binding.
      if (contract === undefined || attributes.has('data-fitting')) continue
      for (const [name, clause] of attributeClauses(contract))
        if (clause.required && !attributes.has(name))
          yield {
            at,
            subject: `${tag} / ${name}`,
            says: `<${tag}> has no '${name}', which it requires`,
            mend: `Write ${name}="…".`,
          }
    }
  },
})
