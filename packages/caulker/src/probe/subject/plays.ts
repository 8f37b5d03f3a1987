import type { Played, Row } from '../stage/played.js'
import { trailKey, type Trail } from '../stage/trail.js'

/** Plays every trail at most once; what another begins with is read off where that was played. */
export interface Plays {
  play(trail: Trail): Promise<Played>
  /** Says that these are going to be played: what they begin with need not be played before. */
  foresee(trails: Iterable<Trail>): void
}

/** A mount, or one move after others; what goes on from here stands below. */
interface Place {
  readonly below: Map<string, Place>
  /** The longest trail through here that is going to be played. */
  ahead: Trail | undefined
  /** The first trail through here that was played. */
  whole: Promise<Played> | undefined
  /** The trail that ends here. */
  ended: Promise<Played> | undefined
}

/** @param playNow what plays a trail in its turn */
export function playsOnce(playNow: (trail: Trail) => Promise<Played>): Plays {
  const mounts: Place['below'] = new Map()

  /** The places of a trail, from the mount on. */
  function placesOf({ moves, ...mount }: Trail): Place[] {
    const places = [placeIn(mounts, trailKey(mount))]
    for (const move of moves) places.push(placeIn((places[places.length - 1] as Place).below, trailKey(move)))
    return places
  }

  function played(trail: Trail): Promise<Played> {
    const made = playNow(trail)
    for (const place of placesOf(trail)) place.whole ??= made
    return made
  }

  return {
    play(trail) {
      const places = placesOf(trail)
      const end = places[places.length - 1] as Place
      return (end.ended ??= (end.whole ?? played(end.ahead ?? trail)).then((whole) => beginningOf(whole, trail)))
    },
    foresee(trails) {
      for (const trail of trails)
        for (const place of placesOf(trail))
          if (trail.moves.length > (place.ahead?.moves.length ?? -1)) place.ahead = trail
    },
  }
}

function placeIn(places: Place['below'], key: string): Place {
  let place = places.get(key)
  if (place === undefined)
    places.set(key, (place = { below: new Map(), ahead: undefined, whole: undefined, ended: undefined }))
  return place
}

function beginningOf({ rows }: Played, trail: Trail): Played {
  return { trail, rows: rows.slice(0, trail.moves.length + 1) as [Row, ...Row[]] }
}
