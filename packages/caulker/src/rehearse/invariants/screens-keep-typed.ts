import { equal, limitsOf, outsideText, printed } from '../../contract/index.js'
import { frontOf, visibleLinks } from '../play/sight.js'
import { cellName, invariant, type Leaking, type Passage } from './invariant.js'

/** Who comes back to a screen finds what they had entered there. */
export const screensKeepTyped = invariant({
  id: 'screens-keep-typed',
  title: 'What was entered is still there on the way back',
  why: 'A cell of a screen lives as long as the screen: who looks at the next one and comes back has lost it.',
  mend: 'Name the cell in keeps, or share one of the journey with it.',
  watches: 'ways',
  *judge(passage) {
    const { plan, after, happened, memory, before, answered } = passage
    if (happened.went.length === 0 || answered !== undefined) return
    const { machine } = plan
    const front = frontOf(after, machine)
    yield* broughtInOnTheWay(passage)
    for (const [at, value] of Object.entries(memory.lost)) {
      const cell = Number(at)
      const { screen, isKept } = machine.cells[cell] ?? {}
      if (screen !== front || isKept === true || equal(after.slots[cell], value)) continue
      if (front === frontOf(before, machine)) continue
      yield {
        subject: cellName(machine, cell),
        says: `${printed(value)} had been entered for ${cellName(machine, cell)}; back on the screen it is ${printed(after.slots[cell])}`,
        cells: [cell],
        screen: front,
        path: ['cells', cellName(machine, cell).split('.').at(-1) ?? ''],
      }
    }
  },
})

/** What is kept or shared, and what a bound of the screen that is entered cuts down before anybody has done anything there. */
function* broughtInOnTheWay({ plan, after, memory, ran }: Passage): Iterable<Leaking> {
  const { machine } = plan
  for (const { link, kept } of visibleLinks(plan, after)) {
    const { value, fitting, cell } = link
    const entered = memory.lost[cell] ?? memory.typed[cell]
    if (entered === undefined || equal(after.slots[cell], entered)) continue
    if (ran.some((step) => 'cell' in step && step.cell === cell)) continue
    const outside = outsideText(
      entered,
      limitsOf(value, (of) => kept.part.component.standing(kept.state, of)),
    )
    if (outside !== undefined)
      yield {
        subject: `${cellName(machine, cell)} at ${fitting.name}`,
        says: `${printed(entered)} had been entered for ${cellName(machine, cell)}; ${fitting.name}.${value.name} brings it to ${printed(after.slots[cell])} as soon as its screen is entered`,
        mend: 'Keep or share what the bound is taken from as well, so that it stands before the value is shown.',
        cells: [cell],
        fittings: [fitting.name],
        screen: fitting.screen,
        path: ['bind', fitting.name, value.name],
      }
  }
}
