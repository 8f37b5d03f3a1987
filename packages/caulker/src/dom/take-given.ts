import { CaulkerError, messageOf } from '../words/index.js'
import { clauseOf, type AnyContract } from '../contract/index.js'

/**
 * Hands what a server wrote into `data-given` to the live element, each name by its property, and takes the attribute away.
 *
 * Throws a {@link CaulkerError} `bad-argument` where the attribute is no JSON object; a name that the contract does not know is left out.
 *
 * @example
 * ```ts
 * import { contract, Type } from 'caulker'
 * import { takeGiven } from 'caulker/dom'
 * const plan = contract('berth-plan', { properties: { berths: { type: Type.Array(Type.String()), default: [] } } })
 * const element = document.createElement('berth-plan')
 * element.setAttribute('data-given', '{"berths":["A1"]}')
 * takeGiven(element, plan)
 * console.assert((element as never as { berths: string[] }).berths[0] === 'A1')
 * ```
 */
export function takeGiven(element: Element, contract: AnyContract): void {
  const written = element.getAttribute('data-given')
  if (written === null) return
  element.removeAttribute('data-given')
  for (const [name, value] of Object.entries(parsed(written, contract)))
    if (clauseOf(contract, name) !== undefined) Object.assign(element, { [name]: value })
}

function parsed(written: string, { tag }: AnyContract): object {
  try {
    const given: unknown = JSON.parse(written)
    if (typeof given === 'object' && given !== null && !Array.isArray(given)) return given
    throw new Error('it is no object')
  } catch (thrown) {
    throw new CaulkerError('bad-argument', `data-given of <${tag}> cannot be read: ${messageOf(thrown)}`)
  }
}
