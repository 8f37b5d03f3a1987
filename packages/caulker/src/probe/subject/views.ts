import { equal } from '../../contract/index.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { isGesture, trailKey, type Move } from '../stage/trail.js'
import type { Given } from '../../mount/index.js'
import type { Subject, Way } from './subject.js'

/** A press that only shows something otherwise, such as a fold, and the press that takes it back. */
export interface View {
  readonly given: Given
  readonly moves: readonly Move[]
  readonly back: readonly Move[]
}

/** What a person can turn over and back without having edited anything. */
export async function viewsOf(subject: Subject): Promise<View[]> {
  const presses = subject.ways.filter(
    ({ moves, changes }) => changes.size === 0 && moves.length === 1 && isPress(moves),
  )
  const views: View[] = []
  for (const way of presses) {
    const view = await viewOf(subject, way, [way, ...presses.filter((other) => other !== way)])
    if (view !== undefined) views.push(view)
  }
  return views
}

/** It comes back at least where every value stands at its default: that it does not elsewhere may be a leak. */
async function viewOf(subject: Subject, { given, moves }: Way, backs: readonly Way[]): Promise<View | undefined> {
  const defaults = Object.fromEntries(subject.values.map((value) => [value.name, value.default]))
  for (const from of [given, { ...given, ...defaults }])
    for (const { moves: back } of backs) {
      const played = await subject.play({ given: from, moves: [...moves, ...back] })
      const last = played.rows[2]
      if (last !== undefined && isSilent(subject, played) && samePicture(last.picture, played.rows[0].picture))
        return { given: from, moves, back }
    }
  return undefined
}

/** Those of some moves that only show something otherwise. */
export async function viewsAmong(subject: Subject, moves: readonly Move[]): Promise<Move[]> {
  if (!moves.some((move) => isPress([move]))) return []
  const known = new Set((await viewsOf(subject)).map(({ moves: [press] }) => trailKey(press)))
  return moves.filter((move) => known.has(trailKey(move)))
}

/** Whether it went through to its end, said nothing, and holds what it held. */
export function isSilent({ values }: Subject, { trail, rows }: Played): boolean {
  return (
    rows.length > trail.moves.length &&
    rows.every(({ fault, unsettled, impossible }) => (fault ?? unsettled ?? impossible) === undefined) &&
    rows.slice(1).every((row, at) => !isGesture(row.move) || isUntouched(values, rows[at] as Row, row))
  )
}

function isUntouched(values: Subject['values'], before: Row, row: Row): boolean {
  return row.heard.length === 0 && values.every(({ name }) => equal(before.read[name], row.read[name]))
}

function isPress([move]: readonly Move[]): boolean {
  return isGesture(move) && move.gesture.do === 'press'
}
