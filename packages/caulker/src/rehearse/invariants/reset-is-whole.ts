import { equal, printed } from '../../contract/index.js'
import { frontOf } from '../play/sight.js'
import { cellName, invariant } from './invariant.js'

/** A reset brings back all that a person can edit on the screen, and what is shown of it. */
export const resetIsWhole = invariant({
  id: 'reset-is-whole',
  title: 'A reset brings its scope back wholly',
  why: 'Who starts again believes that all is as it was; what was forgotten is sent with the rest.',
  mend: 'Leave cells out of reset, so that all are in its scope; name what stays in leaves. Forget drafts with discard.',
  watches: 'presses',
  *judge({ plan, ran, before, middle, after, happened }) {
    const { machine } = plan
    const front = frontOf(before, machine)
    const screen = machine.screens[front]
    if (screen === undefined || front !== frontOf(after, machine)) return
    const isReset = ran.some(({ step }) => step === 'reset')
    const cleared = new Set(ran.flatMap((step) => (step.step === 'set' && step.isClear ? [step.cell] : [])))
    if (!isReset && cleared.size === 0) return
    const leaves = new Set(screen.screen.reset?.leaves.map((name) => screen.places.cells.get(name) ?? -1) ?? [])
    const scope = isReset ? screen.edited.filter((cell) => !leaves.has(cell)) : [...cleared]
    const at = { screen: front, path: isReset ? ['reset'] : ['actions'] }
    const written = new Set(ran.flatMap((step) => (step.step === 'set' && !step.isClear ? [step.cell] : [])))
    const adjusted = new Set([...happened.amendments, ...happened.refusals].map(({ cell }) => cell))
    for (const cell of scope) {
      const clause = machine.cells[cell]
      const to = screen.reset?.to ?? 'initial'
      if (clause === undefined || written.has(cell) || adjusted.has(clause.name) || (isReset && to === 'default'))
        continue
      const saved = after.slots[screen.slots.saved] as Readonly<Record<number, unknown>>
      const target = isReset && to === 'saved' && cell in saved ? saved[cell] : clause.initial
      const stands = after.slots[cell]
      if (!equal(stands, target) && equal(stands, middle.slots[cell]))
        yield {
          subject: clause.name,
          says: `${isReset ? 'the reset' : 'clearing it'} leaves ${printed(stands)} in ${clause.name}, which was ${printed(target)} in the beginning`,
          cells: [cell],
          ...at,
        }
    }
    for (const { slot, cell, name, fitting } of machine.drafts)
      if (scope.includes(cell) && after.slots[slot] !== undefined)
        yield {
          subject: `${name}`,
          says: `${isReset ? 'the reset' : `clearing ${cellName(machine, cell)}`} leaves the draft in ${machine.fittings[fitting]?.name} open: what was typed is still shown`,
          cells: [cell],
          fittings: [machine.fittings[fitting]?.name ?? ''],
          ...at,
        }
  },
})
