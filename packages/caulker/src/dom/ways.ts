/** The entries of the browser's history that belong to a journey. */
export interface AddressWays {
  push(at: number, screen: string): void
  /** A person has gone back where the screen is not to be left: the entry is put back. */
  putBack(at: number): void
  stop(): void
}

/** Puts the screen in front into the page's address (its fragment), and hears back and forward (HTML, section 7.2.5). */
export function waysInAddress(
  journey: string,
  first: { readonly at: number; readonly screen: string },
  travel: (at: number) => void,
): AddressWays {
  const { history } = globalThis
  const stateOf = (at: number): unknown => ({
    ...(history.state as object | null),
    caulker: { journey, at },
  })
  const atOf = (state: unknown): number | undefined => {
    const own = (state as { caulker?: { journey?: unknown; at?: unknown } } | null)?.caulker
    return own?.journey === journey && typeof own.at === 'number' ? own.at : undefined
  }
  let isPuttingBack = false
  let here = first.at
  const heard = (event: PopStateEvent) => {
    const at = atOf(event.state)
    if (isPuttingBack) {
      isPuttingBack = false
      return
    }
    if (at === undefined) return
    here = at
    travel(at)
  }
  history.replaceState(stateOf(first.at), '', `#${first.screen}`)
  globalThis.addEventListener('popstate', heard)
  return {
    push(at, screen) {
      here = at
      history.pushState(stateOf(at), '', `#${screen}`)
    },
    putBack(at) {
      if (here === at) return
      isPuttingBack = true
      history.go(at - here)
      here = at
    },
    stop: () => globalThis.removeEventListener('popstate', heard),
  }
}
