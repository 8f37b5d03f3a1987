/** The states that were seen: of each its hash, from which it was reached first, and by which move. */
export interface Visited {
  readonly count: number
  /** The number of a state; below 0 where it was seen before, as -1 less its number. */
  add(high: number, low: number, parent: number): number
  reachedBy(state: number, move: number): void
  hashIs(state: number, high: number, low: number): boolean
  parentOf(state: number): number
  moveOf(state: number): number
}

/** Sixteen bytes a state, and four to eight for its place in the table. */
export function createVisited(): Visited {
  let room = 1 << 12
  let highs = new Uint32Array(room)
  let lows = new Uint32Array(room)
  let parents = new Int32Array(room)
  let moves = new Uint32Array(room)
  let table = new Int32Array(room * 2).fill(-1)
  let count = 0

  function grow(): void {
    room *= 2
    highs = wider(highs, Uint32Array, room)
    lows = wider(lows, Uint32Array, room)
    parents = wider(parents, Int32Array, room)
    moves = wider(moves, Uint32Array, room)
    table = new Int32Array(room * 2).fill(-1)
    for (let state = 0; state < count; state++) table[placeOf(highs[state] as number, lows[state] as number)] = state
  }

  /** Where a hash stands, or would. */
  function placeOf(high: number, low: number): number {
    const mask = table.length - 1
    for (let at = (low ^ (high >>> 7)) & mask; ; at = (at + 1) & mask) {
      const state = table[at] as number
      if (state < 0 || (highs[state] === high && lows[state] === low)) return at
    }
  }

  return {
    get count() {
      return count
    },
    add(high, low, parent) {
      const place = placeOf(high, low)
      const before = table[place] as number
      if (before >= 0) return -1 - before
      table[place] = count
      highs[count] = high
      lows[count] = low
      parents[count] = parent
      if (++count === room) grow()
      return count - 1
    },
    reachedBy: (state, move) => void (moves[state] = move),
    hashIs: (state, high, low) => highs[state] === high && lows[state] === low,
    parentOf: (state) => parents[state] as number,
    moveOf: (state) => moves[state] as number,
  }
}

function wider<A extends Uint32Array | Int32Array>(from: A, Made: new (room: number) => A, room: number): A {
  const made = new Made(room)
  made.set(from)
  return made
}
