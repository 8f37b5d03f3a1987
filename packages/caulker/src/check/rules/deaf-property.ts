import { givenClauses, valueClauses, type AnyContract } from '../../contract/index.js'
import { isReadable } from '../reading/given.js'
import type { ScreenView } from '../reading/screen-view.js'
import { isMute } from './mute-value.js'
import { designRule, leak } from './rule.js'

/** A property that its owner can set, and that nothing inside the component follows. */
export const deafProperty = designRule({
  id: 'deaf-property',
  level: 'error',
  title: 'A property is declared, and nothing inside follows it',
  why: 'Owners set it and nothing happens: what is shown stays what it was, and no error says so.',
  mend: 'Bind it to a control inside, compute from it, or take it out of the contract.',
  leaking: `
import { contract, interior, twoWay, Type } from 'caulker'
import { nativeText } from 'caulker/dom'
const text = contract('yard-text', { summary: 'A text', properties: { hint: { type: Type.String(), default: '' } }, values: { text: { type: Type.String() } } })
export const inside = interior(text, {
  fittings: { field: nativeText },
  bind: ({ face }) => ({ field: { value: twoWay(face.values.text) } }),
})`,
  mended: `
import { contract, interior, oneWay, twoWay, Type } from 'caulker'
import { nativeText } from 'caulker/dom'
const text = contract('yard-text', { summary: 'A text', properties: { hint: { type: Type.String(), default: '' } }, values: { text: { type: Type.String() } } })
export const inside = interior(text, {
  fittings: { field: nativeText },
  bind: ({ face }) => ({ field: { value: twoWay(face.values.text), placeholder: oneWay(face.properties.hint) } }),
})`,
  *find({ interiors }) {
    for (const { interior, view } of interiors) {
      const followed = new Set([...view.readCells(), ...followedByContract(interior.contract)])
      for (const { name, kind } of givenClauses(interior.contract))
        // A value that nothing changes either is mute, and is named so.
        if (!followed.has(name) && (kind === 'property' || view.writersOf(name).length > 0))
          yield {
            ...leak(
              [name],
              `'${name}' is a ${kind === 'value' ? 'two-way value' : 'property'} of '${interior.contract.tag}', and nothing inside follows it`,
              { path: [] },
            ),
            of: { name: `${interior.contract.tag} inside`, written: view.screen },
          }
        else if (
          kind === 'value' &&
          followed.has(name) &&
          !isSeen(view, name) &&
          !isMute(interior.contract, view, name)
        )
          yield {
            ...leak([name], `'${name}' of '${interior.contract.tag}' can be told, and no control inside shows it`, {
              path: [],
              mend: `Bind the control that edits it to face.values.${name}, with twoWay.`,
            }),
            of: { name: `${interior.contract.tag} inside`, written: view.screen },
          }
    }
  },
})

/** Whether anything that a person sees depends on it. */
function isSeen({ screen, fittings, cellsBehind }: ScreenView, cell: string): boolean {
  const bound = fittings.flatMap(({ bindings }) =>
    [...bindings.values()].flatMap((binding): unknown[] => (binding.kind === 'constant' ? [] : [binding.source])),
  )
  const parts: readonly unknown[] = [
    ...bound,
    ...Object.values(screen.rows).map(({ source }): unknown => source),
    ...Object.values(screen.shown).map(({ source }) => source),
  ]
  return parts.some((source) => isReadable(source) && cellsBehind(source).has(cell))
}

/** Bounds, steps and what obliges the person are followed by the contract's own interception. */
function followedByContract(contract: AnyContract): unknown[] {
  return [
    contract.form?.requiredBy,
    ...valueClauses(contract).flatMap(({ bounds, step, gap }) => [bounds.least, bounds.most, step, gap]),
  ]
}
