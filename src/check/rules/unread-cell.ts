import type { Reckoned, Source } from '../../wiring/index.js'
import { leak, screenRule, writerText } from '../rule.js'
import type { ScreenView } from '../screen-view.js'

/** A cell that is written and that nothing on the screen reads. */
export const unreadCell = screenRule({
  id: 'unread-cell',
  level: 'warning',
  title: 'A cell is never read',
  why: 'What the person enters is kept and shown nowhere, sent nowhere and computed from by nothing: it is lost with the screen.',
  mend: 'Bind it, compute from it, or drop it.',
  leaking: `
import { contract, payload, screen, set, Type } from 'caulker'
const note = contract('log-note', { events: { noted: { payload: Type.String() } } })
export const log = screen('deck-log', {
  cells: { last: { type: Type.String(), initial: '' } },
  fittings: { note },
  bind: ({ cells }) => ({ note: { on: { noted: [set(cells.last, payload())] } } }),
})`,
  mended: `
import { contract, oneWay, payload, screen, set, Type } from 'caulker'
const note = contract('log-note', { properties: { last: { type: Type.String() } }, events: { noted: { payload: Type.String() } } })
export const log = screen('deck-log', {
  cells: { last: { type: Type.String(), initial: '' } },
  fittings: { note },
  bind: ({ cells }) => ({ note: { last: oneWay(cells.last), on: { noted: [set(cells.last, payload())] } } }),
})`,
  *find(view) {
    const read = readCells(view)
    // A report that is taken while others write the same cell is half bound, and is named so.
    const taken = new Set(view.fittings.flatMap((fitting) => fitting.boundTakers()))
    for (const [name, cell] of view.cells)
      if (
        !read.has(name) &&
        !(taken.has(name) && view.writersOf(name).length > 1) &&
        cell.after.length === 0 &&
        view.writersOf(name).length > 0
      )
        yield leak(
          ['cells', name],
          `'${name}' is set by ${view.writersOf(name).map(writerText).join(' and ')}, and nothing reads it`,
        )
  },
})

function readCells(view: ScreenView): Set<string> {
  const sources: Source<unknown>[] = view.fittings.flatMap(({ bindings }) =>
    [...bindings.values()].flatMap((binding) => (binding.kind === 'constant' ? [] : [binding.source])),
  )
  const inputs = Object.values<Reckoned<unknown>>(view.screen.reckoned).flatMap((reckoned) => [...reckoned.inputs])
  return new Set([...sources, ...inputs].flatMap((source) => [...view.cellsBehind(source)]))
}
