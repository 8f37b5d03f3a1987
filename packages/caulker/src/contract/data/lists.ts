export type OneOrMore<F> = F | readonly F[]

/** One function, several or none, as a list. */
export function listed<F>(given: OneOrMore<F> | undefined): readonly F[] {
  if (given === undefined) return []
  return Array.isArray(given) ? (given as readonly F[]) : [given as F]
}

/** The same names with other values; an absent object is an empty one. */
export function mapValues<V, M>(
  of: Readonly<Record<string, V>> | object | undefined,
  make: (value: V, name: string) => M,
): Record<string, M> {
  return Object.fromEntries(
    Object.entries((of ?? {}) as Record<string, V>).map(([name, value]) => [name, make(value, name)]),
  )
}
