import { isShared } from '../reading/screen-view.js'
import { designRule, leak } from './rule.js'

/** An interior that changes what its owner tells it. */
export const writesProperty = designRule({
  id: 'writes-property',
  level: 'error',
  title: 'A component changes a property of its own',
  why: 'A property is its owner’s: who set it is not told, goes on holding the old one, and the two drift apart.',
  mend: 'Declare it as a two-way value, which reports its change; or hold what changes inside in a cell.',
  leaking: `
import { contract, interior, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } } })
const name = contract('vessel-name', { summary: 'A name', properties: { name: { type: Type.String(), default: '' } } })
export const inside = interior(name, { fittings: { text }, bind: ({ face }) => ({ text: { text: twoWay(face.properties.name as never) } }) })`,
  mended: `
import { contract, interior, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String(), default: '' } } })
export const inside = interior(name, { fittings: { text }, bind: ({ face }) => ({ text: { text: twoWay(face.values.name) } }) })`,
  *find({ interiors }) {
    for (const { interior, view } of interiors) {
      const { tag } = interior.contract
      const isProperty = (name: string) => view.cells.get(name)?.face === 'property'
      const of = { name: `${tag} inside`, written: view.screen }
      for (const { name, bindings } of view.fittings)
        for (const [key, binding] of bindings)
          if (isShared(binding) && isProperty(binding.source.name))
            yield {
              ...leak(
                ['bind', name, key],
                `'${name}.${key}' edits '${binding.source.name}', which is a property of '${tag}'`,
              ),
              of,
            }
      for (const { at, all } of view.actions)
        for (const step of all)
          if ((step.step === 'set' || step.step === 'clear') && isProperty(step.cell.name))
            yield { ...leak(at, `sets '${step.cell.name}', which is a property of '${tag}'`), of }
    }
  },
})
