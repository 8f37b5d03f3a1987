import { distance } from 'fastest-levenshtein'

/** `berthNumber` becomes `berth-number`: how a property is named as an attribute or in an event. */
export function kebab(name: string): string {
  return name.replace(/([a-z0-9])([A-Z])/g, '$1-$2').toLowerCase()
}

/** `berthNumber` becomes `Berth number`: the label of a name that was given none. */
export function labelOf(name: string): string {
  const words = kebab(name).replace(/-/g, ' ')
  return words.charAt(0).toUpperCase() + words.slice(1)
}

/** The name nearest to a wrong one, if any is near enough to have been meant. */
export function closest(wrong: string, names: Iterable<string>): string | undefined {
  let best: string | undefined
  let least = Infinity
  for (const name of names) {
    const far = distance(wrong.toLowerCase(), name.toLowerCase())
    if (far < least) [best, least] = [name, far]
  }
  return least <= Math.max(2, Math.floor(wrong.length / 3)) ? best : undefined
}

/** `; did you mean 'bales'?` for a near miss, else the list of what there is. */
export function hint(wrong: string, names: Iterable<string>): string {
  const all = [...names]
  const near = closest(wrong, all)
  if (near !== undefined) return `; did you mean '${near}'?`
  return all.length === 0 ? '' : `; there is ${all.map((name) => `'${name}'`).join(', ')}`
}
