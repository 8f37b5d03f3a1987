import { isReadable } from '../reading/given.js'
import { editedBy, type ScreenView } from '../reading/screen-view.js'
import { letsGo } from '../reading/wiped.js'
import { leak, screenRule } from './rule.js'

/** A copy of what is reckoned that is taken at one edit, and not at another. */
export const followsHalf = screenRule({
  id: 'follows-half',
  level: 'warning',
  title: 'A copy follows one of the fields that it is reckoned from',
  why: 'The total is put down when the bales are changed, and not when the price is: what is shown and sent is the total of before.',
  mend: 'Follow the reckoned cell itself; it is always up to date.',
  leaking: `
import { contract, oneWay, reckon, screen, set, twoWay, Type } from 'caulker'
const count = contract('bale-count', { summary: 'A count', values: { n: { type: Type.Integer() } } })
const plate = contract('yard-plate', { properties: { marks: { type: Type.Number(), default: 0 } } })
export const bill = screen('bill', {
  cells: { bales: { type: Type.Integer(), initial: 0 }, price: { type: Type.Integer(), initial: 1 }, total: { type: Type.Number(), initial: 0 } },
  fittings: { bales: count, price: count, plate },
  reckoned: ({ cells }) => ({ sum: reckon([cells.bales, cells.price], (bales, price) => bales * price) }),
  actions: ({ cells, reckoned }) => ({ put: [set(cells.total, reckoned.sum)] }),
  bind: ({ cells, actions }) => ({ bales: { n: twoWay(cells.bales), on: { 'n-set': actions.put } }, price: { n: twoWay(cells.price) }, plate: { marks: oneWay(cells.total) } }),
})`,
  mended: `
import { contract, oneWay, reckon, screen, twoWay, Type } from 'caulker'
const count = contract('bale-count', { summary: 'A count', values: { n: { type: Type.Integer() } } })
const plate = contract('yard-plate', { properties: { marks: { type: Type.Number(), default: 0 } } })
export const bill = screen('bill', {
  cells: { bales: { type: Type.Integer(), initial: 0 }, price: { type: Type.Integer(), initial: 1 } },
  fittings: { bales: count, price: count, plate },
  reckoned: ({ cells }) => ({ sum: reckon([cells.bales, cells.price], (bales, price) => bales * price) }),
  bind: ({ cells, reckoned }) => ({ bales: { n: twoWay(cells.bales) }, price: { n: twoWay(cells.price) }, plate: { marks: oneWay(reckoned.sum) } }),
})`,
  *find(view) {
    for (const placed of view.actions) {
      const reports = view.triggersOf(placed).map(({ fitting, event }) => editedBy(fitting, event))
      // Where a button puts it down as well, it stands for what was asked for.
      const edited = new Set(reports.every((cells) => cells.length > 0) ? reports.flat() : [])
      for (const step of placed.action.steps) {
        if (step.step !== 'set' || !isReadable(step.value) || step.value.kind !== 'reckoned') continue
        const copy = step.cell.name
        const behind = [...view.cellsBehind(step.value)].filter((cell) => view.editedCells().has(cell))
        const missed = behind.find((cell) => cell !== copy && !edited.has(cell) && !isFollowed(view, cell, copy))
        if (missed !== undefined && behind.some((cell) => edited.has(cell)))
          yield leak(
            placed.at,
            `'${copy}' takes '${step.value.name}' where '${[...edited].join("', '")}' is edited, and not where '${missed}' is`,
            { mend: `Follow '${step.value.name}' itself, with oneWay, in place of '${copy}'.` },
          )
      }
    }
  },
})

/** Whether an edit of a cell sets the copy, too. */
function isFollowed(view: ScreenView, cell: string, copy: string): boolean {
  return view.actions.some(
    (placed) =>
      placed.action.steps.some((step) => letsGo(step, copy)) &&
      view.triggersOf(placed).some(({ fitting, event }) => editedBy(fitting, event).includes(cell)),
  )
}
