import { printed, valueAt } from '../../contract/index.js'
import { leak, screenRule } from './rule.js'
import { isShared, membersOfRow } from '../reading/screen-view.js'

/** Rows that cannot be told apart by their key. */
export const duplicateKey = screenRule({
  id: 'duplicate-key',
  level: 'error',
  title: 'Rows cannot be told apart',
  why: 'When the list changes, what a person typed in one row turns up in another, and removing one takes the wrong one away.',
  mend: 'Use a member that is there in every entry, differs in each and never changes, such as its number in the books.',
  leaking: `
import { contract, rowsOf, screen, twoWay, Type } from 'caulker'
const seam = contract('seam-length', { summary: 'A seam', values: { feet: { type: Type.Number() } } })
export const order = screen('order', {
  cells: { seams: { type: Type.Array(Type.Object({ side: Type.String(), feet: Type.Number() })), initial: [{ side: 'port', feet: 3 }, { side: 'port', feet: 4 }] } },
  fittings: { seam },
  rows: ({ cells }) => ({ seam: rowsOf(cells.seams, 'side') }),
  bind: ({ row }) => ({ seam: { feet: twoWay(row.seam.feet) } }),
})`,
  mended: `
import { contract, rowsOf, screen, twoWay, Type } from 'caulker'
const seam = contract('seam-length', { summary: 'A seam', values: { feet: { type: Type.Number() } } })
export const order = screen('order', {
  cells: { seams: { type: Type.Array(Type.Object({ id: Type.String(), feet: Type.Number() })), initial: [{ id: 'p1', feet: 3 }, { id: 'p2', feet: 4 }] } },
  fittings: { seam },
  rows: ({ cells }) => ({ seam: rowsOf(cells.seams, 'id') }),
  bind: ({ row }) => ({ seam: { feet: twoWay(row.seam.feet) } }),
})`,
  *find(view) {
    for (const [name, { source, key }] of Object.entries(view.screen.rows)) {
      const at = ['rows', name]
      const cell = view.cells.get(source.name)
      const members = membersOfRow(view, source as never)
      if (members !== undefined && !members.includes(key))
        yield leak(at, `an entry of '${source.name}' has no member '${key}'`)
      else if (members !== undefined && !requiredMembers(cell?.type).includes(key))
        yield leak(at, `an entry of '${source.name}' may be without its key '${key}'`)
      const entries = Array.isArray(cell?.initial) ? (cell.initial as unknown[]) : []
      const keys = entries.map((entry) => valueAt(entry, [key]))
      const twice = keys.find((one, place) => keys.indexOf(one) !== place)
      if (twice !== undefined)
        yield leak(at, `two entries of '${source.name}' have the key ${printed(twice)} from the start`)
      for (const [bound, binding] of Object.entries(view.screen.bindings[name] ?? {}))
        if (isShared(binding) && binding.source.row === name && binding.source.member === key)
          yield leak(
            ['bind', name, bound],
            `the person can edit '${key}', which tells the rows of '${source.name}' apart`,
          )
    }
  },
})

function requiredMembers(type: unknown): string[] {
  const required = valueAt(type, ['items', 'required'])
  return Array.isArray(required) ? (required as string[]) : []
}
