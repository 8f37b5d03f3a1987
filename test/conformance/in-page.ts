import { journeyRows } from './journey-rows.js'
import { pagePlayer } from './page-player.js'
import { pageRows } from './page-rows.js'
import { rows } from './rows.js'

/** Plays every row in the page that it stands in; what went wrong, by the row's sentence. */
async function playAll(): Promise<Record<string, string>> {
  const player = pagePlayer(window as never)
  const wrong: Record<string, string> = {}
  for (const { at, play } of [...rows, ...journeyRows, ...pageRows]) {
    history.replaceState(null, '', '#')
    try {
      await play(player)
    } catch (error) {
      wrong[at] = String((error as Error).stack ?? error)
    }
  }
  return wrong
}

Object.assign(window, { playAll })
