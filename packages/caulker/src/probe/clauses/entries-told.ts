import { accepts, equal } from '../../contract/index.js'
import type { ControlRef } from '../person/controls.js'
import { foundControls } from '../person/operate.js'
import { gesture, tell, without, type Trail } from '../stage/trail.js'
import { choiceOf, keyOf } from '../subject/among.js'
import { openingsOf, type Subject } from '../subject/subject.js'
import { isRecord } from './lists.js'

/** A list is told that is longer: the last that it has brought along is operated like one that was there from the mount. */
export async function* enteredAnew(subject: Subject): AsyncIterable<Trail> {
  const lists = subject.tellable.filter(({ kind }) => kind === 'property')
  for (const { name } of lists) {
    const longer = subject.plain(name).find((one) => Array.isArray(one) && one.length > 1)
    if (!Array.isArray(longer)) continue
    // What is chosen is in the list, before and after.
    const chosen = subject.values
      .filter(({ among }) => among?.list === name)
      .map((value) => [value.name, choiceOf(value, longer[0])] as const)
    const given = { ...subject.middle, ...Object.fromEntries(chosen) }
    const mounts = [...(chosen.length > 0 ? [] : [without(given, name)]), { ...given, [name]: longer.slice(0, 1) }]
    for (const opening of [[], ...openingsOf(subject)]) {
      const shown = (await subject.lookAfter({ ...given, [name]: longer }, opening, foundControls)) ?? []
      for (const mount of mounts) {
        const known = ((await subject.lookAfter(mount, opening, foundControls)) ?? []).map(({ ref }) => ref)
        const isNew = ({ kind, nth }: ControlRef) => !known.some((one) => one.kind === kind && one.nth === nth)
        const last = shown.filter(({ ref }) => PRESSED.includes(ref.kind) && isNew(ref)).at(-1)
        if (last !== undefined)
          yield { given: mount, moves: [tell({ [name]: longer }), ...opening, gesture({ do: 'press', on: last.ref })] }
      }
    }
  }
}

const PRESSED: readonly string[] = ['button', 'checkbox', 'switch', 'radio button', 'area']

/** A list whose first entry stays and is otherwise in one member: who keeps by its name what was drawn of it misses that. */
export function* changedEntries({ tellable, plain, base, values }: Subject): Iterable<Trail> {
  for (const { name, type } of tellable)
    for (const list of plain(name).slice(0, 1)) {
      if (!Array.isArray(list) || !isRecord(list[0])) continue
      const [first, ...others] = list as [Readonly<Record<string, unknown>>, ...unknown[]]
      for (const [member, part] of Object.entries(first).slice(0, MOST_MEMBERS))
        for (const other of changed(part).slice(0, 1)) {
          const told = [{ ...first, [member]: other }, ...others]
          const moves = [tell({ [name]: told })]
          if (!accepts(type, told)) continue
          yield { given: { ...base, [name]: list }, moves }
          // What is chosen may be drawn by what the list says of it.
          const choices = values.flatMap((value): [string, unknown][] => {
            const isKept = value.among?.list === name && equal(keyOf(value, first), keyOf(value, told[0]))
            return isKept ? [[value.name, choiceOf(value, first)]] : []
          })
          if (choices.length > 0) yield { given: { ...base, [name]: list, ...Object.fromEntries(choices) }, moves }
        }
    }
}

const MOST_MEMBERS = 6

function changed(part: unknown): unknown[] {
  if (typeof part === 'boolean') return [!part]
  if (typeof part === 'number') return [part + 1]
  return typeof part === 'string' ? [`${part} too`] : []
}
