import { closestMend } from '../../check/index.js'
import { pageRule } from './page-rule.js'

/** A tag that looks like a component, and that no contract is about. */
export const notRegistered = pageRule({
  id: 'not-registered',
  level: 'warning',
  title: 'A tag looks like a component and is not known',
  why: 'A misspelt custom element is drawn as an empty inline box: no error, no field, nothing to see.',
  mend: 'Mend the tag, or write down its contract.',
  leaking: `
import { contract } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch' })
export const page = { kind: 'page', html: '<chain-winhc></chain-winhc>' }`,
  mended: `
import { contract } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch' })
export const page = { kind: 'page', html: '<chain-winch></chain-winch>' }`,
  *find({ elements, contracts }) {
    const tags = contracts.map((contract) => contract.tag)
    for (const { tag, contract, at } of elements) {
      if (!tag.includes('-') || contract !== undefined || RESERVED.has(tag)) continue
      yield {
        at,
        subject: tag,
        says: `no contract is about <${tag}>`,
        ...closestMend(tag, tags),
      }
    }
  },
})

/** Names of SVG and MathML with a hyphen (HTML Standard, section 4.13.3). */
const RESERVED = new Set([
  'annotation-xml',
  'color-profile',
  'font-face',
  'font-face-src',
  'font-face-uri',
  'font-face-format',
  'font-face-name',
  'missing-glyph',
])
