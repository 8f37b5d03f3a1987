import { CaulkerError, messageOf } from 'caulker/inside/words'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { accepts, Type } from 'caulker/inside/contract'

/** What is known of a finding: enough to know it again after its line has moved. */
export interface Known {
  readonly rule: string
  readonly subject: string
  readonly file?: string
}

const BASELINE = Type.Object({
  version: Type.Literal(1),
  known: Type.Array(Type.Object({ rule: Type.String(), subject: Type.String(), file: Type.String() })),
})

/** The findings that a baseline file does not know; each entry of it covers one finding. */
export function newSince<F extends Known>(findings: readonly F[], file: string): F[] {
  const known = read(file).map(keyOf)
  return findings.filter((finding) => {
    const at = known.indexOf(keyOf(finding))
    if (at >= 0) known.splice(at, 1)
    return at < 0
  })
}

export function writeBaseline(findings: readonly Known[], file: string): void {
  const known = findings.map(({ rule, subject, file: of = '' }) => ({ rule, subject, file: of }))
  writeFileSync(file, `${JSON.stringify({ version: 1, known }, null, 2)}\n`)
}

function read(file: string): Known[] {
  if (!existsSync(file))
    throw new CaulkerError('bad-file', `--baseline ${file}: there is no such file; write it with --update-baseline`)
  let written: unknown
  try {
    written = JSON.parse(readFileSync(file, 'utf8'))
  } catch (thrown) {
    throw new CaulkerError(
      'bad-file',
      `--baseline ${file}: is no JSON (${messageOf(thrown)}); write it anew with --update-baseline`,
    )
  }
  if (!accepts(BASELINE, written))
    throw new CaulkerError(
      'bad-file',
      `--baseline ${file}: is no baseline of version 1; write it anew with --update-baseline`,
    )
  return (written as { known: Known[] }).known
}

function keyOf({ rule, subject, file = '' }: Known): string {
  return [rule, subject, file].join('\n')
}
