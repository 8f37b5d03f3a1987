import { isShared } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** Two values of one fitting that take each other's edits. */
export const twoValuesOneCell = screenRule({
  id: 'two-values-one-cell',
  level: 'error',
  title: 'Two values of a fitting are bound to one cell',
  why: 'What is entered in the one is shown in the other as well: from and until are always the same.',
  mend: 'Give each value a cell of its own.',
  leaking: `
import { contract, screen, twoWay, Type } from 'caulker'
const stay = contract('berth-stay', { values: { from: { type: Type.String() }, until: { type: Type.String() } } })
export const berth = screen('berth', {
  cells: { from: { type: Type.String(), initial: '' } },
  fittings: { stay },
  bind: ({ cells }) => ({ stay: { from: twoWay(cells.from), until: twoWay(cells.from) } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const stay = contract('berth-stay', { values: { from: { type: Type.String() }, until: { type: Type.String() } } })
export const berth = screen('berth', {
  cells: { from: { type: Type.String(), initial: '' }, until: { type: Type.String(), initial: '' } },
  fittings: { stay },
  bind: ({ cells }) => ({ stay: { from: twoWay(cells.from), until: twoWay(cells.until) } }),
})`,
  *find(view) {
    for (const { name, bindings } of view.fittings) {
      const taken = new Map<string, string>()
      for (const [value, binding] of bindings) {
        if (!isShared(binding)) continue
        const { name: cell, member } = binding.source
        const key = JSON.stringify([cell, member])
        const other = taken.get(key)
        if (other !== undefined)
          yield leak(['bind', name, value], `'${name}.${other}' and '${name}.${value}' are both bound to '${cell}'`)
        taken.set(key, value)
      }
    }
  },
})
