import { typeText } from '../../contract/index.js'
import type { AnyCell } from '../../wiring/index.js'
import { leak, screenRule } from './rule.js'

/** A fitting is repeated for what is no list. */
export const rowsOfNoList = screenRule({
  id: 'rows-of-no-list',
  level: 'error',
  title: 'A fitting is repeated for what is no list',
  why: 'There are no entries to repeat it for: it stands nowhere on the screen.',
  mend: 'Repeat it for a cell that holds a list.',
  leaking: `
import { contract, rowsOf, screen, twoWay, Type } from 'caulker'
const seam = contract('seam-row', { values: { feet: { type: Type.Number(), default: 0 } } })
export const hull = screen('hull', {
  cells: { seams: { type: Type.Object({ port: Type.String(), feet: Type.Number() }), initial: { port: 'fore', feet: 3 } } },
  fittings: { seam },
  rows: ({ cells }) => ({ seam: rowsOf(cells.seams as any, 'port') }),
  bind: ({ row }) => ({ seam: { feet: twoWay((row.seam as any).feet) } }),
} as never)`,
  mended: `
import { contract, rowsOf, screen, twoWay, Type } from 'caulker'
const seam = contract('seam-row', { values: { feet: { type: Type.Number(), default: 0 } } })
export const hull = screen('hull', {
  cells: { seams: { type: Type.Array(Type.Object({ port: Type.String(), feet: Type.Number() })), initial: [{ port: 'fore', feet: 3 }] } },
  fittings: { seam },
  rows: ({ cells }) => ({ seam: rowsOf(cells.seams, 'port') }),
  bind: ({ row }) => ({ seam: { feet: twoWay((row.seam as any).feet) } }),
} as never)`,
  *find(view) {
    for (const [name, { source }] of Object.entries(view.screen.rows)) {
      const list = view.typeOf(source as AnyCell)
      if (list !== undefined && (list as { type?: unknown }).type !== 'array')
        yield leak(['rows', name], `'${name}' is repeated for '${source.name}', which holds ${typeText(list)}`, {
          mend: 'Repeat it for a cell that holds a list.',
        })
    }
  },
})
