import { readFileSync, writeFileSync } from 'node:fs'
import { CaulkerError, messageOf } from 'caulker/inside/contract'
import { shown } from '../node/find.js'

export const EXIT = { sound: 0, leaks: 1, unjudged: 2 } as const

/** Prints a report, or writes it to a file and prints its first line: the answer. */
export function deliver(report: string, answer: string, file: string | undefined): void {
  if (file === undefined) {
    process.stdout.write(report)
    return
  }
  try {
    writeFileSync(file, report)
  } catch (thrown) {
    throw new CaulkerError(
      'bad-argument',
      `--output ${file}: the report cannot be written there (${messageOf(thrown)})`,
    )
  }
  process.stdout.write(`${answer.split('\n')[0] ?? ''}\nWritten to ${shown(file)}\n`)
}

/** The version of this package. */
export function packageVersion(): string {
  const { version } = JSON.parse(readFileSync(new URL('../../package.json', import.meta.url), 'utf8')) as {
    version: string
  }
  return version
}

/** Whether to use colour: only on a terminal, and never where NO_COLOR is set. */
export function wantsColour(): boolean {
  return process.stdout.isTTY === true && !process.env['NO_COLOR']
}

export function terminalWidth(): number {
  return Math.max(60, Math.min(process.stdout.columns ?? 110, 150))
}

/** One line that is written over, on a terminal only. */
export function progressLine(): { say(text: string): void; clear(): void } {
  const isShown = process.stderr.isTTY === true
  return {
    say: (text) => isShown && process.stderr.write(`\r\u001b[2K${text}`),
    clear: () => isShown && process.stderr.write('\r\u001b[2K'),
  }
}
