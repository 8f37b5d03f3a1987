import { designRule, leak, nearestMend } from './rule.js'

/** A handler that calls a command which the component does not have, or carries one out that nobody can call. */
export const unknownHandler = designRule({
  id: 'unknown-handler',
  level: 'error',
  title: 'A handler names a command that does not exist',
  why: 'The control is there and does nothing when it is used, and nothing says why.',
  mend: 'Use the name as the contract declares it.',
  leaking: `
import { contract, handlers } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', commands: { release: {} } })
const misspelt: any = 'relaese'
export const table = handlers(winch, [{ event: 'click', at: '.release', does: misspelt }])`,
  mended: `
import { contract, handlers } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', commands: { release: {} } })
export const table = handlers(winch, [{ event: 'click', at: '.release', does: 'release' }])`,
  *find({ handlers, interiors }) {
    for (const table of handlers) {
      const { contract } = table
      for (const { does, event, at } of table.lines)
        if (typeof does === 'string' && !Object.hasOwn(contract.commands, does))
          yield {
            ...leak(
              [],
              `'${event}'${at === undefined ? '' : ` at '${at}'`} calls '${does}', and '${contract.tag}' has no such command`,
              nearestMend(does, Object.keys(contract.commands)),
            ),
            of: { name: contract.tag, written: table },
          }
    }
    for (const { interior, view } of interiors)
      for (const name of Object.keys(view.screen.commands))
        if (!Object.hasOwn(interior.contract.commands, name))
          yield {
            ...leak(
              ['commands', name],
              `'${name}' is carried out, and '${interior.contract.tag}' has no such command`,
              nearestMend(name, Object.keys(interior.contract.commands)),
            ),
            of: { name: `${interior.contract.tag} inside`, written: view.screen },
          }
  },
})
