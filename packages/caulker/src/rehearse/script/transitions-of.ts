import type { Wiring } from '../../machine/index.js'
import { transitionText } from '../explore/transitions.js'
import type { Move } from '../play/move.js'
import { playOf } from '../play/play.js'

/** The transitions that a trail passes over, in their order. */
export function transitionsOf(wiring: Wiring, trail: readonly Move[]): string[] {
  const play = playOf(wiring)
  const { driver } = play.stage
  return trail.map((move) => {
    const from = driver.front()
    play.perform(move)
    return transitionText(from, move, driver.front())
  })
}
