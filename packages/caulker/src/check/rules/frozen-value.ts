import { leak, screenRule } from './rule.js'
import { isShared } from '../reading/screen-view.js'

/** A two-way value that is bound one-way: it can be seen, and no edit is ever kept. */
export const frozenValue = screenRule({
  id: 'frozen-value',
  level: 'error',
  title: 'A value is shown but cannot be edited',
  why: 'The fitting follows the cell and nothing carries the edit back: the field snaps back, or drifts from its owner.',
  mend: 'Bind it with twoWay. If it is only meant to be shown, lock it or say showOnly.',
  leaking: `
import { contract, oneWay, screen, Type } from 'caulker'
const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 3 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { turns: oneWay(cells.turns) } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 3 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
})`,
  *find({ fittings, cells }) {
    for (const fitting of fittings) {
      if (fitting.isLocked()) continue
      for (const [value, binding] of fitting.boundValues()) {
        if (
          isShared(binding) ||
          value.lastWord === 'self' ||
          (fitting.handlers.get(value.event)?.steps.length ?? 0) > 0
        )
          continue
        if (
          binding.kind === 'one-way' &&
          (binding.showOnly || (binding.source.kind === 'cell' && !cells.has(binding.source.name)))
        )
          continue
        const what = binding.kind === 'constant' ? 'is a constant' : `follows '${binding.source.name}' one-way`
        yield leak(
          ['bind', fitting.name, value.name],
          `'${fitting.name}.${value.name}' ${what}: an edit of it is never kept`,
          {
            ...(binding.kind === 'one-way' && binding.source.kind === 'cell'
              ? {
                  mend: `Write twoWay(cells.${binding.source.name}). If it is only meant to be shown, lock it or say showOnly.`,
                }
              : {}),
          },
        )
      }
    }
  },
})
