import { equal } from '../../contract/index.js'
import type { ControlKind } from '../person/controls.js'
import { foundControls } from '../person/operate.js'
import { samePicture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import { furnished } from '../subject/other-mounts.js'
import type { Subject, Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

const MOST_BOXES = 6

/** Every box and switch, clicked once, where the lists that may be left out are filled. */
export async function* eachTick(subject: Subject): AsyncIterable<Trail> {
  for (const given of [subject.middle, ...furnished(subject)]) {
    const ticks = ((await subject.look(given, foundControls)) ?? []).filter(({ ref }) => TICKS.includes(ref.kind))
    for (const { ref } of ticks.slice(0, MOST_BOXES)) yield { given, moves: [gesture({ do: 'press', on: ref })] }
  }
}

const TICKS: readonly ControlKind[] = ['checkbox', 'switch']

/** Of several boxes one that does nothing at all, where another changes a value. */
export function deadTick({ values, ways }: Subject, { trail, rows: [first, clicked] }: Played): LeakAt | undefined {
  const [press] = trail.moves
  if (clicked === undefined || trail.moves.length !== 1 || !isDone(press, 'press') || clicked.impossible !== undefined)
    return undefined
  const { on } = press.gesture
  const isStill = values.every(({ name }) => equal(first.read[name], clicked.read[name]))
  if (!TICKS.includes(on.kind) || !isStill || clicked.heard.length > 0 || !samePicture(first.picture, clicked.picture))
    return undefined
  const isOther = ({ control }: Way) => control.kind === on.kind && !equal(control, on)
  const other = ways.find((way) => isOther(way) && way.changes.size > 0 && equal(way.given, trail.given))
  return (
    other && {
      row: 1,
      says: `a click on the ${on.kind} “${on.label}” does nothing`,
      expected: `a report, as of the ${on.kind} “${other.control.label}”`,
      found: 'nothing is heard, and nothing changes',
      cause: 'nobody hears it',
    }
  )
}
