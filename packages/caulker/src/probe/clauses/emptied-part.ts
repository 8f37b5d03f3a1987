import { equal } from '../../contract/index.js'
import type { ControlKind } from '../person/controls.js'
import { isPlaced } from '../person/gestures.js'
import type { Row } from '../stage/played.js'
import { isGesture } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'

/** A value of several fields is nothing as long as one of them is empty: what stands in the others may stay. */
export function isEmptiedPart({ ways, values }: Subject, rows: readonly Row[], name: string): boolean {
  const clause = values.find((value) => value.name === name)
  const on = rows
    .map(({ move }) => (isGesture(move) && isPlaced(move.gesture) ? move.gesture.on : undefined))
    .findLast((one) => one !== undefined)
  if (on === undefined || clause === undefined || !equal(rows.at(-1)?.held[name], clause.empty)) return false
  const fields = ways.filter(({ changes, control }) => changes.has(name) && PARTS.includes(control.kind))
  return (
    PARTS.includes(on.kind) &&
    fields.some(({ control }) => equal(control, on)) &&
    fields.some(({ control }) => !equal(control, on))
  )
}

const PARTS: readonly ControlKind[] = ['text field', 'number field', 'select', 'spin button']
