import type { Key } from '../person/gestures.js'
import { allLines } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'

/** The keys that take the entry on which a cursor stands. */
const TAKING = ['Enter', ' '] as const
const WALKED = ['list box', 'grid']
/** So many entries down, what a pointer chose is looked for. */
const MOST_STEPS = 4

/**
 * Whether the keys of a trail only move a cursor through a list: what it stands on is taken by another key.
 *
 * WAI-ARIA 1.2, section 6.6.7: the entry that has the focus may be the one that is marked.
 */
export async function movesOnlyACursor({ play }: Subject, trail: Trail): Promise<boolean> {
  const { given } = trail
  const moves = trail.moves.filter((move) => !isDone(move, 'leave'))
  const last = moves.at(-1)
  if (!isDone(last, 'key') || !WALKED.includes(last.gesture.on.kind)) return false
  const press = (key: Key) => gesture({ do: 'key', on: last.gesture.on, key })
  // What it stands on may be what is held already: then the next one is looked at.
  for (const further of [[], [press('ArrowDown')], [press('ArrowUp')]])
    for (const key of TAKING) {
      const { rows } = await play({ given, moves: [...moves, ...further, press(key)] })
      const [before, taken] = rows.slice(-2)
      if (taken?.heard.some(({ value }) => value !== undefined) && before?.heard.length === 0) return true
    }
  return false
}

/** Whether lines that stay after a choice are those of the cursor: keys bring them up too, before anything is taken. */
export async function areOfACursor(subject: Subject, way: Way, lines: readonly string[]): Promise<boolean> {
  if (!WALKED.includes(way.control.kind)) return false
  const down = gesture({ do: 'key', on: way.control, key: 'ArrowDown' })
  const moves = Array.from({ length: MOST_STEPS }, () => down)
  const { rows }: Played = await subject.play({ given: way.given, moves })
  const at = rows.findIndex(({ picture }) => lines.every((line) => allLines(picture).includes(line)))
  if (at < 1 || rows.slice(0, at + 1).some(({ heard }) => heard.length > 0)) return false
  return movesOnlyACursor(subject, { given: way.given, moves: moves.slice(0, at) })
}
