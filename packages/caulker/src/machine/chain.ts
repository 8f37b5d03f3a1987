import type { Effect, Fault, Input } from './step/index.js'

/** The queue of inputs: what a transaction sets off belongs to its chain, and a chain that does not end is a circle. */
export interface Chain {
  take(input: Input): void
  /** Work that belongs to the chain: what it sets off does, too. A throw is a fault, and the rest runs. */
  within(place: string, work: () => void): void
  /** Somebody else's work: one that throws changes nothing, and keeps nothing from what is owed. */
  outside(work: () => void, place?: string): void
  isMounting(): boolean
  begin(): void
  end(): void
}

interface Carrier {
  readonly isMounting: boolean
  transact(input: Input): readonly Effect[]
  carryOut(effect: Effect): void
  /** A chain begins: what stands now is what a circle is brought back to. */
  mark(): void
  /** The cells that the last transaction has changed. */
  movedLast(): readonly number[]
  cellNames(cells: readonly number[]): readonly string[]
  bringBack(): void
  fault(fault: Fault): void
  /** Something has come in from outside, and is not set off by what is being carried out. */
  came(input: Input): void
  settled(): void
}

/** How many transactions one input may set off before it counts as a circle. */
const MOST_IN_A_CHAIN = 100

export function chainOf(carrier: Carrier): Chain {
  let queue: { readonly input: Input; readonly inChain: boolean }[] = []
  let phase: 'mounting' | 'quiet' | 'busy' | 'restoring' | 'ended' = carrier.isMounting ? 'mounting' : 'quiet'
  /** Whether what comes in now was set off by what is being carried out. */
  let inChain = false
  let stepping = false
  const isRunning = () => phase !== 'ended'

  function run(): void {
    phase = 'busy'
    while (queue.length > 0 && isRunning()) runChain()
    if (isRunning()) phase = 'quiet'
    outside(() => carrier.settled(), 'the host, told that all has settled')
    // What a host asked for while it was told that all has settled.
    if (phase === 'quiet' && queue.length > 0) run()
  }

  function runChain(): void {
    carrier.mark()
    let moved: Set<number> | undefined
    for (let count = 0; queue.length > 0 && isRunning(); count++) {
      const next = queue.shift() as (typeof queue)[number]
      // A new cause from outside begins a new chain.
      if (count > 0 && !next.inChain) return void queue.unshift(next)
      if (count >= MOST_IN_A_CHAIN) return stopCircle(moved)
      stepping = true
      const effects = carrier.transact(next.input)
      stepping = false
      for (const effect of effects) if (isRunning()) carrier.carryOut(effect)
      // Only a chain that grows may be a circle; which cells moved is asked for near its end.
      if (count > MOST_IN_A_CHAIN / 2) for (const cell of carrier.movedLast()) moved = (moved ?? new Set()).add(cell)
    }
  }

  /** Back to what stood before the chain, components too; what came from outside meanwhile still runs. */
  function stopCircle(moved: ReadonlySet<number> = new Set()): void {
    const given = queue.filter((waiting) => waiting.inChain).length + 1
    queue = queue.filter((waiting) => !waiting.inChain)
    phase = 'restoring'
    carrier.bringBack()
    phase = 'busy'
    const cells = carrier.cellNames([...moved].sort((one, other) => one - other)).join(', ')
    const error = new Error(
      `reports and tells go round in a circle through ${cells || 'the screen'}; what stood before was brought back, and ${given === 1 ? 'one more was' : `${given} more were`} given up`,
    )
    outside(() => carrier.fault({ place: 'circle', error }))
  }

  function within(place: string, work: () => void): void {
    const before = inChain
    inChain = true
    try {
      work()
    } catch (error) {
      outside(() => carrier.fault({ place, error }))
    } finally {
      inChain = before
    }
  }

  function outside(work: () => void, place?: string): void {
    const before = inChain
    inChain = false
    try {
      work()
    } catch (error) {
      if (place !== undefined) outside(() => carrier.fault({ place, error }))
    } finally {
      inChain = before
    }
  }

  return {
    within,
    outside,
    isMounting: () => phase === 'mounting',
    take(input) {
      if (phase === 'ended' || phase === 'restoring') return
      if (!inChain) outside(() => carrier.came(input))
      queue.push({ input, inChain })
      if (phase === 'quiet' && !stepping) run()
    },
    begin() {
      if (phase !== 'mounting') return
      phase = 'quiet'
      if (queue.length > 0) run()
    },
    end() {
      phase = 'ended'
      queue = []
    },
  }
}
