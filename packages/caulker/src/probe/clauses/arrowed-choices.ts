import type { Given } from '../../mount/index.js'
import type { ControlRef } from '../person/controls.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isGesture, type Trail } from '../stage/trail.js'
import { oneAtEach, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** An arrow key and a press at each of some radio buttons, also where none of them is chosen yet. */
export function* arrowed({ controls, middle, base, values, ways }: Subject): Iterable<Trail> {
  const [value] = values
  const unchosen = (given: Given) => (value?.empty === null ? [given, { ...given, [value.name]: null }] : [given])
  const isRadio = ({ kind }: ControlRef) => kind === 'radio button'
  // A list that may be left out is filled on mounts of its own.
  const found = oneAtEach(ways.filter(({ control }) => isRadio(control)))
  const radios = controls.some(isRadio) ? controls.filter(isRadio) : found.map(({ control }) => control)
  const mounts = controls.some(isRadio)
    ? [...unchosen(middle), base]
    : found.slice(0, 1).flatMap((way) => unchosen(way.given))
  for (const given of mounts)
    for (const on of radios)
      for (const one of [gesture({ do: 'key', on, key: 'ArrowDown' }), gesture({ do: 'press', on })])
        yield { given, moves: [one] }
}

/** WAI-ARIA 1.2, section 6.6.2: what says that it is disabled is not chosen, by no way in. */
export function chosenThoughDisabled(_subject: Subject, { rows }: Played): LeakAt | undefined {
  for (const [at, row] of rows.entries()) {
    if (at === 0 || !isGesture(row.move)) continue
    const off = (rows[at - 1] as Row).picture.lines.flatMap((line) => /^\( \) (.+) \(disabled/.exec(line)?.[1] ?? [])
    const chosen = off.find((name) => row.picture.lines.some((line) => line.startsWith(`(•) ${name}`)))
    if (chosen !== undefined && row.heard.length > 0)
      return {
        row: at,
        says: `a person chooses ${chosen}, which says that it is disabled`,
        expected: `( ) ${chosen}`,
        found: `(•) ${chosen}`,
        cause: 'one of the ways in does not look whether it can be chosen',
      }
  }
  return undefined
}
