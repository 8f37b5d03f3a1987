import { leak, nearestMend, screenRule } from './rule.js'

/** A step that calls a command which the component does not have. */
export const unknownCommand = screenRule({
  id: 'unknown-command',
  level: 'error',
  title: 'A command does not exist',
  why: 'The call throws when the person gets there, and whatever the action still had to do depends on where it stood.',
  mend: 'Use the name as the contract declares it.',
  leaking: `
import { contract, run, screen } from 'caulker'
const winch = contract('chain-winch', { events: { jammed: {} }, commands: { release: {} } })
const misspelt: any = 'relaese'
export const slip = screen('slipway', {
  cells: {},
  fittings: { winch },
  actions: ({ fittings }) => ({ free: [run(fittings.winch, misspelt)] }),
  bind: ({ actions }) => ({ winch: { on: { jammed: actions.free } } }),
})`,
  mended: `
import { contract, run, screen } from 'caulker'
const winch = contract('chain-winch', { events: { jammed: {} }, commands: { release: {} } })
export const slip = screen('slipway', {
  cells: {},
  fittings: { winch },
  actions: ({ fittings }) => ({ free: [run(fittings.winch, 'release')] }),
  bind: ({ actions }) => ({ winch: { on: { jammed: actions.free } } }),
})`,
  *find({ actions, fittings }) {
    for (const { at, all } of actions)
      for (const step of all) {
        const fitting = step.step === 'run' ? fittings.find((one) => one.name === step.fitting.name) : undefined
        if (step.step !== 'run' || fitting === undefined || Object.hasOwn(fitting.contract.commands, step.command))
          continue
        const says = `'${fitting.name}' (${fitting.contract.tag}) has no command '${step.command}'`
        yield leak(at, says, nearestMend(step.command, Object.keys(fitting.contract.commands)))
      }
  },
})
