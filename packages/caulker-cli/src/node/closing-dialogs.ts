/** Dialogs that were closed, and have not said so yet: a browser does with the next frame that it draws. */
export interface ClosingDialogs {
  isAny(): boolean
  /** A frame was drawn. */
  drawn(): void
}

export function watchClosing({
  HTMLDialogElement: { prototype },
  MutationObserver,
}: typeof globalThis): ClosingDialogs {
  const closing = new Set<Node>()
  const observer = new MutationObserver((records) => {
    for (const { target } of records) if (!(target as HTMLDialogElement).open) closing.add(target)
  })
  for (const name of ['show', 'showModal'] as const) {
    const own = prototype[name]
    prototype[name] = function (this: HTMLDialogElement) {
      observer.observe(this, { attributes: true, attributeFilter: ['open'] })
      own.call(this)
    }
  }
  return { isAny: () => closing.size > 0, drawn: () => closing.clear() }
}
