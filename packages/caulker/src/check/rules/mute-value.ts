import { valueClauses, type AnyContract } from '../../contract/index.js'
import type { ScreenView } from '../reading/screen-view.js'
import { designRule, leak } from './rule.js'

/** A two-way value that nothing inside the component can change. */
export const muteValue = designRule({
  id: 'mute-value',
  level: 'error',
  title: 'A two-way value is declared, and nothing inside can change it',
  why: 'Owners wait for a report that is never sent: the value looks editable in the contract, and no control of the component reaches it.',
  mend: 'Bind a control to it with twoWay, or declare it as a property.',
  leaking: `
import { contract, interior, oneWay, reckon, Type } from 'caulker'
import { nativeButton } from 'caulker/dom'
const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } } })
export const inside = interior(winch, {
  fittings: { more: nativeButton },
  reckoned: ({ face }) => ({ text: reckon([face.values.turns], (turns) => turns + ' turns') }),
  bind: ({ reckoned }) => ({ more: { text: oneWay(reckoned.text) } }),
})`,
  mended: `
import { clear, contract, interior, oneWay, reckon, Type } from 'caulker'
import { nativeButton } from 'caulker/dom'
const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } } })
export const inside = interior(winch, {
  fittings: { more: nativeButton },
  reckoned: ({ face }) => ({ text: reckon([face.values.turns], (turns) => turns + ' turns') }),
  bind: ({ face, reckoned }) => ({ more: { text: oneWay(reckoned.text), on: { press: [clear(face.values.turns)] } } }),
})`,
  *find({ interiors }) {
    for (const { interior, view } of interiors)
      for (const { name } of valueClauses(interior.contract)) {
        // One that is shown one-way by a control inside is frozen, and is named so.
        const isFrozen = view.fittings.some((fitting) =>
          fitting.boundValues().some(([, binding]) => binding.kind === 'one-way' && binding.source.name === name),
        )
        if (isMute(interior.contract, view, name) && !isFrozen)
          yield {
            ...leak(
              [name],
              `'${name}' is a two-way value of '${interior.contract.tag}', and nothing inside ${view.writersOf(name).length === 0 ? 'can change it' : 'but a reset can change it'}`,
              { path: [] },
            ),
            of: { name: `${interior.contract.tag} inside`, written: view.screen },
          }
      }
  },
})

/** Whether nothing inside changes a value but a reset, which brings back what nobody could have changed. */
export function isMute({ commands }: AnyContract, { writersOf }: ScreenView, value: string): boolean {
  return writersOf(value).every((writer) => {
    const [section, name = ''] = writer.split('.')
    return (
      section === 'commands' && (commands as Readonly<Record<string, { effect?: string }>>)[name]?.effect === 'reset'
    )
  })
}
