import { isHost } from './types.js'

/**
 * A value as a person reads it in a ledger: data as JSON, a host object by its name, size and type.
 *
 * @example
 * ```ts
 * import { printed } from 'caulker'
 * console.assert(printed({ turns: 3 }) === '{"turns":3}' && printed(undefined) === 'not given')
 * ```
 */
export function printed(value: unknown, most = 60): string {
  const text = textOf(value)
  return text.length <= most ? text : `${text.slice(0, most - 1)}…`
}

function textOf(value: unknown): string {
  if (value === undefined) return 'not given'
  if (typeof value === 'number' || typeof value === 'bigint') return String(value)
  if (typeof value === 'function') return 'a function'
  if (typeof value === 'symbol') return value.toString()
  if (isHost(value)) return hostText(value)
  try {
    return JSON.stringify(value, (_key, part: unknown) => (isHost(part) ? hostText(part) : part)) ?? String(value)
  } catch {
    return 'a circular structure'
  }
}

function hostText(value: object): string {
  const { name, size, type } = value as { name?: unknown; size?: unknown; type?: unknown }
  const kind = Object.prototype.toString.call(value).slice(8, -1)
  if (kind === 'Date') return Number.isNaN(Number(value)) ? 'an invalid Date' : (value as Date).toISOString()
  if (kind !== 'File' && kind !== 'Blob') return `a ${kind}`
  return [kind, typeof name === 'string' ? name : '', `${String(size)} bytes`, typeof type === 'string' ? type : '']
    .filter(Boolean)
    .join(' ')
}
