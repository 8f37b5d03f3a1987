import { journeyRows } from './journey-rows.js'
import { idealPlayer } from './ideal-player.js'
import { pagePlayer } from './page-player.js'
import { pageRows } from './page-rows.js'
import { parting } from './random-wiring.js'
import { rows } from './rows.js'
import '../fixtures/interiors/yard-name.js'

/** Plays every row in the page that it stands in; what went wrong, by the row's sentence. */
async function playAll(): Promise<Record<string, string>> {
  const player = pagePlayer(window as never)
  const wrong: Record<string, string> = {}
  for (const { at, play } of [...rows, ...journeyRows, ...pageRows]) {
    await quiet()
    history.replaceState(null, '', '#')
    try {
      await play(player)
    } catch (error) {
      wrong[at] = String((error as Error).stack ?? error)
    }
  }
  return wrong
}

/** A browser turns pages when it comes to it: what an earlier row asked for is over after as long as nothing turned. */
async function quiet(): Promise<void> {
  let turns = 0
  const heard = () => void turns++
  addEventListener('popstate', heard)
  for (let before = -1; before !== turns;) {
    before = turns
    await new Promise((done) => setTimeout(done, 20))
  }
  removeEventListener('popstate', heard)
}

/** Of wirings made at random, where the page parts from the ideal components. */
async function partings(from: number, to: number): Promise<string[]> {
  const player = pagePlayer(window as never)
  const found: string[] = []
  for (let seed = from; seed < to; seed++) {
    history.replaceState(null, '', '#')
    const apart = await parting(seed, idealPlayer, player)
    if (apart !== undefined) found.push(`seed ${seed}: ${apart.join(' / ')}`)
  }
  return found
}

Object.assign(window, { playAll, partings })
