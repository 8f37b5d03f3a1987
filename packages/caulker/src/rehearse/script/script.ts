import type { Wiring } from '../../machine/index.js'
import { CaulkerError } from '../../words/index.js'
import { nameOfWiring } from '../play/name.js'
import type { Script, ScriptStep } from './model.js'
import { refuseMalformedSteps } from './read.js'
import type { ScriptStepOf } from './types.js'

/**
 * Writes down what a person, the owner, the sources and time do with a screen or journey, and what is expected on the way. The steps
 * are plain data: the same that a trail is told in, and that a JSON file holds.
 *
 * Throws a {@link CaulkerError} `bad-script` for a step that is none; names that do not exist are compile errors, and are said when it is played.
 *
 * @example
 * ```ts
 * import { contract, playScript, screen, script, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0, bounds: { most: 12 } } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
 * })
 * const tight = script('The winch stops at its most', slip, [
 *   { edit: 'winch.turns', to: 40 },
 *   { holds: 'turns', as: 12 },
 *   { shows: 'winch.turns', as: 12 },
 * ])
 * console.assert(playScript(slip, tight).wrong === undefined)
 * ```
 */
export function script<const W extends Wiring>(
  title: string,
  wiring: W,
  steps: readonly ScriptStepOf<NoInfer<W>>[],
): Script {
  if (typeof title !== 'string' || title === '')
    throw new CaulkerError(
      'bad-script',
      `script '${String(title)}': the title must be a text that says what it is about`,
    )
  const all = steps as readonly unknown[] as readonly ScriptStep[]
  refuseMalformedSteps(title, all)
  return Object.freeze({ kind: 'script', title, of: nameOfWiring(wiring), steps: [...all] })
}
