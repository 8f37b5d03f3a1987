/** How time passes for a probe: it waits in frames, never in clock time. */
export interface Frames {
  /** A trail begins: where the clock is moved by the probe, it shows the same time for each. */
  restart?(): void
  /** The next frame has been drawn, and what it set off has run. */
  next(): Promise<void>
  /** Whether nothing is waiting for time to pass: what stands still now stays so. */
  isStill?(): boolean
  /** How many milliseconds a component sees pass in one frame. */
  readonly milliseconds: number
}

/** The frames of the document's own window. */
export function windowFrames(view: Window): Frames {
  return {
    milliseconds: 16,
    next: () => new Promise((resolve) => view.requestAnimationFrame(() => view.setTimeout(resolve, 0))),
  }
}
