import type { Ink } from '../../words/index.js'
import type { TroubleReport } from './model.js'

/** What could not be judged: one line each, with file and position. */
export function troubleLines(troubles: readonly TroubleReport[], ink: Ink): string[] {
  if (troubles.length === 0) return []
  return ['', ink.strong('Could not be judged'), ...troubles.map((trouble) => `  ${troubleText(trouble)}`)]
}

export function troubleText({ file, line, column, says }: TroubleReport): string {
  return `${file}${line === undefined ? '' : `:${line}:${column ?? 1}`}: ${says}`
}
