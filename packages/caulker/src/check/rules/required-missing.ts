import { accepts, clauseOf } from '../../contract/index.js'
import { leak, screenRule } from './rule.js'

/** A required name that nobody supplies, or that is bound to a cell which may hold nothing. */
export const requiredMissing = screenRule({
  id: 'required-missing',
  level: 'error',
  title: 'A required property is not supplied',
  why: 'The component cannot do its work without it: a label stays empty, a list has no entries, and nothing says so.',
  mend: 'Bind it, or give it a constant.',
  leaking: `
import { contract, screen, Type } from 'caulker'
const winch = contract('chain-winch', { required: ['label'], properties: { label: { type: Type.String() } } })
export const slip = screen('slipway', { cells: {}, fittings: { winch }, bind: () => ({ winch: {} as { label: string } }) })`,
  mended: `
import { contract, screen, Type } from 'caulker'
const winch = contract('chain-winch', { required: ['label'], properties: { label: { type: Type.String() } } })
export const slip = screen('slipway', { cells: {}, fittings: { winch }, bind: () => ({ winch: { label: 'Anchor chain' } }) })`,
  *find({ fittings, cells }) {
    for (const fitting of fittings) {
      for (const name of fitting.contract.required as readonly string[]) {
        const binding = fitting.bindings.get(name)
        const label = clauseOf(fitting.contract, name)?.label ?? name
        if (binding === undefined || (binding.kind === 'constant' && binding.value === undefined)) {
          yield leak(
            ['bind', fitting.name, ...(binding === undefined ? [] : [name])],
            `'${fitting.name}' (${fitting.contract.tag}) is never given '${name}', which it requires`,
            {
              mend: `Bind '${name}' on '${fitting.name}', or give it a constant, such as ${name}: '${label}'.`,
            },
          )
          continue
        }
        if (binding.kind === 'constant' || binding.source.kind !== 'cell') continue
        const cell = cells.get(binding.source.name)
        if (
          cell !== undefined &&
          cell.isRequired !== true &&
          (cell.initial === undefined || accepts(cell.type, undefined))
        )
          yield leak(
            ['bind', fitting.name, name],
            `'${fitting.name}' requires '${name}', and its cell '${cell.name}' may hold nothing`,
            {
              mend: `Give the cell '${cell.name}' an initial value and a type without undefined.`,
            },
          )
      }
    }
  },
})
