/** What Caulker throws when it is misused: one class, a code for programs, and one line that says what to do. */
export class CaulkerError extends Error {
  override readonly name = 'CaulkerError'
  /** Where in what was written it is, name by name, such as `values`, `bales`, `reports`. */
  readonly at: readonly string[]
  constructor(
    readonly code: ErrorCode,
    message: string,
    options: ErrorOptions & { readonly at?: readonly string[] } = {},
  ) {
    super(message, options)
    this.at = options.at ?? []
  }
}

export type ErrorCode =
  | 'malformed-contract'
  | 'malformed-screen'
  | 'malformed-journey'
  | 'malformed-source'
  | 'malformed-topic'
  | 'malformed-handlers'
  | 'missing-fitting'
  | 'missing-screen'
  | 'missing-required'
  | 'unknown-name'
  | 'unknown-command'
  | 'not-defined'
  | 'bad-argument'
  | 'bad-script'
  | 'bad-file'

/** The message of anything that was thrown, on one line. */
export function messageOf(thrown: unknown): string {
  const text = thrown instanceof Error ? thrown.message || thrown.name : String(thrown)
  return text.replace(/\s+/g, ' ').trim()
}

/** Whether something was thrown because it is nested too deep, or calls itself without end. */
export function isTooDeep(thrown: unknown): boolean {
  return thrown instanceof RangeError && /call stack/.test(thrown.message)
}
