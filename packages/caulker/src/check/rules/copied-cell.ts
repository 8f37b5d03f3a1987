import { equal } from '../../contract/index.js'
import { isPayload } from '../../wiring/index.js'
import { leak, screenRule } from './rule.js'
import { isShared } from '../reading/screen-view.js'

/** Two cells that take the same report: two copies of one truth. */
export const copiedCell = screenRule({
  id: 'copied-cell',
  level: 'warning',
  title: 'Two cells hold one truth',
  why: 'They are equal until something sets only one of them; from then on two parts of the screen show different values, and both look right.',
  mend: 'Keep one cell, and bind both places to it.',
  leaking: `
import { contract, oneWay, payload, screen, set, Type } from 'caulker'
const pick = contract('berth-pick', { properties: { now: { type: Type.String() }, also: { type: Type.String() } }, events: { picked: { payload: Type.String() } } })
export const plan = screen('plan', {
  cells: { berth: { type: Type.String(), initial: '' }, shown: { type: Type.String(), initial: '' } },
  fittings: { pick },
  bind: ({ cells }) => ({ pick: { now: oneWay(cells.berth), also: oneWay(cells.shown), on: { picked: [set(cells.berth, payload()), set(cells.shown, payload())] } } }),
})`,
  mended: `
import { contract, oneWay, payload, screen, set, Type } from 'caulker'
const pick = contract('berth-pick', { properties: { now: { type: Type.String() }, also: { type: Type.String() } }, events: { picked: { payload: Type.String() } } })
export const plan = screen('plan', {
  cells: { berth: { type: Type.String(), initial: '' } },
  fittings: { pick },
  bind: ({ cells }) => ({ pick: { now: oneWay(cells.berth), also: oneWay(cells.berth), on: { picked: [set(cells.berth, payload())] } } }),
})`,
  *find(view) {
    for (const { at, action } of view.actions) {
      const takers = [
        ...new Set(
          action.steps.flatMap((step) => (step.step === 'set' && isPayload(step.value) ? [step.cell.name] : [])),
        ),
      ]
      if (takers.length > 1) yield leak(at, `${takers.map((name) => `'${name}'`).join(' and ')} take the same report`)
    }
    for (const fitting of view.fittings)
      for (const [value, binding] of fitting.boundValues())
        for (const taker of fitting.takersOf(value))
          if (isShared(binding) && taker.name !== binding.source.name)
            yield leak(
              ['bind', fitting.name, value.name],
              `'${binding.source.name}' and '${taker.name}' take the same report of '${fitting.name}.${value.name}'`,
            )
  },
  *findAcross({ journey, screens }) {
    const isOwn = (screen: string, cell: string) => !Object.hasOwn(journey.shares[screen] ?? {}, cell)
    for (const [from, edited] of screens)
      for (const cell of edited.editedCells())
        for (const [to, shown] of screens) {
          const here = edited.cells.get(cell)
          const there = shown.cells.get(cell)
          if (from === to || here === undefined || there === undefined || !isOwn(from, cell) || !isOwn(to, cell))
            continue
          if (equal(here.type, there.type) && shown.readCells().has(cell) && shown.writersOf(cell).length === 0)
            yield leak(
              ['screens', to],
              `'${cell}' is edited on '${from}' and shown on '${to}', and each holds its own`,
              { mend: `Lift it: give the journey a cell '${cell}', and share it with both.` },
            )
        }
  },
})
