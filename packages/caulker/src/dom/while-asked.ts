type View = Window & typeof globalThis

/** Has a window watched as long as anybody asks for it: it begins with the first who does, and ends with the last. */
export function whileAsked(begin: (view: View) => () => void): (view: View) => () => void {
  const watched = new WeakMap<object, { asking: number; end(): void }>()
  return (view) => {
    const watch = watched.get(view) ?? { asking: 0, end: begin(view) }
    watched.set(view, watch)
    watch.asking++
    return () => {
      if (--watch.asking > 0) return
      watch.end()
      watched.delete(view)
    }
  }
}
