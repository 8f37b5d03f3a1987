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
  let isOwn = false
  let here = first.at
  const heard = (event: PopStateEvent) => {
    const at = atOf(event.state)
    if (isOwn) {
      isOwn = false
      return
    }
    if (at === undefined) return
    here = at
    travel(at)
  }
  /** What the journey itself asks of the history is not heard as a person's. */
  function go(at: number): void {
    isOwn = true
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
