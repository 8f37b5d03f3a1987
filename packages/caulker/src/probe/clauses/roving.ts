import { equal } from '../../contract/index.js'
import { deepActiveElement } from '../../dom/index.js'
import { findControl } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** An arrow key at the first of some radio buttons. */
export function* arrowed({ controls, middle, base }: Subject): Iterable<Trail> {
  const radios = controls.filter(({ kind }) => kind === 'radio button')
  if (radios.length < 2) return
  for (const given of [middle, base])
    for (const on of radios) yield { given, moves: [gesture({ do: 'key', on, key: 'ArrowDown' })] }
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
