import { CaulkerError, messageOf, visible } from 'caulker/inside/words'
import { readFileSync, writeFileSync } from 'node:fs'
import { EXIT } from '../node/exit.js'
import { shown } from '../node/shown.js'

/** Prints a report, or writes it to a file and prints its first line: the answer, where there is one yet. */
export function deliver(report: string, answer: string | undefined, file: string | undefined): void {
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
  if (answer !== undefined) process.stdout.write(`${answer.split('\n')[0] ?? ''}\nWritten to ${shown(file)}\n`)
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

const NOW_AND_THEN = 15_000

/** How far long work has come, on standard error: one line that is written over on a terminal, else a line now and then. */
export interface Progress {
  say(text: string): void
  /** Takes the line away, before something else is written to the terminal. */
  clear(): void
}

export function progressLine(): Progress {
  const { stderr } = process
  if (stderr.isTTY === true)
    return {
      say: (text) => void stderr.write(`\r\u001b[2K${visible(text).slice(0, (stderr.columns ?? 80) - 1)}`),
      clear: () => void stderr.write('\r\u001b[2K'),
    }
  let last = performance.now()
  return {
    say(text) {
      if (performance.now() - last < NOW_AND_THEN) return
      last = performance.now()
      stderr.write(`${visible(text)}\n`)
    },
    clear: () => undefined,
  }
}

/** Ends long work on Ctrl-C or SIGTERM with what is there; a second time, at once. */
export function interruptible(): { readonly signal: AbortSignal; done(): void } {
  const controller = new AbortController()
  const end = () => {
    if (controller.signal.aborted) process.exit(EXIT.unjudged)
    controller.abort()
  }
  process.on('SIGINT', end).on('SIGTERM', end)
  return { signal: controller.signal, done: () => void process.off('SIGINT', end).off('SIGTERM', end) }
}

/** A reader that has gone, or a disk that is full, is no fault of the report: one line, and no stack. */
export function guardOutput(): void {
  process.stdout.on('error', (error: NodeJS.ErrnoException) => {
    const why = error.code === 'EPIPE' ? 'was closed' : `cannot be written to (${messageOf(error)})`
    process.stderr.write(
      `caulker: standard output ${why} before the report was whole; --output FILE writes it to a file\n`,
    )
    process.exit(EXIT.unjudged)
  })
  process.stderr.on('error', () => undefined)
}
