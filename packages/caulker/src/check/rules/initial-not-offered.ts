import { equal, pointerParts, printed, valueAt, valueClauses } from '../../contract/index.js'
import { isHeldOutside, isShared, isUnset, type FittingView, type ScreenView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A choice that starts as what is not in its list. */
export const initialNotOffered = screenRule({
  id: 'initial-not-offered',
  level: 'error',
  title: 'A choice starts as what is not in its list',
  why: 'The screen opens with nothing chosen while its owner holds a choice, and sends it: nobody has ever seen it.',
  mend: 'Start with one that is in the list, or with nothing.',
  leaking: `
import { contract, screen, twoWay, Type } from 'caulker'
const berth = contract('berth-pick', { properties: { berths: { type: Type.Array(Type.String()), default: [] } }, values: { berth: { type: Type.String(), default: '', among: { list: 'berths', gone: 'kept' } } } })
export const stay = screen('stay', {
  cells: { berth: { type: Type.String(), initial: 'South 9' } },
  fittings: { berth },
  bind: ({ cells }) => ({ berth: { berths: ['North 1', 'North 2'], berth: twoWay(cells.berth) } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const berth = contract('berth-pick', { properties: { berths: { type: Type.Array(Type.String()), default: [] } }, values: { berth: { type: Type.String(), default: '', among: { list: 'berths', gone: 'kept' } } } })
export const stay = screen('stay', {
  cells: { berth: { type: Type.String(), initial: 'North 2' } },
  fittings: { berth },
  bind: ({ cells }) => ({ berth: { berths: ['North 1', 'North 2'], berth: twoWay(cells.berth) } }),
})`,
  *find(view) {
    for (const fitting of view.fittings)
      for (const { name, among, empty } of valueClauses(fitting.contract)) {
        const binding = fitting.bindings.get(name)
        const list = among === undefined ? undefined : fixedList(view, fitting, among.list)
        if (among === undefined || list === undefined || binding === undefined || !isShared(binding)) continue
        const cell = binding.source.row === undefined ? view.cells.get(binding.source.name) : undefined
        const initial = cell?.initial
        if (cell === undefined || isHeldOutside(view, cell.name)) continue
        if (initial === undefined || initial === null || equal(initial, empty)) continue
        const offered = list.map((entry) => valueAt(entry, pointerParts(among.at ?? '') ?? []))
        const missing = (Array.isArray(initial) ? (initial as unknown[]) : [initial]).find(
          (one) => !offered.some((entry) => equal(entry, one)),
        )
        if (missing !== undefined)
          yield leak(
            ['cells', cell.name],
            `the cell '${cell.name}' starts as ${printed(initial)}, and '${fitting.name}' offers ${printed(offered, 60)}`,
          )
      }
  },
})

/** A list that is given as it is, or held by a cell that nothing writes. */
function fixedList(view: ScreenView, { bindings }: FittingView, name: string): readonly unknown[] | undefined {
  const binding = bindings.get(name)
  if (binding?.kind === 'constant') return Array.isArray(binding.value) ? (binding.value as unknown[]) : undefined
  if (binding === undefined || binding.source.kind !== 'cell' || binding.source.row !== undefined) return undefined
  const cell = view.cells.get(binding.source.name)
  const isFixed = cell !== undefined && isUnset(view, cell.name)
  // An empty one that nothing fills is the affair of another rule.
  return isFixed && Array.isArray(cell.initial) && cell.initial.length > 0 ? (cell.initial as unknown[]) : undefined
}
