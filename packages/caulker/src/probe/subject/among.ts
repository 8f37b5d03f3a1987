import { accepts, equal, pointerParts, valueAt, type PropertyClause, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'

/** What a value out of a list is where an entry of it is chosen. */
export function keyOf({ among }: ValueClause, entry: unknown): unknown {
  return among?.at === undefined ? entry : valueAt(entry, pointerParts(among.at) ?? [])
}

/** What can be chosen from the list that its owner holds; nothing where it holds none. */
export function keysIn(value: ValueClause, held: Given): unknown[] | undefined {
  const list = held[value.among?.list ?? '']
  return Array.isArray(list) ? list.map((entry) => keyOf(value, entry)) : undefined
}

/** What is held where an entry is chosen: what stands in it, or a list of that where several are chosen at once. */
export function choiceOf(value: ValueClause, entry: unknown): unknown {
  const key = keyOf(value, entry)
  return accepts(value.type, key) ? key : [key]
}

/** Whether all that is chosen stands in the list. */
export function isAmong(chosen: unknown, keys: readonly unknown[] = []): boolean {
  const all = Array.isArray(chosen) && !keys.some((key) => Array.isArray(key)) ? (chosen as unknown[]) : [chosen]
  return all.every((one) => keys.some((key) => equal(key, one)))
}

/** Whether a value can be chosen from the list that its owner holds, or from the one that stands where none is given; any can where that is empty. */
export function isOffered(value: ValueClause, names: readonly PropertyClause[], held: Given, chosen: unknown): boolean {
  const keys = keysIn(value, { ...usualList(value, names), ...held }) ?? []
  return keys.length === 0 || isAmong(chosen, keys)
}

/** What can be chosen where its owner gives no list. */
export function usualChoices(value: ValueClause, names: readonly PropertyClause[]): unknown[] {
  const list = usualList(value, names)[value.among?.list ?? '']
  return Array.isArray(list) ? list.map((entry) => choiceOf(value, entry)) : []
}

/** What a person reads of the entries that can be chosen: their texts, but for those that only name them to their owner. */
export function namesAmong(value: ValueClause, names: readonly PropertyClause[], held: Given): string[] {
  const list = { ...usualList(value, names), ...held }[value.among?.list ?? '']
  if (!Array.isArray(list) || value.among?.at === undefined) return []
  return list.flatMap((entry: unknown) => {
    const texts = typeof entry === 'object' && entry !== null ? Object.values(entry) : []
    return texts.filter((text): text is string => typeof text === 'string' && text !== keyOf(value, entry)).slice(0, 1)
  })
}

/** The list that stands where its owner gives none. */
export function usualList({ among }: ValueClause, names: readonly PropertyClause[]): Given {
  const list = names.find(({ name }) => name === among?.list)
  return list?.default === undefined ? {} : { [list.name]: list.default }
}

/** Whether its owner holds a choice whose entry is gone. */
export function holdsWhatIsGone(value: ValueClause, held: Given): boolean {
  const [keys, chosen] = [keysIn(value, held), held[value.name]]
  if (value.among === undefined || keys === undefined || chosen === undefined || equal(chosen, value.empty))
    return false
  return !isAmong(chosen, keys)
}
