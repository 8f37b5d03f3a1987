import { CaulkerError, hint } from '../words/index.js'
import { isContract, rememberPlace, type AnyContract, type Contract, type ContractTypes } from '../contract/index.js'

/** One line of a table of handlers: an event, where inside the component it has to happen, and what it does. */
export interface Handler<C extends string = string> {
  /** A type of event, such as `click`. */
  readonly event: string
  /** A selector (Selectors Level 4) of what has to be hit; anywhere in the component where it is left out. */
  readonly at?: string
  /** A function, or the name of a command of the component. */
  readonly does: C | ((event: never, hit: never) => void)
}

/** The events that a component hears inside itself, in one table. */
export interface HandlerTable {
  readonly kind: 'handlers'
  readonly contract: AnyContract
  readonly lines: readonly Handler[]
}

/**
 * Declares which events a component hears inside itself, for `caulker/dom` to attach: one listener a type, at the root.
 *
 * A command that does not exist is a compile error, and a finding of `check`. Throws a {@link CaulkerError} `malformed-handlers` where a
 * line has no event or does nothing.
 *
 * @example
 * ```ts
 * import { contract, handlers } from 'caulker'
 * const winch = contract('chain-winch', { commands: { release: {} } })
 * const table = handlers(winch, [{ event: 'click', at: '.release', does: 'release' }])
 * console.assert(table.lines.length === 1)
 * ```
 */
export function handlers<T extends ContractTypes>(
  contract: Contract<T>,
  lines: readonly Handler<Extract<keyof T['commands'], string>>[],
): HandlerTable {
  const of = contract as AnyContract
  const fail = (wrong: string): never => {
    throw new CaulkerError('malformed-handlers', `handlers of '${isContract(of) ? of.tag : String(of)}': ${wrong}`)
  }
  if (!isContract(of)) fail('the first argument must be what contract(…) returned')
  if (!Array.isArray(lines))
    fail("the second argument must be a list of lines, such as [{ event: 'click', does: 'reset' }]")
  const parts = ['event', 'at', 'does']
  for (const [at, line] of lines.entries()) {
    for (const part of Object.keys(line))
      if (!parts.includes(part)) fail(`line ${at + 1} has no part '${part}'${hint(part, parts)}`)
    if (typeof line.event !== 'string' || line.event === '') fail(`line ${at + 1} names no event`)
    if (typeof line.does !== 'function' && typeof line.does !== 'string')
      fail(`line ${at + 1} does nothing: give a function, or the name of a command`)
  }
  const made: HandlerTable = { kind: 'handlers', contract: of, lines: [...lines] as Handler[] }
  rememberPlace(made, handlers)
  return Object.freeze(made)
}

/** Whether something is a table of handlers, by its own mark. */
export function isHandlerTable(value: unknown): value is HandlerTable {
  return typeof value === 'object' && value !== null && (value as HandlerTable).kind === 'handlers' && 'lines' in value
}
