import { equal } from '../../contract/index.js'
import { componentRef, type ControlRef } from '../person/controls.js'
import { foundControls } from '../person/operate.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isGesture, isPress, trailKey, type Move } from '../stage/trail.js'
import type { Given } from '../../mount/index.js'
import { onceFor } from './once-for.js'
import type { Subject, Way } from './subject.js'

/** A press that only shows something otherwise, such as a fold, and the press or the Escape that takes it back. */
export interface View {
  readonly given: Given
  readonly moves: readonly Move[]
  readonly back: readonly Move[]
}

/** How many buttons are tried to take a press back. */
const MOST_BACKS = 8
/** And how many of those that the press has brought along. */
const MOST_COME = 3

/** What a person can turn over and back without having edited anything. */
export const viewsOf = onceFor(foundViews)

/** The presses that change no value: they may bring something up. */
export function bringingUp({ ways }: Subject): Way[] {
  return ways.filter(({ moves, changes }) => changes.size === 0 && moves.length === 1 && isPress(moves))
}

async function foundViews(subject: Subject): Promise<View[]> {
  const presses = bringingUp(subject)
  const views: View[] = []
  const isButton = ({ kind }: ControlRef) => kind === 'button'
  const usual = subject.controls.filter(isButton).slice(0, MOST_BACKS)
  const escape = gesture({ do: 'key', on: componentRef(subject.contract.tag), key: 'Escape' })
  for (const way of presses) {
    const there = (await subject.lookAfter(way.given, way.moves, foundControls)) ?? []
    const come = there.map(({ ref }) => ref).filter((ref) => isButton(ref) && !usual.some((one) => equal(one, ref)))
    const backs = [...[...usual, ...come.slice(0, MOST_COME)].map((on) => [gesture({ do: 'press', on })]), [escape]]
    const view = await viewOf(subject, way, [way.moves, ...backs])
    if (view !== undefined) views.push(view)
  }
  return views
}

/** It comes back at least where every value stands at its default: that it does not elsewhere may be a leak. */
async function viewOf(
  subject: Subject,
  { given, moves }: Way,
  backs: readonly (readonly Move[])[],
): Promise<View | undefined> {
  const defaults = Object.fromEntries(subject.values.map((value) => [value.name, value.default]))
  for (const from of [given, { ...given, ...defaults }])
    for (const back of backs) {
      const played = await subject.play({ given: from, moves: [...moves, ...back] })
      const last = played.rows[2]
      if (
        last !== undefined &&
        isSilent(subject, played, equal(back, moves)) &&
        samePicture(last.picture, played.rows[0].picture)
      )
        return { given: from, moves, back }
    }
  return undefined
}

/** Where among some moves something is only shown otherwise. */
async function viewsAmong(subject: Subject, moves: readonly Move[]): Promise<number[]> {
  const isQuiet = (move: Move) => subject.ways.some((way) => way.changes.size === 0 && equal(way.moves, [move]))
  if (!moves.some((move) => isPress([move]) && isQuiet(move))) return []
  const views = new Set((await viewsOf(subject)).map(({ moves: [press] }) => trailKey(press)))
  return moves.flatMap((move, at) => (views.has(trailKey(move)) ? [at] : []))
}

/** From which row of a trail on something is turned over, and the subject as it is measured from there. */
export interface TurnedOver {
  readonly row: number
  /** Its fresh mounts are turned over alike: a tab that a person has opened is opened there, too. */
  readonly subject: Subject
}

/** One after the other; what a tell or a reset has itself brought back is compared with a fresh mount as it is. */
export async function turnedOver(subject: Subject, { trail, rows }: Played): Promise<TurnedOver[]> {
  const views = await viewsAmong(subject, trail.moves)
  return views.map((at, count) => {
    const row = at + 1
    const moves = views.slice(0, count + 1).map((place) => trail.moves[place] as Move)
    const since = rows.slice(row, (views[count + 1] ?? rows.length) + 1)
    const fresh = async (given: Given) => {
      const plain = await subject.fresh(given)
      const like = since.filter(({ held }) => equal({ ...held, ...given }, held))
      if ((like.length > 0 ? like : since).some(({ picture }) => samePicture(picture, plain.picture))) return plain
      const turned = await subject.play({ given, moves })
      return isSilent(subject, turned, true) ? (turned.rows[moves.length] ?? plain) : plain
    }
    return { row, subject: { ...subject, fresh, judgedFrom: row } }
  })
}

/**
 * Whether it went through to its end, said nothing, and holds what it held.
 *
 * @param mayTell whether it may say that it was turned over, as long as it reports no value
 */
export function isSilent({ values }: Subject, { trail, rows }: Played, mayTell = false): boolean {
  return (
    rows.length > trail.moves.length &&
    rows.every(({ fault, unsettled, impossible }) => (fault ?? unsettled ?? impossible) === undefined) &&
    rows.slice(1).every((row, at) => !isGesture(row.move) || isUntouched(values, rows[at] as Row, row, mayTell))
  )
}

function isUntouched(values: Subject['values'], before: Row, row: Row, mayTell: boolean): boolean {
  const isQuiet = row.heard.every(({ value }) => mayTell && value === undefined)
  return isQuiet && values.every(({ name }) => equal(before.read[name], row.read[name]))
}
