/**
 * In an embedded DOM each focus makes a range, and what is removed leaves its ranges to where it stood: all of them would be asked with
 * every later removal. A range that a focus has replaced is put into a fragment of its own, with which it goes.
 */
export function letGoOfRanges({ document, HTMLElement: { prototype } }: Window & typeof globalThis): void {
  const selected = () => {
    const selection = document.getSelection()
    return selection === null || selection.rangeCount === 0 ? undefined : selection.getRangeAt(0)
  }
  for (const name of ['focus', 'blur'] as const) {
    const original = prototype[name]
    const value = function (this: HTMLElement, ...args: []) {
      const before = selected()
      original.apply(this, args)
      if (before !== selected()) before?.setStart(document.createDocumentFragment(), 0)
    }
    Object.defineProperty(prototype, name, { value, configurable: true, writable: true, enumerable: true })
  }
}
