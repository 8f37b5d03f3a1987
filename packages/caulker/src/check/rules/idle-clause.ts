import { leak, screenRule } from './rule.js'

/** A submit, a reset or an action that no step and no event of the screen sets off. */
export const idleClause = screenRule({
  id: 'idle-clause',
  level: 'note',
  title: 'Something is declared, and nothing on the screen sets it off',
  why: 'The button that was meant for it does something else, or nothing. Only the page around the screen can set it off.',
  mend: 'Let an event set it off, or drop it; if the page does it, waive the rule with the reason.',
  leaking: `
import { contract, screen, set, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer() } }, events: { jammed: {} } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  actions: ({ cells }) => ({ ease: [set(cells.turns, 3)] }),
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
})`,
  mended: `
import { contract, screen, set, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer() } }, events: { jammed: {} } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  actions: ({ cells }) => ({ ease: [set(cells.turns, 3)] }),
  bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { jammed: actions.ease } } }),
})`,
  *find(view) {
    const { screen } = view
    const heard = new Set(Object.values(screen.hears).map(({ name }) => name))
    for (const placed of view.actions)
      if (placed.at[0] === 'actions' && view.triggersOf(placed).length === 0 && !heard.has(placed.action.name))
        yield leak(placed.at, `nothing on the screen runs the action '${placed.action.name}'`)
    const steps = new Set(view.actions.flatMap(({ all }) => all.map(({ step }) => step)))
    if (screen.submit !== undefined && !steps.has('submit'))
      yield leak(['submit'], `no step of the screen submits it`, {
        mend: 'Let a button do it: on: { press: [submit()] }. If Enter or the form around it is enough, waive the rule.',
      })
    if (screen.reset !== undefined && !steps.has('reset'))
      yield leak(['reset'], `no step of the screen resets it`, {
        mend: 'Let a button do it: on: { press: [reset()] }. If the form around it does, waive the rule.',
      })
  },
})
