import type { SlotClause } from '../../contract/index.js'
import { clause } from './clause.js'
import { allLines, pictureText } from '../sight/picture.js'
import { tell, type Fill } from '../stage/trail.js'
import type { Row } from '../stage/played.js'

const CONTENT = 'Slipway of Marrow Creek'

/** What is put into its slots is shown, and stays. */
export const showsSlotted = clause({
  id: 'shows-slotted',
  group: 'down',
  promise: 'What its owner puts into its slots has a place, at the mount and later, and keeps it whatever changes.',
  why: 'A hint that is read once never changes its language, and one that is drawn over is gone after the first edit.',
  tried:
    'Something is put into each slot before the mount, and after it; then each name is told something else, and a person acts.',
  unprovenWhen: 'What was put in was never to be seen.',
  random: 'none',
  onTrial: 'tell',
  needsElement: true,
  concerns: ({ slots }) => Object.keys(slots).length > 0,
  *trails(subject) {
    const fills = Object.values<SlotClause>(subject.contract.slots).map(fillFor)
    for (const fill of fills) {
      yield { given: subject.middle, moves: [], slotted: [fill] }
      yield { given: subject.middle, moves: [fill] }
      for (const { name } of subject.tellable)
        for (const value of subject.plain(name).slice(0, 2))
          yield { given: subject.middle, moves: [tell({ [name]: value })], slotted: [fill] }
      for (const way of subject.chiefWays) yield { given: way.given, moves: way.moves, slotted: [fill] }
    }
  },
  proves: (_subject, { rows }) => rows.some(isShown),
  judge(_subject, { trail, rows }) {
    const at = rows.findIndex(({ around }) => around.unplaced > 0)
    const row = rows[at]
    if (row === undefined || isShown(row)) return undefined
    const before = rows[at - 1]
    const isLost = before !== undefined && before.around.unplaced === 0 && trail.slotted !== undefined
    return {
      row: at,
      says: isLost ? 'what is in its slot is lost' : 'what is put into its slot has no place there',
      expected: `shown “${CONTENT}”`,
      found: `shown ${pictureText(row.picture)}`,
      ...(isLost ? { cause: 'its own drawing replaces the children that its owner gave it' } : {}),
    }
  },
})

function fillFor({ name, holds }: SlotClause): Fill {
  const slot = name === 'default' ? '' : name
  const tag = holds?.find((one) => one !== '#text')
  if (tag !== undefined) return { slot, content: CONTENT, tag }
  return slot === '' ? { slot, content: CONTENT } : { slot, content: CONTENT, tag: 'span' }
}

function isShown({ picture }: Row): boolean {
  return allLines(picture).some((line) => line.includes(CONTENT))
}
