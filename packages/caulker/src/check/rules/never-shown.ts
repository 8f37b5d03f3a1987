import { accepts, printed, typeText } from '../../contract/index.js'
import { leak, screenRule } from './rule.js'

/** A fitting waits for what can never be. */
export const neverShown = screenRule({
  id: 'never-shown',
  level: 'error',
  title: 'A fitting waits for what can never be',
  why: 'The cell that it is shown by can never hold what it waits for: nobody will see it.',
  mend: 'Say what the cell has to be, with { is: … }.',
  leaking: `
import { contract, screen, shownWhile, twoWay, Type } from 'caulker'
const rush = contract('rush-mark', { values: { rush: { type: Type.Boolean(), default: false } } })
const reason = contract('rush-reason', { values: { text: { type: Type.String(), default: '' } } })
export const order = screen('order', {
  cells: { rush: { type: Type.Boolean(), initial: false }, text: { type: Type.String(), initial: '' } },
  fittings: { rush, reason },
  shown: ({ cells }) => ({ reason: shownWhile(cells.rush, { is: 'yes' as never }) }),
  bind: ({ cells }) => ({ rush: { rush: twoWay(cells.rush) }, reason: { text: twoWay(cells.text) } }),
})`,
  mended: `
import { contract, screen, shownWhile, twoWay, Type } from 'caulker'
const rush = contract('rush-mark', { values: { rush: { type: Type.Boolean(), default: false } } })
const reason = contract('rush-reason', { values: { text: { type: Type.String(), default: '' } } })
export const order = screen('order', {
  cells: { rush: { type: Type.Boolean(), initial: false }, text: { type: Type.String(), initial: '' } },
  fittings: { rush, reason },
  shown: ({ cells }) => ({ reason: shownWhile(cells.rush, { is: true }) }),
  bind: ({ cells }) => ({ rush: { rush: twoWay(cells.rush) }, reason: { text: twoWay(cells.text) } }),
})`,
  *find(view) {
    for (const [name, { source, is }] of Object.entries(view.screen.shown)) {
      const type = view.typeOf(source)
      if (type !== undefined && !accepts(type, is))
        yield leak(
          ['shown', name],
          `'${name}' is shown while '${source.name}' is ${printed(is)}, which it can never be: it holds ${typeText(type)}`,
          { mend: `Say what '${source.name}' has to be, with { is: … }.` },
        )
    }
  },
})
