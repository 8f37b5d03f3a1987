import { equal, printed, valueClauses, crossedText, isBelow } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import type { ControlRef } from '../person/controls.js'
import { isPlaced, type Key } from '../person/gestures.js'
import type { Row } from '../stage/played.js'
import { gesture, isDone, isGesture, settlesEdits, tell } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'

/** The ends of a pair never cross. */
export const pairInOrder = clause({
  id: 'pair-in-order',
  group: 'bounds',
  promise:
    'The ends of a pair never cross: the one that is moved stops at the other, and a crossed pair is not taken from its owner either.',
  why: 'From 9 to 4 selects nothing, or everything, and no server knows which was meant.',
  tried:
    'Everything that a person can do, once and several times, from pairs that stand close together; a crossed pair is told.',
  unprovenWhen: 'No pair could be given, and nothing changes one.',
  random: 'any',
  onTrial: 'gesture',
  concerns: (contract) => valueClauses(contract).some(({ ordered }) => ordered),
  *trails(subject) {
    for (const value of subject.values.filter(({ ordered }) => ordered))
      for (const pair of [value.default, ...subject.plain(value.name)].filter(Array.isArray)) {
        const [low, high] = pair as [unknown, unknown]
        if (isBelow(low, high))
          yield {
            given: { ...subject.base, [value.name]: pair },
            moves: [tell({ [value.name]: [high, low] })],
            unbounded: true,
          }
        const { gap } = subject.limits(value, subject.base)
        if (typeof low === 'number' && gap > 0)
          yield {
            given: { ...subject.base, [value.name]: pair },
            moves: [tell({ [value.name]: [low, low + gap / 2] })],
            unbounded: true,
          }
      }
    for (const value of subject.values.filter(({ ordered }) => ordered))
      for (const pair of closePairs(
        [...subject.plain(value.name), value.default],
        subject.limits(value, subject.middle).gap,
      ))
        for (const way of subject.ways.flatMap(bothWays)) {
          const given = { ...way.given, [value.name]: pair }
          if (subject.ideally(value.name, given) === undefined) continue
          yield { given, moves: way.moves }
          yield { given, moves: [...way.moves, ...way.moves, ...way.moves] }
        }
  },
  async judge(subject, { rows }) {
    for (const [at, row] of rows.entries()) {
      const pushed = await pushedAlong(subject, rows, at)
      if (pushed !== undefined) return pushed
      for (const value of subject.values.filter(({ ordered }) => ordered)) {
        const limits = subject.limits(value, row.held)
        const reported = row.heard.find(
          (one) => one.value === value.name && crossedText(one.payload, limits) !== undefined,
        )
        // What a gap that grows leaves too close stands until it is moved, and may be moved in steps.
        const isMoved = at === 0 || !equal(row.read[value.name], rows[at - 1]?.read[value.name])
        const stands = reported?.payload ?? (isMoved && settlesEdits(row.move) ? row.read[value.name] : undefined)
        const crossed = crossedText(stands, limits)
        if (crossed !== undefined && crossedText(rows[at - 1]?.read[value.name], limits) === undefined)
          return {
            row: at,
            says: `the ends of ${value.name} are crossed`,
            expected: 'the end that is moved stops at the other',
            found: `${value.name} ${printed(stands)}`,
          }
      }
    }
    return undefined
  },
})

/** A key that goes one way, and the one that goes back. */
function bothWays(way: Way): Way[] {
  const [first, ...others] = way.moves
  const back = isDone(first, 'key') ? BACK[first.gesture.key] : undefined
  if (back === undefined || !isDone(first, 'key') || others.length > 0) return [way]
  return [way, { ...way, moves: [gesture({ ...first.gesture, key: back })] }]
}

const BACK: Readonly<Record<string, Key>> = {
  ArrowUp: 'ArrowDown',
  ArrowRight: 'ArrowLeft',
  ArrowDown: 'ArrowUp',
  ArrowLeft: 'ArrowRight',
}

/** A control of one end moves the other, too, where it would have to stop: alone it was seen to move only its own. */
async function pushedAlong(subject: Subject, rows: readonly Row[], at: number): Promise<LeakAt | undefined> {
  const [row, before] = [rows[at] as Row, rows[at - 1]]
  if (before === undefined || !isGesture(row.move) || !isPlaced(row.move.gesture)) return undefined
  const { on } = row.move.gesture
  for (const { name } of subject.values.filter(({ ordered }) => ordered)) {
    if (endsMoved(before.read[name], row.read[name]) < 2) continue
    if (!(await movesOneEnd(subject, name, on))) continue
    return {
      row: at,
      says: `one end of ${name} pushes the other along`,
      expected: 'the end that is moved stops at the other',
      found: `${name} ${printed(before.read[name])} becomes ${printed(row.read[name])}`,
    }
  }
  return undefined
}

/** Whether all that was done at a control, where there was room, has moved one end alone. */
async function movesOneEnd(subject: Subject, name: string, on: ControlRef): Promise<boolean> {
  const ways = subject.ways.filter(({ control, changes }) => changes.has(name) && equal(control, on))
  for (const { given, moves } of ways) {
    const { rows } = await subject.play({ given, moves })
    if (endsMoved(rows[0].read[name], rows.at(-1)?.read[name]) !== 1) return false
  }
  return ways.length > 0
}

function endsMoved(before: unknown, after: unknown): number {
  if (!Array.isArray(before) || !Array.isArray(after)) return 0
  return (after as unknown[]).filter((end, at) => !equal(end, before[at])).length
}

/** Each pair as it is, and with both ends as close together as they may be. */
function closePairs(pairs: readonly unknown[], gap: number): unknown[] {
  return pairs.flatMap((pair) => {
    if (!Array.isArray(pair) || pair.length !== 2) return []
    const [low] = pair as [unknown]
    return [[low, typeof low === 'number' ? low + gap : low], pair]
  })
}
