/** Slots as they are handed out while a wiring is made flat. */
export interface Slots {
  readonly names: string[]
  readonly initial: unknown[]
  add(name: string, initial?: unknown): number
}

export function noSlots(): Slots {
  const names: string[] = []
  const initial: unknown[] = []
  return {
    names,
    initial,
    add(name, value) {
      initial.push(value)
      return names.push(name) - 1
    },
  }
}
