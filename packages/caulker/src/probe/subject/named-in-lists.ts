import { accepts, equal, valueAt, type PropertyClause, type TSchema, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { takesAnyText } from './off-type.js'
import type { Subject } from './subject.js'

/** A list of texts beside a text that a person enters, such as names that are taken: what is shown may depend on whether it is in there. */
export interface NamedIn {
  readonly list: PropertyClause
  readonly value: ValueClause
  /** What the list holds where a text is named in it. */
  naming(text: string): readonly unknown[]
}

/** Each such list, with each text that is not chosen from it. */
export function namedInLists({ names, values, drawn }: Pick<Subject, 'names' | 'values' | 'drawn'>): NamedIn[] {
  const chosenFrom = values.map(({ among }) => among?.list)
  const texts = values.filter(({ type, among }) => among === undefined && takesAnyText(type))
  const lists = names.filter(({ name, kind, type }) => {
    const items = valueAt(type, ['items']) as TSchema | undefined
    return kind === 'property' && !chosenFrom.includes(name) && items !== undefined && takesAnyText(items)
  })
  return lists.flatMap((list) => {
    const usual = drawn(list.name).find((one) => Array.isArray(one) && one.length > 0) as string[] | undefined
    const naming = (text: string) => [text, ...(usual ?? []).filter((one) => !equal(one, text)).slice(0, 1)]
    return texts.filter(() => accepts(list.type, naming('oakum'))).map((value) => ({ list, value, naming }))
  })
}

/** A mount in which what stands, or what is about to, is named in a list beside it. */
export function naming({ list, naming: named }: NamedIn, text: string, given: Given): Given {
  return { ...given, [list.name]: named(text) }
}
