import { clauseOf } from '../../contract/index.js'
import { leak, screenRule } from './rule.js'

/** A field that must be filled in, and that may not be there. */
export const requiredHidden = screenRule({
  id: 'required-hidden',
  level: 'error',
  title: 'A field must be filled in, and may be hidden',
  why: 'The submit waits for a field that the person cannot see: nothing happens, and nothing says why.',
  mend: 'Bind what obliges the person to the same cell that shows the field.',
  leaking: `
import { contract, screen, shownWhile, twoWay, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', properties: { needed: { type: Type.Boolean(), default: false } }, values: { text: { type: Type.String() } }, form: { value: 'text', requiredBy: 'needed' } })
const pick = contract('yes-no', { summary: 'A switch', values: { yes: { type: Type.Boolean(), default: false } } })
export const log = screen('deck-log', {
  cells: { damaged: { type: Type.Boolean(), initial: false }, text: { type: Type.String(), initial: '' } },
  fittings: { pick, note },
  shown: ({ cells }) => ({ note: shownWhile(cells.damaged) }),
  bind: ({ cells }) => ({ pick: { yes: twoWay(cells.damaged) }, note: { needed: true, text: twoWay(cells.text) } }),
})`,
  mended: `
import { contract, oneWay, screen, shownWhile, twoWay, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', properties: { needed: { type: Type.Boolean(), default: false } }, values: { text: { type: Type.String() } }, form: { value: 'text', requiredBy: 'needed' } })
const pick = contract('yes-no', { summary: 'A switch', values: { yes: { type: Type.Boolean(), default: false } } })
export const log = screen('deck-log', {
  cells: { damaged: { type: Type.Boolean(), initial: false }, text: { type: Type.String(), initial: '' } },
  fittings: { pick, note },
  shown: ({ cells }) => ({ note: shownWhile(cells.damaged) }),
  bind: ({ cells }) => ({ pick: { yes: twoWay(cells.damaged) }, note: { needed: oneWay(cells.damaged), text: twoWay(cells.text) } }),
})`,
  *find(view) {
    for (const [name, { source }] of Object.entries(view.screen.shown)) {
      const fitting = view.fittings.find((one) => one.name === name)
      const { requiredBy, value } = fitting?.contract.form ?? {}
      if (fitting === undefined) continue
      const binding = requiredBy === undefined ? undefined : fitting.bindings.get(requiredBy)
      const isObliged =
        requiredBy !== undefined &&
        (binding === undefined
          ? clauseOf(fitting.contract, requiredBy)?.default === true
          : binding.kind === 'constant' && binding.value === true)
      if (isObliged)
        yield leak(
          ['bind', name, requiredBy],
          `'${name}.${value}' must be filled in, and '${name}' is only shown while '${source.name}' holds`,
          { mend: `Bind ${requiredBy}: oneWay(${source.kind === 'cell' ? 'cells' : 'reckoned'}.${source.name}).` },
        )
    }
  },
})
