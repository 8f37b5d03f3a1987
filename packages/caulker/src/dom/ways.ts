/** The entries of the browser's history that belong to a journey. */
export interface AddressWays {
  /** The journey has gone to an entry: a new one, or one that is there. */
  went(at: number, screen: string): void
  /** A person has gone back where the screen is not to be left: the entry is put back. */
  putBack(at: number): void
  stop(): void
}

/** Puts the screen in front into the page's address (its fragment), and hears back and forward (HTML, section 7.2.5). */
export function waysInAddress(
  view: Window,
  journey: string,
  first: { readonly at: number; readonly screen: string },
  travel: (at: number) => void,
): AddressWays {
  const { history } = view
  const stateOf = (at: number): unknown => ({
    ...(history.state as object | null),
    caulker: { journey, at },
  })
  const atOf = (state: unknown): number | undefined => {
    const own = (state as { caulker?: { journey?: unknown; at?: unknown } } | null)?.caulker
    return own?.journey === journey && typeof own.at === 'number' ? own.at : undefined
  }
  let here = first.at
  const heard = (event: PopStateEvent) => {
    const at = atOf(event.state)
    // What the journey itself asked of the history has led to where it is already.
    if (at === undefined || at === here) return
    here = at
    travel(at)
  }
  function go(at: number): void {
    history.go(at - here)
    here = at
  }
  history.replaceState(stateOf(first.at), '', `#${first.screen}`)
  view.addEventListener('popstate', heard)
  return {
    went(at, screen) {
      if (at < here) return go(at)
      here = at
      history.pushState(stateOf(at), '', `#${screen}`)
    },
    putBack(at) {
      if (here !== at) go(at)
    },
    stop: () => view.removeEventListener('popstate', heard),
  }
}
