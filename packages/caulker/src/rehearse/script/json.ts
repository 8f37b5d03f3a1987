import { CaulkerError, hint } from '../../words/index.js'
import { printed } from '../../contract/index.js'
import type { Script } from './model.js'
import { refuseMalformedSteps } from './read.js'

/** A script as a JSON file holds it. */
export interface ScriptJson {
  readonly $schema?: string
  readonly script: 1
  readonly of: string
  readonly title: string
  readonly steps: Script['steps']
}

const PARTS = ['$schema', 'script', 'of', 'title', 'steps']

/**
 * Writes a script as plain data for a JSON file.
 *
 * @example
 * ```ts
 * import { scriptFromJson, scriptToJson } from 'caulker'
 * const made = scriptFromJson({ script: 1, of: 'slipway', title: 'A slack chain', steps: [{ press: 'slack' }] })
 * console.assert(scriptToJson(made).of === 'slipway')
 * ```
 */
export function scriptToJson({ of, title, steps }: Script): ScriptJson {
  return { script: 1, of, title, steps }
}

/**
 * Reads a script from what a JSON file held.
 *
 * Throws a {@link CaulkerError} `bad-script` with the first thing that is wrong, where it stands and what to do.
 *
 * @example
 * ```ts
 * import { scriptFromJson } from 'caulker'
 * const slack = scriptFromJson({ script: 1, of: 'slipway', title: 'A slack chain', steps: [{ press: 'slack' }] })
 * console.assert(slack.steps.length === 1)
 * ```
 */
export function scriptFromJson(given: unknown): Script {
  const fail = (wrong: string): never => {
    throw new CaulkerError('bad-script', wrong)
  }
  if (typeof given !== 'object' || given === null || Array.isArray(given))
    return fail(`a script is an object, such as { "script": 1, "of": "work-order", "title": "…", "steps": [] }`)
  const { script, of, title, steps } = given as Record<string, unknown>
  for (const part of Object.keys(given))
    if (!PARTS.includes(part)) fail(`a script has no part '${part}'${hint(part, PARTS)}`)
  if (script !== 1) fail(`script must be 1, the version of this form, and is ${printed(script)}`)
  if (typeof of !== 'string' || of === '') return fail('of must name the screen or journey')
  if (typeof title !== 'string' || title === '') return fail('title must say in one sentence what it is about')
  refuseMalformedSteps(title, steps)
  return Object.freeze({ kind: 'script', title, of, steps })
}
