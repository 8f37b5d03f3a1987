import { accepts, printed } from '../../contract/index.js'
import { CaulkerError, hint } from '../../words/index.js'
import type { ScriptStep } from './model.js'
import { STEPS } from './shape.js'

/** Throws a `bad-script` for the first step that is none, with its place and what to do. */
export function refuseMalformedSteps(title: string, steps: unknown): asserts steps is readonly ScriptStep[] {
  if (!Array.isArray(steps))
    throw new CaulkerError('bad-script', `script '${title}': steps must be a list, such as [{ press: 'next' }]`)
  steps.forEach((step: unknown, at) => {
    const wrong = wrongAbout(step)
    if (wrong !== undefined) throw new CaulkerError('bad-script', `script '${title}', step ${at + 1}: ${wrong}`)
  })
}

function wrongAbout(step: unknown): string | undefined {
  if (typeof step !== 'object' || step === null || Array.isArray(step))
    return `${printed(step, 60)} is no step; write an object, such as { press: 'next' }`
  const kinds = Object.keys(STEPS)
  const found = Object.keys(step).filter((key) => kinds.includes(key))
  const [kind] = found
  if (kind === undefined) {
    const [first = ''] = Object.keys(step)
    return `${printed(step, 60)} is no step${hint(first, kinds)}`
  }
  if (found.length > 1) return `${found.join(' and ')} are two steps; write each as one of its own`
  const schema = STEPS[kind] as (typeof STEPS)[string] & { properties: Record<string, object>; required: string[] }
  const known = Object.keys(schema.properties)
  const odd = Object.keys(step).find((key) => !known.includes(key))
  if (odd !== undefined) return `${kind} has no part '${odd}'${hint(odd, known)}`
  const missing = schema.required.find((key) => !Object.hasOwn(step, key))
  if (missing !== undefined) return `${kind} needs '${missing}'`
  const wrong = known.find(
    (key) =>
      Object.hasOwn(step, key) && !accepts(schema.properties[key] as never, (step as Record<string, unknown>)[key]),
  )
  return wrong === undefined ? undefined : `${wrong} cannot be ${printed((step as Record<string, unknown>)[wrong], 60)}`
}
