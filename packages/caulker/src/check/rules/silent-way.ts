import type { FittingView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A way on that may be shut, and does not say why. */
export const silentWay = screenRule({
  id: 'silent-way',
  level: 'warning',
  title: 'A way on is shut without a word',
  why: 'The person presses on, nothing happens, and nothing says what is missing.',
  mend: 'Say it under otherwise; or lock what leads on while the way is shut.',
  leaking: `
import { contract, go, reckon, screen, twoWay, Type } from 'caulker'
const name = contract('vessel-name', { values: { text: { type: Type.String() } } })
const button = contract('yard-button', { events: { press: {} } })
export const vessel = screen('vessel', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name, on: button },
  reckoned: ({ cells }) => ({ isNamed: reckon([cells.name], (name) => name !== '') }),
  actions: ({ reckoned }) => ({ on: [go('order', { when: reckoned.isNamed, otherwise: '' })] }),
  bind: ({ cells, actions }) => ({ name: { text: twoWay(cells.name) }, on: { on: { press: actions.on } } }),
})`,
  mended: `
import { contract, go, reckon, screen, twoWay, Type } from 'caulker'
const name = contract('vessel-name', { values: { text: { type: Type.String() } } })
const button = contract('yard-button', { events: { press: {} } })
export const vessel = screen('vessel', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name, on: button },
  reckoned: ({ cells }) => ({ isNamed: reckon([cells.name], (name) => name !== '') }),
  actions: ({ reckoned }) => ({ on: [go('order', { when: reckoned.isNamed, otherwise: 'Name her first' })] }),
  bind: ({ cells, actions }) => ({ name: { text: twoWay(cells.name) }, on: { on: { press: actions.on } } }),
})`,
  *find(view) {
    for (const placed of view.actions) {
      const triggers = view.triggersOf(placed)
      // What is locked meanwhile is not pressed; whether the lock is the right one is the affair of other rules.
      if (triggers.length > 0 && triggers.every(({ fitting }) => isLockable(fitting))) continue
      for (const step of placed.all)
        if (step.step === 'go' && step.when !== undefined && step.otherwise.trim() === '')
          yield leak(
            placed.at,
            `the way to '${step.to}' is shut while '${step.when.name}' does not hold, and nothing says so`,
          )
    }
  },
})

function isLockable({ contract, bindings }: FittingView): boolean {
  return [contract.locks.disabled, contract.locks.readonly].some((lock) => bindings.get(lock ?? '')?.kind === 'one-way')
}
