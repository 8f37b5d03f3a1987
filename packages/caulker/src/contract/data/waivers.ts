/** What is knowingly not kept: by the id of a clause or a rule the reason, or the reason for each name that it is waived for. */
export type Waivers = Readonly<Record<string, string | Readonly<Record<string, string>>>>

/** A waiver as it is read: for all names where it has none. */
export interface Waiver {
  readonly id: string
  readonly name: string | undefined
  readonly reason: string
}

export function waiversOf(waives: Waivers): Waiver[] {
  return Object.entries(waives).flatMap(([id, reason]): Waiver[] =>
    typeof reason === 'object' && reason !== null
      ? Object.entries(reason).map(([name, why]) => ({ id, name, reason: String(why ?? '') }))
      : [{ id, name: undefined, reason: String(reason ?? '') }],
  )
}

/** Why something is waived that goes by any of some names; nothing where it is not. */
export function waiverOf(waives: Waivers, id: string, names: readonly string[]): string | undefined {
  if (!Object.hasOwn(waives, id)) return undefined
  return waiversOf({ [id]: waives[id] as string }).find(({ name }) => name === undefined || names.includes(name))
    ?.reason
}
