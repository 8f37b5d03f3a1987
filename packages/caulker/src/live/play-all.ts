import type { Wiring } from '../machine/index.js'
import type { Script } from '../rehearse/index.js'
import { playLive, type LiveStage, type PlayedLive } from './play-live.js'

/** How many of those that part are cut down: each is played once more for each of its steps. */
const MOST_CUT_DOWN = 8

/**
 * Plays scripts on live components one after another. Of those that part from their ideal in the same way, the first is cut down to the
 * steps that it takes.
 *
 * @param onPlay is told before each time that one is played
 */
export async function playAllLive(
  wiring: Wiring,
  scripts: readonly Script[],
  stage: LiveStage,
  onPlay: (title: string) => void,
): Promise<PlayedLive[]> {
  const known = new Set<string>()
  const played: PlayedLive[] = []
  const play = (script: Script) => {
    onPlay(script.title)
    return playLive(wiring, script, stage)
  }
  for (const script of scripts) {
    const one = await play(script)
    const says = one.parted?.says
    const isNew = says !== undefined && !known.has(says) && known.size < MOST_CUT_DOWN
    played.push(isNew ? await cutDown(one, play) : one)
    if (says !== undefined) known.add(says)
  }
  return played
}

/** Without each step in its turn, from the last one to the first; whatever is said without it, it was not needed for. */
async function cutDown(long: PlayedLive, play: (script: Script) => Promise<PlayedLive>): Promise<PlayedLive> {
  let best = long
  for (let at = trailOf(long).length - 1; at >= 0; at--) {
    if (at >= trailOf(best).length) continue
    const steps = trailOf(best).toSpliced(at, 1)
    const again = await play({ kind: 'script', title: long.title, of: long.of, steps, isWalk: true })
    if (again.parted?.says === long.parted?.says) best = again
  }
  return best
}

function trailOf({ parted }: PlayedLive): NonNullable<PlayedLive['parted']>['trail'] {
  return parted?.trail ?? []
}
