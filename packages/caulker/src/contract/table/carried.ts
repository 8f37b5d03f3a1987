import { usually, type Said } from './entry.js'
import { carriedNames } from './kind.js'

/** What an event carries beside what it is about: the same for the report of a value and for any other event. */
export const carries = usually<Readonly<Record<string, string>>>(
  {},
  {
    says: 'What else it carries: JSON Pointers from the event object, each with the property or value that stands there as it is then.',
    kind: carriedNames,
    changed: (old, now, of) =>
      [...new Set([...Object.keys(old), ...Object.keys(now)])]
        .filter((place) => old[place] !== now[place])
        .map((place): Said => [
          old[place] === undefined ? 'minor' : 'major',
          `${of} carries ${now[place] ?? 'nothing'} at ${place}, and did ${old[place] ?? 'nothing'}`,
        ]),
    sheet: (all) => `carries ${Object.values(all).join(', ')}`,
  },
)
