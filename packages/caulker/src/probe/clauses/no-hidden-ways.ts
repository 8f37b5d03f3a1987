import { equal, isGuessed, printed } from '../../contract/index.js'
import { membersOf } from '../adopt/members.js'
import { clause } from './clause.js'
import { pictureDifference } from './laws.js'
import { samePicture } from '../sight/picture.js'

const TRIED = [true, 7, 'oakum']

/** What is public is in the contract. */
export const noHiddenWays = clause({
  id: 'no-hidden-ways',
  group: 'commands',
  promise: 'Nothing outside its contract changes what it shows or holds.',
  why: 'A setter that no contract names is found by somebody and used: from then on nobody knows who else writes the value.',
  tried: 'Each public setter of its class that the contract does not name is set to a flag, a number and a text.',
  unprovenWhen: 'Its contract is guessed, and does not claim to be whole.',
  random: 'none',
  onTrial: 'mount',
  needsElement: true,
  concerns: ({ properties, values }) => Object.keys({ ...properties, ...values }).length > 0,
  *trails({ contract, define, document, middle }) {
    if (define === undefined || isGuessed(contract)) return
    const declared = Object.keys({ ...contract.properties, ...contract.values, ...contract.readings })
    const { accessors } = membersOf(define.prototype as HTMLElement, document.defaultView as never)
    const hidden = accessors.filter(({ name, isSettable }) => isSettable && !declared.includes(name))
    if (hidden.length === 0) yield { given: middle, moves: [] }
    for (const { name } of hidden) for (const to of TRIED) yield { given: middle, moves: [{ undeclared: name, to }] }
  },
  judge(_subject, { rows }) {
    for (const [at, row] of rows.entries()) {
      const before = rows[at - 1]
      if (before === undefined || row.move === undefined || !('undeclared' in row.move)) continue
      const name = row.move.undeclared
      const unlike = Object.keys(row.read).find((one) => !equal(row.read[one], before.read[one]))
      if (unlike === undefined && samePicture(row.picture, before.picture)) continue
      return {
        row: at,
        says: `${name} is public, is in no contract, and changes it`,
        ...(unlike === undefined
          ? pictureDifference(before.picture, row.picture)
          : { expected: `${unlike} ${printed(before.read[unlike])}`, found: `${unlike} ${printed(row.read[unlike])}` }),
      }
    }
    return undefined
  },
})
