import { accepts, equal, printed, type ValueClause } from '../../contract/index.js'
import type { ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { isOfAForm } from './leading-zero.js'

const MOST_KEYS = 12
/** Of how many keys it has to be seen that each adds what stands on it, before one that does not is held against that. */
const FEWEST_ALIKE = 3

/** Each key of a pad that is drawn, on nothing and on what stands there already. */
export function* padKeys(subject: Subject): Iterable<Trail> {
  for (const start of startsOf(subject))
    for (const on of keysOf(subject)) yield { given: start, moves: [gesture({ do: 'press', on })] }
}

/** Most keys add what stands on them, and this one does not. */
export async function addsAnother(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [value] = subject.values
  const [press, ...others] = trail.moves
  const row = rows[1]
  if (value === undefined || row === undefined || !isDone(press, 'press') || others.length > 0) return undefined
  const keys = keysOf(subject)
  const key = keys.find((one) => equal(one, press.gesture.on))
  if (key === undefined || !startsOf(subject).some((start) => equal(start, trail.given))) return undefined
  const before = rows[0].read[value.name]
  const wanted = `${String(before)}${key.label}`
  if (row.read[value.name] === wanted || !mayStand(subject, value, trail, wanted)) return undefined
  let alike = 0
  for (const on of keys) {
    const { rows: pressed } = await subject.play({ given: trail.given, moves: [gesture({ do: 'press', on })] })
    if (pressed[1]?.read[value.name] === `${String(before)}${on.label}`) alike++
  }
  if (alike < FEWEST_ALIKE) return undefined
  return {
    row: 1,
    says: `the key ${key.label} does not add what stands on it to ${value.name}, as others do`,
    expected: `${value.name} ${printed(wanted)}`,
    found: `${value.name} ${printed(row.read[value.name])}`,
  }
}

/** Buttons that show a single letter or digit. */
function keysOf({ controls }: Subject): ControlRef[] {
  return controls.filter(({ kind, label }) => kind === 'button' && /^[\p{L}\p{N}]$/u.test(label)).slice(0, MOST_KEYS)
}

/** A short text; and nothing, where a zero that stands first counts. */
function startsOf({ values, middle, plain }: Subject): Trail['given'][] {
  const [value, ...others] = values
  if (value === undefined || others.length > 0) return []
  const texts = plain(value.name).filter((one) => typeof one === 'string' && one !== '')
  const [short] = [...texts].sort((one, other) => String(one).length - String(other).length)
  const starts = [...(short === undefined ? [] : [short]), ...(isOfAForm(value) && accepts(value.type, '') ? [''] : [])]
  return starts.map((one) => ({ ...middle, [value.name]: one }))
}

function mayStand({ ideally }: Subject, { name, type }: ValueClause, { given }: Trail, wanted: string): boolean {
  return accepts(type, wanted) && equal(ideally(name, { ...given, [name]: wanted }), wanted)
}
