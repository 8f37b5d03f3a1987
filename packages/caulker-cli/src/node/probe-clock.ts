import FakeTimers from '@sinonjs/fake-timers'
import type { Frames } from 'caulker/inside/probe'

/** What of the platform goes by the probe's clock, in a thread and in a page alike. */
export const TIMERS = [
  'setTimeout',
  'clearTimeout',
  'setInterval',
  'clearInterval',
  'requestAnimationFrame',
  'cancelAnimationFrame',
  'Date',
  'performance',
  'requestIdleCallback',
  'cancelIdleCallback',
] as const

const FRAME = 16
const NOON = Date.UTC(2031, 4, 14, 12)

/** A clock that only the probe moves. */
export interface ProbeClock {
  /** Its frames: each shows a component 16 ms of it; `turn` lets what that set off run. */
  frames(turn: () => Promise<void>, report: (error: unknown) => void): Frames
  waiting(): number
  uninstall(): void
}

export function installClock(): ProbeClock {
  const toFake = TIMERS.filter((name) => name in globalThis)
  const clock = FakeTimers.withGlobal(globalThis as never).install({ now: NOON, toFake: toFake as never })
  return {
    frames: (turn, report) => ({
      restart() {
        clock.setSystemTime(NOON)
        clearStorage()
      },
      milliseconds: FRAME,
      isStill: () => clock.countTimers() === 0,
      next() {
        try {
          clock.tick(FRAME)
        } catch (error) {
          report(error)
        }
        return turn()
      },
    }),
    waiting: () => clock.countTimers(),
    uninstall: () => clock.uninstall(),
  }
}

/** What one mount has stored is not there for the next. */
function clearStorage(): void {
  const { localStorage, sessionStorage } = globalThis as { localStorage?: Storage; sessionStorage?: Storage }
  localStorage?.clear()
  sessionStorage?.clear()
}
