import { valueClauses } from '../../contract/index.js'
import { isPayload } from '../../wiring/index.js'
import { membersOf } from '../reading/given.js'
import { designRule, leak, type Leak } from './rule.js'
import type { FittingView, ScreenView } from '../reading/screen-view.js'

/** An edit that is passed on as it came, beside the place that would amend or refuse it. */
export const bypassedInterception = designRule({
  id: 'bypassed-interception',
  level: 'error',
  title: 'An edit goes round its interception',
  why: 'What is passed on was never amended, bounded or refused: what is shown and kept is one thing, what others hear is another.',
  mend: 'Pass on what stands: bind the value with twoWay, and give the cell instead of the payload.',
  leaking: `
import { call, contract, payload, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { rename: { effect: 'updates', takes: Type.String() } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String() } } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '', amend: (name) => name.trim() } },
  fittings: { name },
  sources: { office },
  actions: ({ sources }) => ({ rename: [call(sources.office.rename, payload())] }),
  bind: ({ cells, actions }) => ({ name: { name: twoWay(cells.name), on: { 'name-set': actions.rename } } }),
})`,
  mended: `
import { call, contract, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { rename: { effect: 'updates', takes: Type.String() } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String() } } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '', amend: (name) => name.trim() } },
  fittings: { name },
  sources: { office },
  actions: ({ cells, sources }) => ({ rename: [call(sources.office.rename, cells.name)] }),
  bind: ({ cells, actions }) => ({ name: { name: twoWay(cells.name), on: { 'name-set': actions.rename } } }),
})`,
  *find({ screens, interiors }) {
    for (const view of screens)
      for (const found of passedOn(view)) yield { ...found, of: { name: view.screen.name, written: view.screen } }
    for (const { interior, view } of interiors) {
      const of = { name: `${interior.contract.tag} inside`, written: view.screen }
      for (const found of passedOn(view)) yield { ...found, of }
      for (const { at, all } of view.actions)
        for (const step of all) {
          const value =
            step.step === 'report'
              ? valueClauses(interior.contract).find(({ event }) => event === step.event.name)
              : undefined
          if (value !== undefined)
            yield {
              ...leak(
                at,
                `'${value.event}' is sent by hand, and the value '${value.name}' that it reports is not changed by it`,
                {
                  mend: `Bind the control with twoWay(face.values.${value.name}): the change is intercepted, stands and is reported.`,
                },
              ),
              of,
            }
        }
    }
  },
})

/** Payloads of a report that are sent on, where the cell that takes the report would amend or refuse. */
function* passedOn(view: ScreenView): Iterable<Leak> {
  for (const fitting of view.fittings)
    for (const [value, binding] of fitting.boundValues()) {
      const cell = binding.kind === 'constant' ? undefined : view.cells.get(binding.source.name)
      if (binding.kind !== 'two-way' || cell === undefined || cell.amend.length + cell.refuse.length === 0) continue
      if (sendsPayload(fitting, value.event))
        yield leak(
          ['bind', fitting.name, 'on', value.event],
          `'${value.event}' passes on what '${fitting.name}' reported, and '${cell.name}' may amend or refuse it`,
          { mend: `Give cells.${cell.name} instead of payload().` },
        )
    }
}

function sendsPayload({ handlers }: FittingView, event: string): boolean {
  return (handlers.get(event)?.steps ?? []).some((step) => {
    if (step.step === 'call' || step.step === 'save')
      return isPayload(step.given) || Object.values(membersOf(step.given)).some(isPayload)
    return step.step === 'announce' && isPayload(step.value)
  })
}
