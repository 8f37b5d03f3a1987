import { leak, screenRule, writerText, type Leak } from './rule.js'
import { isShared, type ScreenView } from '../reading/screen-view.js'

/** A value that keeps its own truth, shared with a cell that keeps one too. */
export const twoMasters = screenRule({
  id: 'two-masters',
  level: 'warning',
  title: 'Parent and child both keep the value',
  why: 'The component holds the last word itself: what the owner makes of its cell is not shown, or stands in the cell and not in the field. They drift apart.',
  mend: 'Hear what it reports with on: { … }, and reset it by its command; or let its owner hold the value.',
  leaking: `
import { contract, screen, set, twoWay, Type } from 'caulker'
const chalk = contract('chalk-line', { summary: 'A line', values: { text: { type: Type.String(), lastWord: 'self', accepts: 'never' } }, events: { wiped: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { chalk },
  bind: ({ cells }) => ({ chalk: { text: twoWay(cells.text), on: { wiped: [set(cells.text, 'gone')] } } }),
})`,
  mended: `
import { contract, screen, set, twoWay, Type } from 'caulker'
const chalk = contract('chalk-line', { summary: 'A line', values: { text: { type: Type.String() } }, events: { wiped: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { chalk },
  bind: ({ cells }) => ({ chalk: { text: twoWay(cells.text), on: { wiped: [set(cells.text, 'gone')] } } }),
})`,
  *find(view) {
    for (const fitting of view.fittings)
      for (const [value, binding] of fitting.boundValues()) {
        if (value.lastWord !== 'self' || !isShared(binding)) continue
        const found = drift(view, `${fitting.name}.${value.name}`, binding.source.name, value.accepts === 'never')
        if (found !== undefined) yield { ...found, at: ['bind', fitting.name, value.name] }
      }
  },
})

function drift(view: ScreenView, bound: string, cell: string, isDeaf: boolean): Omit<Leak, 'at'> | undefined {
  const others = view.writersOf(cell).filter((writer) => writer !== bound)
  const [first] = others
  if (isDeaf && first !== undefined)
    return leak([], `'${bound}' takes no tell, and ${writerText(first)} writes '${cell}' too: it is never shown`)
  const clause = view.cells.get(cell)
  if (clause !== undefined && clause.amend.length + clause.refuse.length > 0)
    return leak([], `'${bound}' has the last word, and '${cell}' may amend or refuse what it reports`)
  return isDeaf || first === undefined
    ? undefined
    : leak([], `'${bound}' has the last word, and ${writerText(first)} writes '${cell}' too`, { level: 'note' })
}
