import { compareContracts } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** An extension that takes away what owners of its base rely on. */
export const narrowedExtension = contractRule({
  id: 'narrowed-extension',
  level: 'error',
  title: 'An extension narrows its base',
  why: 'It says that it can stand wherever its base stands, and there it is told what it no longer takes, or not heard where it was.',
  mend: 'Keep what the base promises, or write a contract of its own.',
  leaking: `
import { contract, extend, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } } })
export const short = extend(text, { tag: 'short-text', summary: 'A short text', values: { text: { type: Type.String({ maxLength: 4 }) } } })`,
  mended: `
import { contract, extend, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } } })
export const short = extend(text, { tag: 'short-text', summary: 'A short text', properties: { most: { type: Type.Integer(), default: 4 } } })`,
  *find(contract) {
    if (contract.base === undefined) return
    for (const { weight, path, says } of compareContracts([contract.base], [{ ...contract, tag: contract.base.tag }]))
      if (weight === 'major') yield leak(path, `${says}, and '${contract.base.tag}' promises otherwise`)
  },
})
