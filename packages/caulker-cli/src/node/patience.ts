/** Waits by what was used and not by the clock: on a busy machine the same work takes longer, and is no worse for it. */
export interface Patience {
  /** Something happened: the count begins anew. */
  begin(): void
  isOver(): boolean
}

const IDLE_SECONDS = 60

/**
 * @param seconds how much processor time may be used before it is over
 * @param sharers how many use the processor at the same time, each with its own patience
 * @param used the processor time used so far, in seconds; that of this process, where nothing else is given
 */
export function createPatience(
  seconds: number,
  sharers: () => number = () => 1,
  used: () => number = processSeconds,
): Patience {
  let from = used()
  let since = performance.now()
  return {
    begin() {
      from = used()
      since = performance.now()
    },
    // What neither works nor comes back waits for something that never comes.
    isOver: () =>
      (used() - from) / Math.max(1, sharers()) > seconds || performance.now() - since > (IDLE_SECONDS + seconds) * 1000,
  }
}

function processSeconds(): number {
  const { user, system } = process.cpuUsage()
  return (user + system) / 1e6
}
