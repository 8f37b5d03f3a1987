import type { FilledBy, Table, Written } from './entry.js'

const shapes = new WeakMap<Table, string>()

/**
 * Everything that a table says of one name, from what is written of it and what else is known.
 *
 * Parsed from a text that has every member, and then filled: an object that grows member by member is slow to read, and there may be
 * thousands.
 */
export function filled<T extends Table, M extends object>(
  table: T,
  written: Written,
  name: string,
  more: M,
): FilledBy<T> & M & { readonly name: string } {
  let shape = shapes.get(table)
  if (shape === undefined) {
    const members = ['name', ...Object.keys(more), ...Object.keys(table)]
    shapes.set(table, (shape = JSON.stringify(Object.fromEntries(members.map((member) => [member, null])))))
  }
  const made = JSON.parse(shape) as Record<string, unknown>
  made['name'] = name
  Object.assign(made, more)
  for (const key in table) {
    const entry = table[key]
    const value = written[key]
    made[key] =
      value === undefined ? entry?.usual(written, name) : entry?.kept === undefined ? value : entry.kept(value)
  }
  return made as never
}
