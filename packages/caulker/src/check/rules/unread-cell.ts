import { isHeldOutside } from '../reading/screen-view.js'
import { leak, screenRule, writerText } from './rule.js'

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
    const read = view.readCells()
    // A report that is taken while others write the same cell is half bound, and is named so.
    const taken = new Set(view.fittings.flatMap((fitting) => fitting.boundTakers()))
    for (const [name, cell] of view.cells) {
      const writers = view.writersOf(name)
      const isHalfBound = taken.has(name) && writers.length > 1
      if (read.has(name) || isHalfBound || cell.after.length > 0 || writers.length === 0) continue
      if (!isHeldOutside(view, name))
        yield leak(
          ['cells', name],
          `'${name}' is set by ${writers.map(writerText).join(' and ')}, and nothing reads it`,
        )
    }
  },
})
