import type { ControlRef } from '../person/controls.js'
import { printed, valueAt } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { oneAtEach, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { saidRange } from './said-range.js'

interface Range {
  readonly now: number
  readonly least: number
  readonly most: number
  readonly step: number
}

/** A slider that takes a value as it is set there, and stands elsewhere where that is given. */
export async function standsElsewhere(subject: Subject, { trail, rows: [row] }: Played): Promise<LeakAt | undefined> {
  if (row.fault !== undefined) return undefined
  const sliders = oneAtEach(
    subject.ways.filter(({ control, plainly }) => control.kind === 'slider' && plainly.size === 1),
  )
  for (const { control, plainly } of sliders) {
    const [name = ''] = plainly.keys()
    const value = valueAt(row.read, [name])
    const range = typeof value === 'number' ? await subject.look(trail.given, rangeAt(control)) : undefined
    if (range === undefined || typeof value !== 'number' || value < range.least || value > range.most) continue
    if (Math.abs(range.now - value) <= range.step / 2 + 1e-9) continue
    return {
      row: 0,
      says: `${name} is given, and its slider stands elsewhere`,
      expected: `the slider “${control.label}” at ${printed(value)}`,
      found: `the slider “${control.label}” at ${range.now}`,
      cause: `the slider is never set to ${name}`,
    }
  }
  return undefined
}

/** HTML Standard, section 4.10.5.1.13: where a slider of the browser's own stands, and between what. */
function rangeAt(on: ControlRef): (container: HTMLElement) => Range | undefined {
  const rangeOf = saidRange(on)
  return (container) => {
    const { element, now, least, most } = rangeOf(container) ?? {}
    if (element?.localName !== 'input') return undefined
    const step = Number(element.getAttribute('step') ?? 1)
    const range = { now: Number(now), least: Number(least || 0), most: Number(most || 100) }
    return Object.values(range).some(Number.isNaN) ? undefined : { ...range, step: Number.isNaN(step) ? 0 : step }
  }
}
