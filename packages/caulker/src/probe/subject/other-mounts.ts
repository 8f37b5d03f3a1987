import { accepts, equal, isHost } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { ControlKind } from '../person/controls.js'
import { foundControls, type FoundControl } from '../person/operate.js'
import type { Stage } from '../stage/stage.js'
import { gesture } from '../stage/trail.js'
import { choiceOf } from './among.js'
import type { Subject } from './subject.js'
import type { Try } from './tries.js'

/** Other values of a name may bring up controls that are not there usually: those of a kind of which there were none, or fewer. */
export async function* elsewhere(
  subject: Subject,
  stage: Stage,
  usual: readonly FoundControl[],
): AsyncIterable<{ readonly given: Given; readonly controls: readonly FoundControl[] }> {
  const countOf = (controls: readonly FoundControl[], kind: string) =>
    controls.filter(({ ref }) => ref.kind === kind).length
  const most = new Map(usual.map(({ ref }) => [ref.kind, countOf(usual, ref.kind)]))
  let looks = 0
  for (const { name } of subject.tellable)
    for (const value of subject.plain(name)) {
      if (equal(value, subject.middle[name]) || looks++ >= MOST_LOOKS) continue
      const given = { ...subject.middle, [name]: value }
      const found = (await stage.look(given, [], foundControls)) ?? []
      const fresh = found.filter(
        ({ ref: { kind, nth } }) => nth >= (most.get(kind) ?? 0) && (!most.has(kind) || !LISTED.includes(kind)),
      )
      for (const { ref } of fresh) most.set(ref.kind, countOf(found, ref.kind))
      if (fresh.length > 0) yield { given, controls: fresh }
    }
}

const MOST_LOOKS = 12

/** There are as many of them as a list has entries. */
const LISTED: readonly ControlKind[] = ['button', 'radio button', 'checkbox', 'area']

/** Lists that may be left out are filled, with something in them chosen and with nothing: what they offer is there to be operated only then. */
export function furnished({ names, values, middle, plain }: Subject): Given[] {
  const lists = names.flatMap(({ name, kind, default: usual }): [string, readonly unknown[]][] => {
    const isEmpty = kind === 'property' && middle[name] === undefined && Array.isArray(usual) && usual.length === 0
    const list = isEmpty ? plain(name).find((one) => Array.isArray(one) && one.length > 1) : undefined
    return Array.isArray(list) ? [[name, list]] : []
  })
  if (lists.length === 0) return []
  const filled = Object.fromEntries(lists)
  const chosen = values.flatMap((value): [string, unknown][] => {
    const list = filled[value.among?.list ?? '']
    return list === undefined ? [] : [[value.name, choiceOf(value, list[0])]]
  })
  const given = { ...middle, ...filled, ...Object.fromEntries(chosen) }
  // What stands there already is not chosen once more.
  const isListed = (value: unknown) => lists.some(([, list]) => list.some((entry) => equal(entry, value)))
  const cleared = values.flatMap(({ name, empty }): [string, unknown][] =>
    empty === null && isListed(given[name]) ? [[name, empty]] : [],
  )
  return cleared.length === 0 ? [given] : [given, { ...given, ...Object.fromEntries(cleared) }]
}

/** A list as long as a whole number that stands beside it: that may be the most that it takes, and then nothing more is taken. */
export function brimming({
  names,
  values,
  middle,
  plain,
  ideally,
}: Subject): { readonly given: Given; readonly name: string }[] {
  const numbers = names.filter(({ kind, type }) => kind === 'property' && accepts(type, 2) && !accepts(type, 2.5))
  const full = numbers.flatMap(({ name, type }) =>
    values.flatMap((value) => {
      const lists = plain(value.name).filter((one) => Array.isArray(one) && one.length > 0)
      return lists
        .map((list) => ({ name, given: { ...middle, [value.name]: list, [name]: (list as unknown[]).length } }))
        .filter(({ given }) => accepts(type, given[name]) && equal(ideally(value.name, given), given[value.name]))
    }),
  )
  return full.slice(0, MOST_FULL)
}

const MOST_FULL = 2

/** The same mount, each flag of its own turned over in its turn: one may say that one of several stands at a time. */
export function* withAFlagTurned({ tellable }: Subject, given: Given): Iterable<Given> {
  for (const { name, kind, type, default: usual } of tellable) {
    const isOn = given[name] ?? usual
    if (kind === 'property' && typeof isOn === 'boolean' && accepts(type, !isOn)) yield { ...given, [name]: !isOn }
  }
}

/** An object that may leave out some members, with all of them: what edits those is there to be operated only then. */
export function fullest({ values, middle, plain }: Subject): Given | undefined {
  const full = values.flatMap(({ name }): [string, unknown][] => {
    const size = (one: unknown) => JSON.stringify(membersOf(one)).length
    const [first, ...others] = plain(name).filter((one) => membersOf(one).length > 0)
    const most = others.reduce((before, one) => (size(one) > size(before) ? one : before), first)
    return membersOf(most).some((member) => !membersOf(middle[name]).includes(member)) ? [[name, most]] : []
  })
  return full.length === 0 ? undefined : { ...middle, ...Object.fromEntries(full) }
}

function membersOf(value: unknown): string[] {
  return typeof value === 'object' && value !== null && !Array.isArray(value) && !isHost(value)
    ? Object.keys(value)
    : []
}

/** Where several fields make up one text, a shorter text leaves some of them empty: a key that deletes does something there, too. */
export function partlyFilled(
  { values, middle, plain }: Subject,
  controls: readonly FoundControl[],
): { readonly given: Given; readonly one: Try }[] {
  const [value] = values
  const fields = controls.filter(({ ref }) => ref.kind === 'text field')
  const usual = middle[value?.name ?? '']
  if (value === undefined || values.length > 1 || fields.length < 2 || typeof usual !== 'string') return []
  const shorter = plain(value.name).filter((one) => typeof one === 'string' && one.length < usual.length)
  return shorter.slice(0, 1).flatMap((text) =>
    fields.slice(0, MOST_FIELDS).map(({ ref }) => ({
      given: { ...middle, [value.name]: text },
      one: {
        moves: [gesture({ do: 'type', on: ref, text: '' }), gesture({ do: 'leave' })],
        control: ref,
        text: '',
      },
    })),
  )
}

/** How many of several fields are emptied. */
const MOST_FIELDS = 6

/** A mount, and the same from the default: what is toggled may end there by the edit alone, where a reset makes no difference. */
export function fromDefaultToo({ names }: Pick<Subject, 'names'>, name: string, given: Given): Given[] {
  const standard: unknown = names.find((one) => one.name === name)?.default
  return standard === undefined || equal(standard, given[name]) ? [given] : [given, { ...given, [name]: standard }]
}
