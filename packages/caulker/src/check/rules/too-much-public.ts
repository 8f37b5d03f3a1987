import type { CommandClause } from '../../contract/index.js'
import { designRule, leak } from './rule.js'

/** A command that is public, and that nobody calls. */
export const tooMuchPublic = designRule({
  id: 'too-much-public',
  needsWhole: true,
  level: 'note',
  title: 'A command is public, and nobody calls it',
  why: 'Whatever is public has to be kept for good, tested and explained; what nobody calls is a promise for nothing.',
  mend: 'Take it out of the contract, and keep it inside the component.',
  leaking: `
import { contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } }, commands: { recount: {} } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 3 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
})
export { winch }`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 3 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
})
export { winch }`,
  *find({ contracts, screens, interiors, handlers }) {
    const views = [...screens, ...interiors.map(({ view }) => view)]
    const placed = new Set(views.flatMap(({ fittings }) => fittings.map(({ contract }) => contract.tag)))
    const called = new Set(
      views.flatMap((view) =>
        view.actions.flatMap(({ all }) =>
          all.flatMap((step) => {
            const of = step.step === 'run' ? view.fittings.find(({ name }) => name === step.fitting.name) : undefined
            return step.step === 'run' && of !== undefined ? [`${of.contract.tag}.${step.command}`] : []
          }),
        ),
      ),
    )
    for (const { contract, lines } of handlers)
      for (const { does } of lines) if (typeof does === 'string') called.add(`${contract.tag}.${does}`)
    for (const contract of contracts)
      for (const { name, effect } of Object.values<CommandClause>(contract.commands))
        if (effect === undefined && placed.has(contract.tag) && !called.has(`${contract.tag}.${name}`))
          yield {
            ...leak(['commands', name], `no screen that uses '${contract.tag}' calls its command '${name}'`),
            of: { name: contract.tag, written: contract },
          }
  },
})
