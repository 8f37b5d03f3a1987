import { isEmpty } from '../../contract/index.js'
import { combinations, heldWhile, onlyCompares } from '../reading/recomputed.js'
import { followsState, isShared, type ScreenView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A field that must be filled in only once it is. */
export const requiredWhenFilled = screenRule({
  id: 'required-when-filled',
  level: 'error',
  title: 'A field must be filled in only once it is filled',
  why: 'The condition is the wrong way round: while the field is empty nothing asks for it, and it is sent empty.',
  mend: 'Turn the condition round, or let it depend on something else than the field itself.',
  leaking: `
import { contract, oneWay, reckon, screen, twoWay, Type } from 'caulker'
const mark = contract('hull-mark', { summary: 'A mark', properties: { needed: { type: Type.Boolean(), default: false } }, values: { text: { type: Type.String() } }, form: { value: 'text', requiredBy: 'needed' } })
export const hull = screen('hull', {
  cells: { mark: { type: Type.String(), initial: '' } },
  fittings: { mark },
  reckoned: ({ cells }) => ({ isFilled: reckon([cells.mark], (mark) => mark !== '') }),
  bind: ({ cells, reckoned }) => ({ mark: { text: twoWay(cells.mark), needed: oneWay(reckoned.isFilled) } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const mark = contract('hull-mark', { summary: 'A mark', properties: { needed: { type: Type.Boolean(), default: false } }, values: { text: { type: Type.String() } }, form: { value: 'text', requiredBy: 'needed' } })
export const hull = screen('hull', {
  cells: { mark: { type: Type.String(), initial: '' } },
  fittings: { mark },
  bind: ({ cells }) => ({ mark: { text: twoWay(cells.mark), needed: true } }),
})`,
  *find(view) {
    for (const fitting of view.fittings) {
      const { form } = fitting.contract
      const obliges = fitting.bindings.get(form?.requiredBy ?? '')
      const filled = fitting.bindings.get(form?.value ?? '')
      if (obliges?.kind !== 'one-way' || filled === undefined || !isShared(filled)) continue
      const { source } = obliges
      if (source.kind === 'cell' || followsState(view, source) || !onlyCompares(view, source)) continue
      if (isAskedInVain(view, source.name, [...view.cellsBehind(source)], filled.source.name))
        yield leak(
          ['bind', fitting.name, form?.requiredBy ?? ''],
          `'${fitting.name}.${form?.value}' must be filled in while '${source.name}' holds, and that only holds once it is filled`,
        )
    }
  },
})

/** Whether it obliges in some state that was tried, and in none in which the field is empty. */
function isAskedInVain(view: ScreenView, source: string, behind: readonly string[], cell: string): boolean {
  if (!behind.includes(cell)) return false
  const asked = combinations(view, behind).filter((held) => heldWhile(view, source, held)?.value === true)
  return asked.length > 0 && asked.every((held) => !isEmpty(held.get(cell)))
}
