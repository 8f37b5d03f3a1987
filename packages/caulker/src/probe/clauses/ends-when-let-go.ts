import { equal, printed } from '../../contract/index.js'
import { ledgerOf } from '../stage/ledger.js'
import type { Played, Row } from '../stage/played.js'
import { isPlaced, type Gesture } from '../person/gestures.js'
import { gesture, isDone, type Move } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'
import { clause, type Examined } from './clause.js'
import type { Given } from '../../mount/index.js'

/** How long a button is held, and how long it is looked at afterwards: longer than the delay before a key repeats. */
const HELD = 700
const AFTER = 500

const NOTHING_RUNS = 'No button goes on by itself while it is held, and nothing is dragged.'

interface Wrong {
  readonly says: string
  readonly cause: string
}

/** What ends a press, and what is wrong where what runs, or follows a drag, goes on. */
const ENDS: readonly (Wrong & { readonly move: Move; readonly ofDrag: Wrong })[] = [
  {
    move: gesture({ do: 'release' }),
    says: 'it goes on after the pointer was let go beside it',
    cause: 'it hears the end of a press only on the button itself',
    ofDrag: {
      says: 'a drag goes on after the pointer was let go beside it',
      cause: 'it does not hear where the pointer goes up; it needs to capture it, or to listen on the window',
    },
  },
  {
    move: gesture({ do: 'cancel' }),
    says: 'it goes on after the pointer was taken away',
    cause: 'it does not hear pointercancel',
    ofDrag: { says: 'a drag goes on after the pointer was taken away', cause: 'it does not hear pointercancel' },
  },
  {
    move: { place: 'away' },
    says: 'it goes on after it was taken out of the page',
    cause: 'its timer is not stopped when it is removed',
    ofDrag: {
      says: 'a drag goes on after it was taken out of the page',
      cause: 'what it listens to on the page while it is dragged is not taken away when it is removed',
    },
  },
]

/** What runs while a button is held, or follows a drag, ends with the press. */
export const endsWhenLetGo = clause({
  id: 'ends-when-let-go',
  group: 'life',
  promise:
    'What runs while a button is held ends when it is let go anywhere, when the pointer is taken away, and when it is removed; so does a drag.',
  why: 'The finger slides off the button, or the panel closes under it, and the temperature climbs on by itself with nothing to stop it.',
  tried:
    'Each button that goes on by itself while it is held is let go beside it, loses its pointer, and is taken out of the page; so is what is dragged, in the middle of a drag, and the pointer comes over it once more.',
  unprovenWhen: NOTHING_RUNS,
  random: 'none',
  onTrial: 'gesture',
  needsElement: true,
  concerns: ({ values, events }) => Object.keys(values).length + Object.keys(events).length > 0,
  *trails() {},
  judge: () => undefined,
  async examine(subject): Promise<Examined> {
    let held = 0
    for (const { given: usual, press } of presses(subject)) {
      const hold = gesture({ do: 'hold', on: press })
      const given = await runningFrom(subject, usual, hold)
      if (given === undefined) continue
      for (const { move, says, cause } of ENDS) {
        const played = await subject.playAnew({ given, moves: [hold, { wait: HELD }, move, { wait: AFTER }] })
        held++
        // It may have come to its end before it was quiet: more than the one report with which a press ends is too much, too.
        const at = movesOn(subject, played, 4) ? 4 : (played.rows[3]?.heard.length ?? 0) > 1 ? 3 : undefined
        if (at === undefined) continue
        return {
          leak: {
            says,
            cause,
            expected: 'nothing more',
            found: whatCame(played.rows[at] as Row),
            ledger: ledgerOf(subject.contract, played, at),
          },
        }
      }
    }
    for (const { given, grab } of drags(subject)) {
      for (const { move, ofDrag } of ENDS) {
        // Who comes over it later, with no button down, drags nothing either.
        const over = isPlaced(grab) && !('place' in move) ? [gesture({ do: 'hover', on: grab.on })] : []
        const moves = [gesture(grab), move, gesture({ do: 'move' }), gesture({ do: 'release' }), ...over]
        const played = await subject.playAnew({ given, moves })
        if (played.rows[1]?.impossible !== undefined) break
        held++
        const at = [3, 5].find((one) => movesOn(subject, played, one))
        if (at === undefined) continue
        return {
          leak: {
            ...ofDrag,
            expected: 'nothing more',
            found: whatCame(played.rows[at] as Row),
            ledger: ledgerOf(subject.contract, played, at),
          },
        }
      }
    }
    return held > 0 ? { held } : { unproven: NOTHING_RUNS, applies: false }
  },
})

/** The buttons that change something when they are pressed. */
function presses({ ways }: Subject): { given: Way['given']; press: Way['control'] }[] {
  const found = ways.flatMap(({ given, moves: [first, ...rest], control }) =>
    rest.length === 0 && isDone(first, 'press') && control.kind === 'button'
      ? [{ given, press: first.gesture.on }]
      : [],
  )
  const seen = new Set<string>()
  return found.filter(({ press }) => !seen.has(JSON.stringify(press)) && seen.add(JSON.stringify(press))).slice(0, 3)
}

/** From where it runs on the longest: it may come to one end of its bounds before it is let go, and not from the other. */
async function runningFrom(subject: Subject, usual: Given, hold: Move): Promise<Given | undefined> {
  let longest: { readonly given: Given; readonly reports: number } | undefined
  for (const given of [usual, ...atEnds(subject, usual)]) {
    const running = await subject.playAnew({ given, moves: [hold, { wait: HELD }, { wait: AFTER }] })
    if (given === usual && !movesOn(subject, running, 2)) return undefined
    const reports = running.rows[3]?.heard.length ?? 0
    if (longest === undefined || reports > longest.reports) longest = { given, reports }
  }
  return longest?.given
}

function atEnds(subject: Subject, given: Given): Given[] {
  return subject.values.flatMap((value) => {
    const { least, most } = subject.limits(value, given)
    return [least, most].flatMap((end) => (typeof end === 'number' ? [{ ...given, [value.name]: end }] : []))
  })
}

/** The drags that change something, with the pointer kept down. */
export function drags({ ways }: Subject): { given: Way['given']; grab: Gesture }[] {
  return ways
    .flatMap(({ given, moves: [first, ...rest] }) =>
      rest.length === 0 && isDone(first, 'drag') ? [{ given, grab: { ...first.gesture, do: 'grab' as const } }] : [],
    )
    .slice(0, 2)
}

/** Whether something was reported or changed at a row where nothing was done. */
function movesOn({ values }: Subject, { rows }: Played, at: number): boolean {
  const [before, now] = [rows[at - 1], rows[at]]
  if (before === undefined || now === undefined) return false
  return now.heard.length > 0 || values.some(({ name }) => !equal(before.read[name], now.read[name]))
}

function whatCame({ heard, read }: Row): string {
  const last = heard[heard.length - 1]
  if (last === undefined) return `it holds ${printed(Object.values(read)[0])}`
  return `heard ${last.event} ${printed(last.payload)}${heard.length > 1 ? `, the last of ${heard.length}` : ''}`
}
