import { expect } from 'chai'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'

/**
 * Holds answers to what stands in `test/recorded`, which was read and found right. Where an answer is meant to change, the file is
 * written anew with CAULKER_RECORD=1, and its difference is read before it is committed.
 */
export function asRecorded(name: string, answers: Readonly<Record<string, unknown>>): void {
  const file = `test/recorded/${name}.json`
  const plain = JSON.parse(JSON.stringify(answers)) as Record<string, unknown>
  if (process.env['CAULKER_RECORD'] !== undefined) {
    const lines = Object.entries(plain).map(([what, answer]) => `${JSON.stringify(what)}: ${lined(answer)}`)
    writeFileSync(file, `{\n${lines.join(',\n')}\n}\n`)
  }
  const before = existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Record<string, unknown>) : {}
  expect(Object.keys(plain), `${file}: what is asked`).to.eql(Object.keys(before))
  for (const [what, answer] of Object.entries(plain)) expect(answer, `${file}: ${what}`).to.eql(before[what])
}

/** A list of sentences has a line for each, so that a difference can be read. */
function lined(answer: unknown): string {
  const isList = Array.isArray(answer) && answer.length > 0 && answer.every((one) => typeof one === 'string')
  return isList ? JSON.stringify(answer, null, 1).replace(/\n$/, '') : JSON.stringify(answer)
}

/** Many answers as one short text: the same for the same, and another for others. */
export function digest(answers: unknown): string {
  return createHash('sha256').update(JSON.stringify(answers, plainly)).digest('hex').slice(0, 12)
}

/** JSON knows neither of these. */
function plainly(_key: string, value: unknown): unknown {
  return value === undefined
    ? '(undefined)'
    : typeof value === 'number' && !Number.isFinite(value)
      ? String(value)
      : value
}
