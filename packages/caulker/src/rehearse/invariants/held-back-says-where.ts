import { problemAt, type Problem } from '../../machine/index.js'
import { frontOf, isThere } from '../play/sight.js'
import { cellName, invariant } from './invariant.js'

/** A submit that is held back says where. */
export const heldBackSaysWhere = invariant({
  id: 'held-back-says-where',
  title: 'A submit that is held back says why and where',
  why: 'The button does nothing, and nobody says what is missing: a person is stuck.',
  mend: 'Place a field for what is needed, or show states.problem() on the screen.',
  watches: 'holding back',
  *judge({ plan, after }) {
    const { machine } = plan
    const front = frontOf(after, machine)
    const screen = machine.screens[front]
    if (screen === undefined) return
    const problems = after.slots[screen.slots.problems] as Readonly<Record<string, Problem>>
    const there = screen.fittings
      .flatMap((at) => machine.fittings[at] ?? [])
      .filter((fitting) => isThere(after, fitting))
    const isFollowed = there.some(({ bound }) => bound.some(({ source }) => plan.problems.has(source)))
    const shown = new Set(
      there.flatMap(({ bound }) =>
        bound.map((one) => (one.draft >= 0 ? (machine.drafts[one.draft]?.cell ?? -1) : one.cell)),
      ),
    )
    for (const [place, { text }] of Object.entries(problems)) {
      const cell = Number(place.split('/')[0])
      if (isFollowed || (place !== '' && shown.has(cell) && problemAt(problems, [cell]) !== '') || place.includes('/'))
        continue
      yield {
        subject: place === '' ? screen.name : cellName(machine, cell),
        says: `it is not sent, because of ${place === '' ? screen.name : cellName(machine, cell)} (“${text}”), and nothing on the screen says so`,
        cells: place === '' ? [] : [cell],
        screen: front,
        path: ['submit'],
      }
    }
  },
})
