import { closestMend } from '../../check/index.js'
import { pageRule } from './page-rule.js'

/** A label, or an ARIA reference, to an id that is not there. */
export const labelPointsNowhere = pageRule({
  id: 'label-points-nowhere',
  level: 'error',
  title: 'A label points nowhere',
  why: 'Clicking it does nothing, and the field has no name for whoever cannot see it.',
  mend: 'Use an id that is there.',
  leaking: `
export const page = { kind: 'page', html: '<label for="bale">Bales</label><input id="bales">' }`,
  mended: `
export const page = { kind: 'page', html: '<label for="bales">Bales</label><input id="bales">' }`,
  *find({ elements }) {
    const ids = new Set(elements.flatMap(({ attributes }) => attributes.get('id')?.value ?? []))
    for (const { tag, attributes } of elements)
      for (const name of tag === 'label' ? ['for', ...REFERENCES] : REFERENCES) {
        const reference = attributes.get(name)
        for (const id of reference?.value.split(/\s+/).filter(Boolean) ?? [])
          if (reference !== undefined && !ids.has(id)) {
            yield {
              at: reference.at,
              subject: `${tag} / ${name}`,
              says: `nothing has the id '${id}'`,
              ...closestMend(id, ids),
            }
          }
      }
  },
})

const REFERENCES = ['aria-labelledby', 'aria-describedby', 'aria-controls', 'aria-errormessage']
