import { equal, printed } from '../../contract/index.js'
import { nameIn } from '../play/move.js'
import { keyed, shownIn } from '../play/sight.js'
import { invariant } from './invariant.js'

/** What a person has entered stands, or they are told why it does not. */
export const editStands = invariant({
  id: 'edit-stands',
  title: 'What is entered stands, or it is said why not',
  why: 'A field that snaps back without a word looks broken: a person enters it again and again.',
  mend: 'Bind it with twoWay or draft; where it is only shown, lock the field or say showOnly; where it is turned down, give the reason.',
  watches: 'edits',
  *judge({ plan, move, before, after, happened }) {
    if (move === undefined || !('edit' in move)) return
    const { fitting: name, name: value } = nameIn(move.edit)
    const key = keyed(name, move.row)
    const part = after.parts.get(key)
    if (part === undefined || part.part.component.isPending(part.state)) return
    const { fitting } = part.part
    const shown = shownIn(after, key, value)
    const isTakenBack = equal(shown, shownIn(before, key, value)) && !equal(shown, move.to)
    const isSaid =
      happened.refusals.length + happened.amendments.length > 0 || happened.problems.some(({ text }) => text !== '')
    if (!isTakenBack || isSaid || happened.told.every((told) => keyed(told.fitting, told.row) !== key)) return
    const binding = plan.machine.screens[fitting.screen]?.screen.bindings[name]?.[value]
    if (binding?.kind === 'one-way' && binding.showOnly) return
    yield {
      subject: `${name}.${value}`,
      says: `${printed(move.to)} was entered in ${name}, and the field goes back to ${printed(shown)} without a word`,
      fittings: [name],
      screen: fitting.screen,
      path: ['bind', name, value],
    }
  },
})
