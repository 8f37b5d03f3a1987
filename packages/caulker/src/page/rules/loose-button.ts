import { pageRule } from './page-rule.js'

/** A button in a form that says nothing of its type, and so submits. */
export const looseButton = pageRule({
  id: 'loose-button',
  level: 'warning',
  title: 'A button in a form submits by accident',
  why: 'A button without a type is a submit button (HTML Standard, section 4.10.6): pressing it, or Enter in any field, sends the form.',
  mend: 'Write type="button", or type="submit" where it is meant to send.',
  leaking: `
export const page = { kind: 'page', html: '<form><input aria-label="Bales"><button>Fewer</button></form>' }`,
  mended: `
export const page = { kind: 'page', html: '<form><input aria-label="Bales"><button type="button">Fewer</button></form>' }`,
  *find({ elements }) {
    for (const { tag, attributes, parents, at, text } of elements)
      if (
        tag === 'button' &&
        !attributes.has('type') &&
        (attributes.has('form') || parents.some((parent) => parent.tag === 'form'))
      )
        yield { at, subject: 'button', says: `the button '${text}' has no type, so it submits the form` }
  },
})
