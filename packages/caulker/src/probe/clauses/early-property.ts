import { equal, printed } from '../../contract/index.js'
import { clause } from './clause.js'
import { unlikeFresh } from './laws.js'
import { linesOnlyIn } from '../sight/picture.js'
import { tell } from '../stage/trail.js'

/** A property that is set before the element is defined is not lost. */
export const earlyProperty = clause({
  id: 'early-property',
  group: 'down',
  promise:
    'A property that is set before the element is defined counts as one that is set afterwards, and can be changed later.',
  why: 'Pages are often drawn before the module of a component has loaded. A property that was set too early lies on the element, hides the accessor of its class, and from then on every change goes past the component.',
  tried:
    'The element is made where it is not defined, its properties are set, it is upgraded, and then told other values.',
  unprovenWhen: 'No ordinary value of any name can be made.',
  random: 'none',
  onTrial: 'mount',
  asMounted: true,
  needsElement: true,
  concerns: ({ properties, values }) => Object.keys({ ...properties, ...values }).length > 0,
  *trails(subject) {
    for (const { name, only } of subject.tellable) {
      const [value, other] = only === undefined ? subject.plain(name) : []
      // What every element has goes to the platform before the class can take it.
      if (
        value === undefined ||
        name in (subject.document.defaultView as Window & typeof globalThis).HTMLElement.prototype
      )
        continue
      const given = { ...subject.middle, [name]: value }
      yield { given, moves: [], setting: 'early' }
      if (other !== undefined) yield { given, moves: [tell({ [name]: other })], setting: 'early' }
    }
  },
  async judge(subject, { rows, trail }) {
    const { setting: _, ...inTime } = trail
    const usual = await subject.play(inTime)
    for (const [at, row] of rows.entries()) {
      const fresh = usual.rows[at]
      if (fresh === undefined || fresh.fault !== undefined || fresh.unsettled !== undefined) return undefined
      // What shows more than usual has lost nothing.
      const showsAll = at === 0 && linesOnlyIn(fresh.picture, row.picture).length === 0
      const leak = showsAll ? undefined : unlikeFresh(row, rows[Math.max(0, at - 1)] ?? row, fresh)
      if (leak !== undefined)
        return {
          row: at,
          ...leak,
          says:
            at === 0
              ? 'what was set before it was defined is lost'
              : 'what was set before it was defined hides every later change',
          cause: 'the property lies on the element itself, in front of the accessor of its class',
        }
      const unheard = subject.names.find(
        ({ name }) => !equal(row.read[name], fresh.read[name]) && Object.hasOwn(trail.given, name),
      )
      if (unheard !== undefined && equal(fresh.read[unheard.name], row.held[unheard.name]))
        return {
          row: at,
          says: 'what was set before it was defined is lost',
          expected: `${unheard.name} ${printed(fresh.read[unheard.name])}`,
          found: `${unheard.name} ${printed(row.read[unheard.name])}`,
        }
    }
    return undefined
  },
})
