import { isStateToken } from '../../wiring/index.js'
import { sharedBy, type FittingView, type ScreenView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** What is wrong with one cell is said beside the field of another. */
export const misplacedProblem = screenRule({
  id: 'misplaced-problem',
  level: 'warning',
  title: 'What is wrong with one field is said beside another',
  why: 'The person mends the field that is marked, nothing gets better, and what is wrong with this one is said nowhere.',
  mend: 'Show the problem of the cell that the field edits.',
  leaking: `
import { contract, oneWay, screen, states, twoWay, Type } from 'caulker'
const text = contract('yard-text', { properties: { problem: { type: Type.String(), default: '' } }, values: { text: { type: Type.String(), default: '' } }, problem: 'problem' })
const cell = { type: Type.String(), initial: '' }
export const berth = screen('berth', {
  cells: { name: cell, owner: cell },
  fittings: { name: text, owner: text },
  bind: ({ cells }) => ({
    name: { text: twoWay(cells.name), problem: oneWay(states.problem(cells.owner)) },
    owner: { text: twoWay(cells.owner), problem: oneWay(states.problem(cells.owner)) },
  }),
})`,
  mended: `
import { contract, oneWay, screen, states, twoWay, Type } from 'caulker'
const text = contract('yard-text', { properties: { problem: { type: Type.String(), default: '' } }, values: { text: { type: Type.String(), default: '' } }, problem: 'problem' })
const cell = { type: Type.String(), initial: '' }
export const berth = screen('berth', {
  cells: { name: cell, owner: cell },
  fittings: { name: text, owner: text },
  bind: ({ cells }) => ({
    name: { text: twoWay(cells.name), problem: oneWay(states.problem(cells.name)) },
    owner: { text: twoWay(cells.owner), problem: oneWay(states.problem(cells.owner)) },
  }),
})`,
  *find(view) {
    for (const fitting of view.fittings) {
      const said = problemShownBy(fitting)
      const own = sharedBy(fitting)
      if (said === undefined || own.length === 0 || own.includes(said) || !isEditedElsewhere(view, fitting, said))
        continue
      yield leak(
        ['bind', fitting.name, fitting.contract.problem ?? ''],
        `'${fitting.name}' edits '${own.join("', '")}', and shows what is wrong with '${said}'`,
        { mend: `Bind ${fitting.contract.problem}: oneWay(states.problem(cells.${own[0]})).` },
      )
    }
  },
})

/** The cell whose problem is shown beside a field, as it stands. */
function problemShownBy({ contract, bindings }: FittingView): string | undefined {
  const binding = bindings.get(contract.problem ?? '')
  if (binding?.kind !== 'one-way' || !isStateToken(binding.source)) return undefined
  return binding.source.state === 'problem' ? binding.source.of : undefined
}

function isEditedElsewhere({ fittings }: ScreenView, fitting: FittingView, cell: string): boolean {
  return fittings.some((other) => other !== fitting && sharedBy(other).includes(cell))
}
