import { equal, printed } from '../../contract/index.js'
import { allSteps, isPayload } from '../../wiring/index.js'
import { isReadable } from '../reading/given.js'
import type { ScreenView } from '../reading/screen-view.js'
import { designRule, leak } from './rule.js'

/** A reset command of a contract that leaves one of its values as it was. */
export const halfReset = designRule({
  id: 'half-reset',
  level: 'error',
  title: 'A reset command brings back some of the values',
  why: 'The owner resets the component, and a part of it still holds what the last person entered.',
  mend: 'Set each value of the face back under commands.',
  leaking: `
import { contract, interior, set, twoWay, Type } from 'caulker'
const feet = contract('yard-feet', { summary: 'A length', values: { feet: { type: Type.Integer(), default: 0 } } })
const span = contract('rope-span', { summary: 'A span', values: { from: { type: Type.Integer(), default: 0 }, to: { type: Type.Integer(), default: 9 } }, commands: { reset: { effect: 'reset' } } })
export const inside = interior(span, {
  fittings: { from: feet, to: feet },
  commands: ({ face }) => ({ reset: [set(face.values.from, 0)] }),
  bind: ({ face }) => ({ from: { feet: twoWay(face.values.from) }, to: { feet: twoWay(face.values.to) } }),
})`,
  mended: `
import { contract, interior, set, twoWay, Type } from 'caulker'
const feet = contract('yard-feet', { summary: 'A length', values: { feet: { type: Type.Integer(), default: 0 } } })
const span = contract('rope-span', { summary: 'A span', values: { from: { type: Type.Integer(), default: 0 }, to: { type: Type.Integer(), default: 9 } }, commands: { reset: { effect: 'reset' } } })
export const inside = interior(span, {
  fittings: { from: feet, to: feet },
  commands: ({ face }) => ({ reset: [set(face.values.from, 0), set(face.values.to, 9)] }),
  bind: ({ face }) => ({ from: { feet: twoWay(face.values.from) }, to: { feet: twoWay(face.values.to) } }),
})`,
  *find({ interiors }) {
    for (const { interior, view } of interiors)
      for (const { name, effect } of Object.values(interior.contract.commands)) {
        if (effect !== 'reset' || (view.screen.commands[name]?.steps.length ?? 0) === 0) continue
        const back = broughtBack(view, name)
        for (const { cell, value, begins } of misledTo(view, name))
          yield {
            ...leak(
              ['commands', name],
              `the command '${name}' sets '${cell}' to ${printed(value)}, and it begins as ${printed(begins)}`,
              { mend: `Say clear(face.values.${cell}).` },
            ),
            of: { name: `${interior.contract.tag} inside`, written: view.screen },
          }
        for (const value of Object.keys(interior.contract.values))
          if (back !== 'all' && !back.has(value))
            yield {
              ...leak(['commands', name], `the command '${name}' leaves '${value}' as it was`, {
                mend: `Set face.values.${value} back in '${name}', too.`,
              }),
              of: { name: `${interior.contract.tag} inside`, written: view.screen },
            }
      }
  },
})

/** What a reset writes down that is not what the contract says it begins as. */
function* misledTo(view: ScreenView, command: string): Iterable<{ cell: string; value: unknown; begins: unknown }> {
  for (const step of allSteps(view.screen.commands[command]?.steps ?? [])) {
    if (step.step !== 'set' || isPayload(step.value) || isReadable(step.value)) continue
    const clause = view.cells.get(step.cell.name)
    if (clause?.face === 'value' && clause.initial !== undefined && !equal(clause.initial, step.value))
      yield { cell: clause.name, value: step.value, begins: clause.initial }
  }
}

/** The values of the face that the steps of a command write, or that a reset inside it brings back. */
function broughtBack(view: ScreenView, command: string): ReadonlySet<string> | 'all' {
  const written = new Set<string>()
  for (const step of allSteps(view.screen.commands[command]?.steps ?? [])) {
    if (step.step === 'reset') return 'all'
    if (step.step === 'set' || step.step === 'clear') written.add(step.cell.name)
    if (step.step !== 'run') continue
    const bindings = view.fittings.find(({ name }) => name === step.fitting.name)?.bindings.values() ?? []
    for (const binding of bindings) if (binding.kind === 'two-way') written.add(binding.source.name)
  }
  return written
}
