import type { ScreenView } from './screen-view.js'

/** What a reckoned cell comes to where one cell holds something else than at first; nothing where a function throws. */
export function recomputed(
  view: ScreenView,
  reckoned: string,
  cell: string,
  value: unknown,
): { value: unknown } | undefined {
  const values = new Map<string, unknown>([...view.cells].map(([name, { initial }]) => [name, initial]))
  values.set(cell, value)
  try {
    for (const { name, from, compute } of view.firstReckoned())
      values.set(name, compute(...from.map((one) => values.get(one))))
  } catch {
    return undefined
  }
  return { value: values.get(reckoned) }
}
