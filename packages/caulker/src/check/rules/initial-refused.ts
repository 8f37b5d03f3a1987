import { printed, reasonAgainst } from '../../contract/index.js'
import { isHeldOutside } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A cell whose own rule turns down what it starts as. */
export const initialRefused = screenRule({
  id: 'initial-refused',
  level: 'warning',
  title: 'A cell refuses what it starts as',
  why: 'The screen begins with a fault: what stands could not be entered again, and a submit is held back before anybody has touched the field.',
  mend: 'Let what it starts as pass; what has to be filled in before it is sent stands under needs of the submit.',
  leaking: `
import { contract, screen, twoWay, Type } from 'caulker'
const text = contract('yard-text', { values: { text: { type: Type.String(), default: '' } } })
export const slip = screen('slipway', {
  cells: { name: { type: Type.String(), initial: '', refuse: (name) => (name.length < 3 ? 'Her whole name, please' : undefined) } },
  fittings: { text },
  bind: ({ cells }) => ({ text: { text: twoWay(cells.name) } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const text = contract('yard-text', { values: { text: { type: Type.String(), default: '' } } })
export const slip = screen('slipway', {
  cells: { name: { type: Type.String(), initial: '', refuse: (name) => (name !== '' && name.length < 3 ? 'Her whole name, please' : undefined) } },
  fittings: { text },
  bind: ({ cells }) => ({ text: { text: twoWay(cells.name) } }),
})`,
  *find(view) {
    for (const [name, { initial, amend, refuse }] of view.cells) {
      if (isHeldOutside(view, name)) continue
      const reason = reasonFor(() => {
        const made = amend.reduce((value, hook) => hook(value, initial), initial)
        return refuse.map((hook) => reasonAgainst(hook, made, initial)).find((one) => one !== undefined)
      })
      if (reason !== undefined)
        yield leak(['cells', name], `the cell '${name}' starts as ${printed(initial)}, and refuses it: “${reason}”`)
    }
  },
})

/** A hook that throws is told by the run that meets it. */
function reasonFor(ask: () => string | undefined): string | undefined {
  try {
    return ask()
  } catch {
    return undefined
  }
}
