import { fail, isObject, refused } from '../contract/index.js'

/** What bindings and steps take: the kinds of token, what they are called, and where their names are found. */
const TOKENS = {
  cell: { kinds: ['cell'], what: 'a cell', from: 'cells.' },
  readable: { kinds: ['cell', 'reckoned'], what: 'a cell or a reckoned cell', from: 'cells.' },
  fitting: { kinds: ['fitting'], what: 'a fitting', from: 'fittings.' },
  operation: { kinds: ['operation'], what: 'an operation of a source', from: 'sources.' },
  topic: { kinds: ['topic'], what: 'a topic', from: 'topics.' },
  event: { kinds: ['event'], what: 'an event of the contract', from: 'face.events.' },
} as const

const SUCH = {
  cell: 'bales',
  readable: 'bales',
  fitting: 'stepper',
  operation: 'office.book',
  topic: 'berthTaken',
  event: 'sent',
}

/** What a binding or a step is about, once it is known to be what it takes; its mere name is not enough. */
export function asked<T>(by: string, token: keyof typeof TOKENS, given: T): T {
  const { kinds, what, from } = TOKENS[token]
  const kind = (given as { kind?: unknown } | null | undefined)?.kind
  if ((kinds as readonly unknown[]).includes(kind)) return given
  const name = typeof given === 'string' && given !== '' ? given : SUCH[token]
  return refused(by, `${what}, such as ${from}${name}`, given)
}

/** A list of steps, once each is known to be one. */
export function listedSteps(who: string, at: string, steps: unknown): readonly never[] {
  const isListed = Array.isArray(steps) && steps.every((step) => isObject(step) && typeof step['step'] === 'string')
  return isListed
    ? (steps as never[])
    : fail('malformed-screen', who, `${at} must be a list of steps, such as [set(cells.bales, 0)]`)
}
