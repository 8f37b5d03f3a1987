/** What Caulker throws when it is misused: one class, a code for programs, and one line that says what to do. */
export class CaulkerError extends Error {
  override readonly name = 'CaulkerError'
  constructor(
    readonly code: ErrorCode,
    message: string,
    options?: ErrorOptions,
  ) {
    super(message, options)
  }
}

export type ErrorCode =
  | 'malformed-contract'
  | 'malformed-screen'
  | 'malformed-journey'
  | 'malformed-source'
  | 'malformed-handlers'
  | 'missing-fitting'
  | 'missing-required'
  | 'unknown-name'
  | 'unknown-command'
  | 'not-defined'
  | 'bad-argument'
  | 'bad-file'

/** The message of anything that was thrown, on one line. */
export function messageOf(thrown: unknown): string {
  const text = thrown instanceof Error ? thrown.message || thrown.name : String(thrown)
  return text.replace(/\s+/g, ' ').trim()
}
