import { equal, isEmpty } from '../../contract/index.js'
import type { Step } from '../../wiring/index.js'
import { isHeldOutside, isShared, isUnset, sharedBy, type ScreenView } from '../reading/screen-view.js'
import { cellsGiven, sendings } from '../reading/sends.js'
import { leak, screenRule, type Leak } from './rule.js'

/** A cell that nothing on the screen writes. */
export const unsetCell = screenRule({
  id: 'unset-cell',
  level: 'note',
  title: 'Nothing sets a cell',
  why: 'It stays at its initial value for good, unless the page itself sets it; then a reader of the screen cannot see where it comes from. Or a field that was meant for it is bound to another cell.',
  mend: 'Give the fitting a constant instead, or bind what is meant to set it.',
  leaking: `
import { contract, oneWay, screen, Type } from 'caulker'
const tag = contract('price-tag', { properties: { amount: { type: Type.Number() } } })
export const bill = screen('bill', {
  cells: { amount: { type: Type.Number(), initial: 18.5 } },
  fittings: { tag },
  bind: ({ cells }) => ({ tag: { amount: oneWay(cells.amount) } }),
})`,
  mended: `
import { contract, screen, Type } from 'caulker'
const tag = contract('price-tag', { properties: { amount: { type: Type.Number() } } })
export const bill = screen('bill', { cells: {}, fittings: { tag }, bind: () => ({ tag: { amount: 18.5 } }) })`,
  *find(view) {
    for (const name of view.cells.keys())
      if (isUnset(view, name))
        yield meantFor(view, name) ?? leak(['cells', name], `nothing on the screen sets '${name}'`)
      else yield* onlyWiped(view, name)
  },
})

/** What is sent, is nothing at first, and is never more than brought back to that. */
function* onlyWiped(view: ScreenView, name: string): Iterable<Leak> {
  const isFilled =
    isHeldOutside(view, name) ||
    view.screen.loads[name] !== undefined ||
    view.fittings.some((fitting) => sharedBy(fitting).includes(name)) ||
    view.actions.some(({ all }) => all.some((step) => fills(step, name)))
  const sending = isFilled ? undefined : sendings(view).find((one) => cellsGiven(view, one).has(name))
  if (sending === undefined || !isEmpty(view.cells.get(name)?.initial)) return
  yield leak(
    sending.at,
    `'${sending.ref.source}.${sending.ref.name}' is sent '${name}', which is cleared and never filled`,
    { mend: `Set '${name}' where it is to be had: in an answer, with payload().`, level: 'warning' },
  )
}

function fills(step: Step, cell: string): boolean {
  return (step.step === 'set' && step.cell.name === cell) || (step.step === 'call' && step.into?.name === cell)
}

/** A field that has the name of the cell, or is one of two on another cell while this one is sent: it is bound to the wrong one. */
function meantFor(view: ScreenView, name: string): Leak | undefined {
  const type = view.cells.get(name)?.type
  const isSent = sendings(view).some((sending) => cellsGiven(view, sending).has(name))
  for (const fitting of view.fittings)
    for (const [value, binding] of fitting.boundValues()) {
      if (!isShared(binding) || binding.source.name === name) continue
      const other = view.cells.get(binding.source.name)
      const isDoubled =
        view.fittings.filter((one) => sharedBy(one).includes(binding.source.name)).length > 1 &&
        !equalNames(fitting.name, binding.source.name)
      if (!equal(other?.type, type) || !(equalNames(fitting.name, name) || (isSent && isDoubled))) continue
      return leak(
        ['bind', fitting.name, value.name],
        `'${fitting.name}' edits '${binding.source.name}', and nothing on the screen sets '${name}'`,
        { mend: `Did you mean cells.${name}?`, level: 'warning' },
      )
    }
  return undefined
}

function equalNames(one: string, other: string): boolean {
  return one.toLowerCase() === other.toLowerCase()
}
