import { findControl, type ControlRef } from '../person/controls.js'
import { printed, valueAt } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { oneAtEach, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** WAI-ARIA 1.2, section 5.3.26, and HTML Standard, section 4.10.5: what a control says of where it stands, and between what. */
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

function rangeAt(on: ControlRef): (container: HTMLElement) => Range | undefined {
  return (container) => {
    const element = findControl(container, on) as (Partial<HTMLInputElement> & HTMLElement) | undefined
    if (element?.localName !== 'input') return undefined
    const [now, least, most, step] = [element.value, element.min || '0', element.max || '100', element.step || '1'].map(
      Number,
    ) as [number, number, number, number]
    return [now, least, most].some(Number.isNaN) ? undefined : { now, least, most, step: Number.isNaN(step) ? 0 : step }
  }
}
