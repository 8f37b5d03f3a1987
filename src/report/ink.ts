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

/** `1 component`, `2 components`. */
export function counted(count: number, word: string): string {
  return `${count} ${word}${count === 1 ? '' : 's'}`
}
