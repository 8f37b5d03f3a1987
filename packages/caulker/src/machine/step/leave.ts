import type { Leaving } from '../plan/index.js'
import { isShown } from './asked.js'
import { computeWaiting } from './reckon.js'
import { isOfUncorrected } from './unfinished.js'
import { frontOf, problemsOf, put, screenOf, setProblem, wayOf, type Work } from './work.js'

/** Somebody wants to go elsewhere: what is being typed is committed first, as for a submit. */
export function wantToGo(work: Work, leaving: Leaving): void {
  const { machine, slots } = work
  if (slots[machine.slots.leaving] !== undefined) return
  put(work, machine.slots.leaving, leaving)
  const screen = frontOf(work)
  for (const [place, { from }] of Object.entries(problemsOf(work, screen)))
    if ((from === 'refusal' && !isOfUncorrected(work, screen, place)) || from === 'way') setProblem(work, screen, place)
  commitAll(work, screen)
}

/** On to another screen; what follows on the way is given up. */
export function wantOn(work: Work, to: number): void {
  const { entries, at } = wayOf(work)
  wantToGo(work, { entries: [...entries.slice(0, at + 1), to], at: at + 1, isTravel: false })
}

/** Back to where a person came from. */
export function wantBack(work: Work): void {
  const { entries, at } = wayOf(work)
  if (at > 0) wantToGo(work, { entries, at: at - 1, isTravel: false })
}

/** The screen stays in front, and says why. */
export function stay(work: Work, reason: string, isTravel: boolean): void {
  setProblem(work, frontOf(work), '', { text: reason, from: 'way' })
  work.owed.push({ effect: 'stay', at: wayOf(work).at, reason, isTravel })
}

/** What is being typed anywhere on a screen is finished. */
export function commitAll(work: Work, screen: number): void {
  computeWaiting(work)
  const shown = screenOf(work, screen).fittings.filter((at) => isShown(work, at))
  work.owed.push({ effect: 'commit', screen, fittings: shown })
}
