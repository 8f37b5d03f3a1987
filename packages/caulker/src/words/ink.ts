import { wrapAnsi } from 'fast-wrap-ansi'
import pc from 'picocolors'

/** Colours by meaning, so that each is chosen in one place; without colour the text says the same. */
export interface Ink {
  bad(text: string): string
  good(text: string): string
  unsure(text: string): string
  strong(text: string): string
  quiet(text: string): string
}

export function inkFor(colour: boolean): Ink {
  const { red, green, yellow, bold, dim } = pc.createColors(colour)
  return { bad: (text) => bold(red(text)), good: green, unsure: yellow, strong: bold, quiet: dim }
}

/** A text broken at words to fit a width; the lines after the first are indented. */
export function wrapped(text: string, width: number, indent: number): string {
  return wrapAnsi(text, Math.max(20, width - indent)).replaceAll('\n', `\n${' '.repeat(indent)}`)
}

/** A sentence begins with a capital letter, unless it begins with a name in quotes. */
export function sentence(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

/** `1 component`, `2 components`. */
export function counted(count: number, word: string, many = `${word}s`): string {
  return `${count} ${count === 1 ? word : many}`
}
