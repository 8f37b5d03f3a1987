import { valueAt } from '../../contract/index.js'
import { isPayload, allSteps } from '../../wiring/index.js'
import { leak, screenRule } from './rule.js'
import type { FittingView } from '../reading/screen-view.js'
import { readablesIn, membersOf } from '../reading/given.js'

/** A value that a person can edit, and that nothing on the screen is bound to or hears. */
export const unboundValue = screenRule({
  id: 'unbound-value',
  level: 'warning',
  title: 'A value is edited, and nobody holds it',
  why: 'The person enters it and sees it; the screen neither knows it nor can send, reset or clear it.',
  mend: 'Bind it with twoWay to a cell; if nobody is to know it, waive the rule with the reason.',
  leaking: `
import { contract, screen, twoWay, Type } from 'caulker'
const span = contract('berth-span', { summary: 'A span', values: { from: { type: Type.String() }, to: { type: Type.String() } } })
export const berth = screen('berth', {
  cells: { from: { type: Type.String(), initial: '' } },
  fittings: { span },
  bind: ({ cells }) => ({ span: { from: twoWay(cells.from) } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const span = contract('berth-span', { summary: 'A span', values: { from: { type: Type.String() }, to: { type: Type.String() } } })
export const berth = screen('berth', {
  cells: { from: { type: Type.String(), initial: '' }, to: { type: Type.String(), initial: '' } },
  fittings: { span },
  bind: ({ cells }) => ({ span: { from: twoWay(cells.from), to: twoWay(cells.to) } }),
})`,
  *find({ fittings, screen }) {
    for (const fitting of fittings) {
      if (fitting.isLocked() || takesFromEvents(fitting)) continue
      const { contract, name } = fitting
      const values = Object.values(contract.values)
      const free = values.filter(
        (value) => !fitting.bindings.has(value.name) && (fitting.handlers.get(value.event)?.steps.length ?? 0) === 0,
      )
      for (const value of free) {
        // What has the last word itself may be nobody else's.
        if (value.lastWord === 'self') continue
        // The native form around it carries a form value, and a flag beside a bound value is mostly how it looks.
        if (contract.form?.value === value.name && screen.submit === undefined) continue
        if (valueAt(value.type, ['type']) === 'boolean' && free.length < values.length) continue
        yield leak(['bind', name], `the person edits '${name}.${value.name}', and no cell holds it`, {
          mend: `Write ${value.name}: twoWay(cells.…) on '${name}'; if nobody is to know it, waive the rule with the reason.`,
        })
      }
    }
  },
})

/** Whether an event beside the reports hands over what was entered, as a search does. */
function takesFromEvents({ contract, handlers }: FittingView): boolean {
  return Object.keys(contract.events).some((event) =>
    [...allSteps(handlers.get(event)?.steps ?? [])].some(
      (step) =>
        (step.step === 'set' && isPayload(step.value)) ||
        ((step.step === 'call' || step.step === 'save') &&
          [step.given, ...Object.values(membersOf(step.given))].some(isPayload)) ||
        (step.step === 'announce' && (isPayload(step.value) || readablesIn(step.value).length > 0)),
    ),
  )
}
