import { equal, printed } from '../../contract/index.js'
import { deepActiveElement } from '../../dom/index.js'
import type { Given } from '../../mount/index.js'
import { findControl, type ControlRef } from '../person/controls.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isDone, isGesture, type Trail } from '../stage/trail.js'
import { oneAtEach, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** An arrow key and a press at each of some radio buttons, also where none of them is chosen yet. */
export function* arrowed({ controls, middle, base, values, ways }: Subject): Iterable<Trail> {
  const [value] = values
  const unchosen = (given: Given) => (value?.empty === null ? [given, { ...given, [value.name]: null }] : [given])
  const isRadio = ({ kind }: ControlRef) => kind === 'radio button'
  // A list that may be left out is filled on mounts of its own.
  const found = oneAtEach(ways.filter(({ control }) => isRadio(control)))
  const radios = controls.some(isRadio) ? controls.filter(isRadio) : found.map(({ control }) => control)
  const mounts = controls.some(isRadio)
    ? [...unchosen(middle), base]
    : found.slice(0, 1).flatMap((way) => unchosen(way.given))
  for (const given of mounts)
    for (const on of radios)
      for (const one of [gesture({ do: 'key', on, key: 'ArrowDown' }), gesture({ do: 'press', on })])
        yield { given, moves: [one] }
}

/** WAI-ARIA 1.2, section 5.3.3: what Tab passes by is reached by arrow keys. */
export async function unreachedByKeys(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [move] = trail.moves
  const [first, row] = rows
  if (!isDone(move, 'key') || move.gesture.key !== 'ArrowDown' || row === undefined) return undefined
  const { on } = move.gesture
  if (on.kind !== 'radio button' || trail.moves.length !== 1 || row.impossible !== undefined) return undefined
  if (row.heard.length > 0 || !equal(row.read, first.read)) return undefined
  const passedBy = await subject.lookAt(trail, (container) => {
    const radio = findControl(container, on)
    const group = radio?.closest('[role=radiogroup]')
    if (radio === undefined || group === null || group === undefined || radio.localName === 'input') return []
    const others = [...group.querySelectorAll<HTMLElement>('[role=radio]')].filter((one) => one !== radio)
    const isLeft = deepActiveElement(container.ownerDocument) !== radio || radio.tabIndex < 0
    return isLeft || others.some(({ tabIndex }) => tabIndex >= 0) ? [] : others.map((one) => one.textContent ?? '')
  })
  if (passedBy === undefined || passedBy.length === 0) return undefined
  return {
    row: 1,
    says: 'arrow keys do nothing here, and Tab passes the other choices by',
    expected: `the focus or the choice goes on to ${passedBy[0] ?? ''}`,
    found: 'nothing changes: only a pointer reaches them',
    cause: 'the keys are not heard, though all but one are taken out of the order of Tab',
  }
}

/** WAI-ARIA 1.2, section 6.6.2: what says that it is disabled is not chosen, by no way in. */
export function chosenThoughDisabled(_subject: Subject, { rows }: Played): LeakAt | undefined {
  for (const [at, row] of rows.entries()) {
    if (at === 0 || !isGesture(row.move)) continue
    const off = (rows[at - 1] as Row).picture.lines.flatMap((line) => /^\( \) (.+) \(disabled/.exec(line)?.[1] ?? [])
    const chosen = off.find((name) => row.picture.lines.some((line) => line.startsWith(`(•) ${name}`)))
    if (chosen !== undefined && row.heard.length > 0)
      return {
        row: at,
        says: `a person chooses ${chosen}, which says that it is disabled`,
        expected: `( ) ${chosen}`,
        found: `(•) ${chosen}`,
        cause: 'one of the ways in does not look whether it can be chosen',
      }
  }
  return undefined
}

/** A group of choices of which none is in the order of Tab: no key comes to any of them. */
export async function reachedByNoTab(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [move] = trail.moves
  if (!isDone(move, 'press') || move.gesture.on.kind !== 'radio button' || trail.moves.length !== 1) return undefined
  const { on } = move.gesture
  const names = await subject.look(trail.given, (container) => {
    const group = findControl(container, on)?.closest<HTMLElement>('[role=radiogroup]')
    if (group === null || group === undefined || group.tabIndex >= 0 || group.ariaDisabled === 'true') return []
    const radios = [...group.querySelectorAll<HTMLElement>('[role=radio]')]
    const isReached = radios.some((one) => one.localName === 'input' || one.tabIndex >= 0)
    const open = radios.filter((one) => one.ariaDisabled !== 'true')
    return isReached ? [] : open.map((one) => one.textContent ?? '')
  })
  if (names === undefined || names.length === 0 || rows[0].fault !== undefined) return undefined
  return {
    row: 0,
    says: 'Tab comes to none of its choices',
    expected: `one of ${printed(names)} in the order of Tab`,
    found: 'all of them are taken out of it',
    cause: 'only what is chosen has its place in the order of Tab, and nothing is chosen yet',
  }
}
