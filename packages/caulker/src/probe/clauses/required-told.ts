import { clause, type Examined } from './clause.js'
import { ledgerOf } from '../stage/ledger.js'
import { linesOnlyIn } from '../sight/picture.js'
import { without } from '../stage/trail.js'

const SILENT = 'It says nothing, and shows nothing that nobody gave: whether that is enough only its owner can tell.'

/** What programs say where they have nothing to say. */
const MACHINE_WORDS = /\b(?:undefined|null|NaN)\b|\[object Object\]/

/** A missing required property is said, not swallowed. */
export const requiredTold = clause({
  id: 'required-told',
  group: 'down',
  promise: 'Where something that it requires is missing it says so, and shows no “undefined” to a person.',
  why: 'A label that was forgotten is noticed by nobody until a person reads “undefined” beside a field.',
  tried:
    'It is mounted without each name that it requires; an error, a warning on the console, or anything but machine words is looked for.',
  unprovenWhen: SILENT,
  random: 'none',
  onTrial: 'mount',
  asMounted: true,
  concerns: ({ required }) => required.length > 0,
  *trails() {},
  judge: () => undefined,
  async examine(subject): Promise<Examined> {
    const whole = await subject.fresh(subject.least)
    let said = 0
    for (const name of subject.contract.required as readonly string[]) {
      const played = await subject.play({ given: without(subject.least, name), moves: [] })
      const [row] = played.rows
      if (row.fault !== undefined || row.around.said > 0) {
        said++
        continue
      }
      const word = linesOnlyIn(row.picture, whole.picture).find((line) => MACHINE_WORDS.test(line))
      if (word !== undefined)
        return {
          leak: {
            says: `${name} is missing, and a person is shown “${MACHINE_WORDS.exec(word)?.[0] ?? ''}”`,
            expected: `an error or a warning that names ${name}`,
            found: `shown ${word}`,
            ledger: ledgerOf(subject.contract, played, 0),
          },
        }
    }
    return said > 0 ? { held: said } : { unproven: SILENT }
  },
})
