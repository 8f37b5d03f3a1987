import { pageRule } from './page-rule.js'

/** One id on two elements. */
export const duplicateId = pageRule({
  id: 'duplicate-id',
  level: 'error',
  title: 'Two elements have one id',
  why: 'A label, a description and a link reach only the first of them (DOM Standard, section 4.9); the other has no name for whoever cannot see it.',
  mend: 'Give each its own id.',
  leaking: `
export const page = { kind: 'page', html: '<label for="bales">Bales</label><input id="bales"><input id="bales">' }`,
  mended: `
export const page = { kind: 'page', html: '<label for="bales">Bales</label><input id="bales"><input id="rolls">' }`,
  *find({ elements }) {
    const seen = new Map<string, number>()
    for (const { attributes, tag } of elements) {
      const id = attributes.get('id')
      if (id === undefined) continue
      const first = seen.get(id.value)
      if (first === undefined) seen.set(id.value, id.at.line)
      else yield { at: id.at, subject: `${tag} / id`, says: `the id '${id.value}' stands on line ${first} already` }
    }
  },
})
