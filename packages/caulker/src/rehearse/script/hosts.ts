import type { Script } from './model.js'

/** How a file stands in a script: what it is called, and of which type it is. */
interface WrittenFile {
  readonly host: 'File'
  readonly name: string
  readonly type: string
}

/** A script with files for what is written of them; each is made once, so that it stays the same. */
export function withHosts(script: Script): Script {
  const made = new Map<string, unknown>()
  return { ...script, steps: script.steps.map((step) => revived(step, made) as never) }
}

/** Plain data, with what is written of a file in its place; {@link withHosts} makes files of it again. */
export function withoutHosts<T>(value: T): T {
  return JSON.parse(JSON.stringify(value, (_name, one: unknown) => (isHost(one) ? writtenOf(one) : one))) as T
}

function revived(value: unknown, made: Map<string, unknown>): unknown {
  if (typeof value !== 'object' || value === null) return value
  if (Array.isArray(value)) return value.map((one) => revived(one, made))
  if (!isWritten(value))
    return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, revived(one, made)]))
  const File = (globalThis as { File?: new (parts: string[], name: string, options: object) => unknown }).File
  if (File === undefined) return value
  const key = JSON.stringify(value)
  const file = made.get(key) ?? new File([value.name], value.name, { type: value.type })
  made.set(key, file)
  return file
}

function isWritten(value: object): value is WrittenFile {
  return (value as WrittenFile).host === 'File' && typeof (value as WrittenFile).name === 'string'
}

interface FileLike {
  readonly name: string
  readonly type: string
}

function isHost(value: unknown): value is FileLike {
  return typeof value === 'object' && value !== null && Object.prototype.toString.call(value) === '[object File]'
}

function writtenOf({ name, type }: FileLike): WrittenFile {
  return { host: 'File', name, type }
}
