import { accepts, equal, printed, valueAt } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { actedOn, componentRef, controlRefs, isOperable, optionsOf, type ControlRef } from '../person/controls.js'
import type { Key } from '../person/gestures.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Move, type Trail } from '../stage/trail.js'
import { choiceOf, keyOf } from '../subject/among.js'
import { onceFor } from '../subject/once-for.js'
import { oneAtEach, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { listIn } from './lists.js'
import { isOfCombo } from './ways-alike.js'

/** WAI-ARIA 1.2, section 5.3.3: what Tab comes to once, and arrow keys walk through. */
const COMPOSITES =
  '[role=radiogroup], [role=grid], [role=toolbar], [role=tablist], [role=listbox], [role=menubar], ' +
  // The groups of a tree or of a menu have keys of their own.
  '[role=group]:not([role=tree] *, [role=menu] *)'

/** One such group, where at most one of its controls is in the order of Tab. */
interface Walk {
  readonly given: Given
  /** What opens the list, where it is only there while a combo box is open: keys go to what has the focus from then on. */
  readonly open: readonly Move[]
  /** Where Tab comes to, and which of them that is; nothing where it comes to none. */
  readonly start: ControlRef | undefined
  readonly from: number
  readonly names: readonly string[]
}

const walksOf = onceFor(lookForWalks)

/** On an ordinary mount, and where nothing is chosen yet. */
async function lookForWalks(subject: Subject): Promise<Walk[]> {
  const { middle, base, values, ways } = subject
  const unchosen = Object.fromEntries(values.filter(({ empty }) => empty === null).map(({ name }) => [name, null]))
  // A list that may be left out is filled on mounts of its own.
  const filled = ways.filter(({ given }) => given !== middle && given !== base).slice(0, 1)
  const usual = [middle, base, ...filled.map(({ given }) => given), ...withOpenLists(subject)]
  const walks: Walk[] = []
  for (const given of [...usual, ...usual.map((one) => ({ ...one, ...unchosen }))]) {
    const seen = (await subject.look(given, (container) => walksIn(container, given))) ?? []
    walks.push(...seen.filter((one) => !walks.some((other) => equal({ ...one, given }, { ...other, given }))))
  }
  return [...walks, ...(await openedLists(subject))]
}

/** The lists that combo boxes open, where one of their entries is come to from the start. */
async function openedLists(subject: Subject): Promise<Walk[]> {
  const lists: Walk[] = []
  for (const { given, control: on } of oneAtEach(subject.ways.filter(isOfCombo)))
    for (const open of [[gesture({ do: 'key', on, key: 'ArrowDown' })], [gesture({ do: 'press', on })]]) {
      const seen = await subject.lookAfter(given, open, placeIn)
      if (seen === undefined || seen.at < 0 || seen.names.length < 2) continue
      lists.push({ given, open, start: on, from: seen.at, names: seen.names })
      break
    }
  return lists
}

/** With several entries in each list to choose from, and none of them with what may be left out, such as that it is disabled. */
function withOpenLists({ values, names, plain, middle }: Subject): Given[] {
  return values.flatMap((value): Given[] => {
    const list = names.find(({ name }) => name === value.among?.list)
    const items = valueAt(list?.type, ['items']) as { readonly required?: readonly string[] } | undefined
    const entries = plain(list?.name ?? '')
      .flatMap(listIn)
      .map((entry) => leastOf(entry, items?.required))
    const keys = entries.map((entry) => keyOf(value, entry))
    const several = entries
      .filter((_, at) => keys.findIndex((key) => equal(key, keys[at])) === at)
      .slice(0, MOST_WALKED)
    if (list === undefined || several.length < 3 || !accepts(list.type, several)) return []
    return [{ ...middle, [list.name]: several, [value.name]: choiceOf(value, several[0]) }]
  })
}

function leastOf(entry: unknown, required: readonly string[] = []): unknown {
  if (typeof entry !== 'object' || entry === null || required.length === 0) return entry
  return Object.fromEntries(Object.entries(entry).filter(([name]) => required.includes(name)))
}

function walksIn(container: HTMLElement, given: Given): Walk[] {
  const refs = controlRefs(container)
  const groups = new Set(refs.flatMap(({ element }) => element.closest<HTMLElement>(COMPOSITES) ?? []))
  return [...groups].flatMap((group) => {
    const members = membersOf(group)
    const [stop, ...others] = members.filter(({ tabIndex }) => tabIndex >= 0)
    const isPassed = members.some((one) => one.localName === 'input' || one.localName === 'select')
    const all = [...group.querySelectorAll<HTMLElement>('[tabindex]')]
    const count = stop === undefined ? all.length : members.length
    // What is chosen and disabled still takes the focus.
    if (stop === undefined && all.some(({ tabIndex }) => tabIndex >= 0)) return []
    if (members.length === 0 || count < 2 || others.length > 0 || isPassed || group.tabIndex >= 0) return []
    if (group.ariaDisabled === 'true' || group.hasAttribute('aria-activedescendant')) return []
    const start = stop && refs.find(({ element }) => element === stop || element.contains(stop))?.ref
    const names = members.map((one) => one.ariaLabel ?? one.textContent ?? '')
    return stop !== undefined && start === undefined
      ? []
      : [{ given, open: [], start, from: stop === undefined ? -1 : members.indexOf(stop), names }]
  })
}

/** What takes the focus in a group, and says by itself whether Tab comes to it. */
function membersOf(group: HTMLElement): HTMLElement[] {
  return [...group.querySelectorAll<HTMLElement>('[tabindex]')].filter(isOperable)
}

/** Each arrow key and the one that leads back, from where Tab comes to. */
export async function* walked(subject: Subject): AsyncIterable<Trail> {
  for (const walk of await walksOf(subject))
    if (walk.start === undefined) yield { given: walk.given, moves: [] }
    else
      for (const [key, back] of Object.entries(BACK) as [Key, Key][])
        for (const then of [back, ' '] as const) yield { given: walk.given, moves: movesOf(subject, walk, [key, then]) }
}

/** The first key goes to where Tab comes to, and each other one to what has the focus by then. */
function movesOf(subject: Subject, { open, start }: Walk, [first, ...others]: readonly Key[]): Move[] {
  const isAt = open.length === 0 && start !== undefined && first !== undefined
  const begun = isAt
    ? [gesture({ do: 'key', on: start, key: first })]
    : first === undefined
      ? []
      : [struck(subject, first)]
  return [...open, ...begun, ...others.map((key) => struck(subject, key))]
}

const BACK = {
  ArrowDown: 'ArrowUp',
  ArrowRight: 'ArrowLeft',
  ArrowUp: 'ArrowDown',
  ArrowLeft: 'ArrowRight',
} as const satisfies Partial<Record<Key, Key>>

/** A key goes to what has the focus. */
function struck({ contract }: Subject, key: Key): Move {
  return gesture({ do: 'key', on: componentRef(contract.tag), key })
}

/** A group of which none is in the order of Tab: no key comes to any of them. */
export async function reachedByNoTab(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  if (trail.moves.length > 0 || rows[0].fault !== undefined) return undefined
  const walk = (await walksOf(subject)).find((one) => one.start === undefined && equal(one.given, trail.given))
  return (
    walk && {
      row: 0,
      says: 'Tab comes to none of its choices',
      expected: `one of ${walk.names.slice(0, MOST_NAMED).join(', ')} in the order of Tab`,
      found: 'all of them are taken out of it',
      cause: 'only what is chosen has its place in the order of Tab, and nothing is chosen yet',
    }
  )
}

const MOST_NAMED = 4

/** What one arrow key came to is left again by the one that points the other way. */
export async function comesBackElsewhere(subject: Subject, played: Played): Promise<LeakAt | undefined> {
  const at = await walkOf(subject, played)
  if (at === undefined) return undefined
  const [there, back] = [await focusAfter(subject, at, 1), await focusAfter(subject, at, 2)]
  if (there < 0 || back < 0 || there === at.walk.from || back === at.walk.from) return undefined
  const { names, from } = at.walk
  return {
    row: at.walk.open.length + 2,
    says: 'the arrow key that points back does not come back',
    expected: `the focus at ${names[from] ?? ''}, where it came from`,
    found: `the focus at ${names[back] ?? ''}`,
  }
}

/** Space takes what has the focus once an arrow key was struck, which a click there takes as well. */
export async function takesAnother(subject: Subject, played: Played): Promise<LeakAt | undefined> {
  const at = await walkOf(subject, played, true)
  const { trail, rows } = played
  const [first, row, gone] = [rows[0], rows.at(-1), rows.at(-2)]
  if (at === undefined || row === undefined) return undefined
  if (at.walk.open.length > 0 || gone?.heard.length !== 0 || !equal(gone.read, first.read)) return undefined
  const on = await subject.lookAfter(trail.given, trail.moves.slice(0, 1), (container) => {
    const active = actedOn(container)
    return controlRefs(container).find(({ element }) => element === active)?.ref
  })
  if (on?.kind !== 'button') return undefined
  const clicked = (await subject.play({ given: trail.given, moves: [gesture({ do: 'press', on })] })).rows[1]
  if (clicked === undefined || clicked.heard.length === 0 || row.heard.length === 0) return undefined
  const unlike = subject.values.find(({ name }) => !equal(clicked.read[name], row.read[name]))
  return (
    unlike && {
      row: rows.length - 1,
      says: `Space takes another ${unlike.name} than a click at “${on.label}”, which has the focus`,
      expected: `${unlike.name} ${printed(clicked.read[unlike.name])}`,
      found: `${unlike.name} ${printed(row.read[unlike.name])}`,
      cause: 'the arrow keys count on, and the focus stays where it is',
    }
  )
}

/** What Tab passes by, and no arrow key comes to either. */
export async function reachedByNoKey(subject: Subject, played: Played): Promise<LeakAt | undefined> {
  const at = await walkOf(subject, played)
  const first = played.trail.moves[at?.walk.open.length ?? 0]
  if (at === undefined || !isDone(first, 'key') || first.gesture.key !== 'ArrowDown') return undefined
  const { names, from, start, given, open } = at.walk
  if (names.length > MOST_WALKED || start === undefined) return undefined
  const paths = new Map<number, readonly Key[]>([[from, []]])
  for (const [place, path] of paths)
    for (const key of Object.keys(BACK) as Key[]) {
      const keys = [...path, key]
      const moves = movesOf(subject, at.walk, keys)
      const to = await focusAfter(subject, { trail: { given, moves }, walk: at.walk }, keys.length)
      // A key that chooses, and moves no focus, walks in a way of its own.
      if (to < 0 || (to === place && (await changesSomething(subject, { given, moves })))) return undefined
      if (!paths.has(to)) paths.set(to, keys)
      if (paths.size === names.length) return undefined
    }
  const missed = names.filter((_, nth) => !paths.has(nth))
  return {
    row: open.length + 1,
    says:
      paths.size === 1
        ? 'arrow keys do nothing here, and Tab passes the other choices by'
        : `no key comes to ${missed.slice(0, MOST_NAMED).join(', ')}`,
    expected: `arrow keys come to ${missed[0] ?? ''}`,
    found: `they come to ${names.length - missed.length} of ${names.length}, and Tab to no other: only a pointer reaches the rest`,
  }
}

/** From how many each way is gone. */
const MOST_WALKED = 6

async function changesSomething(subject: Subject, trail: Trail): Promise<boolean> {
  const { rows } = await subject.play(trail)
  const last = rows.at(-1)
  return last === undefined || last.heard.length > 0 || !equal(last.read, rows.at(-2)?.read)
}

interface Walking {
  readonly walk: Walk
  readonly trail: Trail
}

/** @param takes whether the last key is to take what was come to, and not to lead back */
async function walkOf(subject: Subject, { trail, rows }: Played, takes = false): Promise<Walking | undefined> {
  if (rows.some(({ fault, impossible }) => (fault ?? impossible) !== undefined)) return undefined
  const [there, back] = trail.moves.slice(-2)
  if (!isDone(there, 'key') || !isDone(back, 'key') || back.gesture.on.kind !== 'component') return undefined
  const keys = [there.gesture.key, back.gesture.key]
  if ((back.gesture.key === ' ') !== takes) return undefined
  const walk = (await walksOf(subject)).find(
    (one) => equal(one.given, trail.given) && equal(movesOf(subject, one, keys), trail.moves),
  )
  return walk && { walk, trail }
}

/** Which of a group has the focus after some moves, what opens it aside; less than 0 where none of them has it. */
async function focusAfter(subject: Subject, { trail, walk }: Walking, moves: number): Promise<number> {
  const seen = await subject.lookAfter(trail.given, trail.moves.slice(0, walk.open.length + moves), placeIn)
  return seen?.names.length === walk.names.length ? seen.at : -1
}

/** The group in which somebody is, and which of its members has the focus, or is active in the place of what has it. */
function placeIn(container: HTMLElement): { readonly names: readonly string[]; readonly at: number } {
  const active = actedOn(container)
  const group = active?.closest<HTMLElement>(COMPOSITES)
  const members = membersOf(group ?? container)
  // What is active in the place of what has the focus has none itself.
  const marked =
    group?.getAttribute('role') === 'listbox' && !members.some((one) => one === active) ? optionsOf(group) : members
  const names = marked.map((one) => one.ariaLabel ?? one.textContent ?? '')
  return { names, at: marked.findIndex((one) => one === active) }
}
