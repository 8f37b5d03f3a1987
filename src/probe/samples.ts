/** Host objects that owners give and persons choose. */

export function filesToChoose(document: Document): File[] {
  const view = document.defaultView as Window & typeof globalThis
  return ['mast.png', 'rudder.png'].map((name) => new view.File([name], name, { type: 'image/png' }))
}

/** The same few objects for a whole probe: host objects are compared by identity. */
export function hostSamples(document: Document): (name: string) => unknown[] {
  const view = document.defaultView as Window & typeof globalThis
  const made = new Map<string, unknown[]>()
  const make = (name: string): unknown[] => {
    if (name === 'File')
      return [
        new view.File(['hull'], 'hull.png', { type: 'image/png' }),
        new view.File(['keel and garboard'], 'keel.png', { type: 'image/png' }),
      ]
    if (name === 'Blob') return [new view.Blob(['hull']), new view.Blob(['keel'])]
    return name === 'Date' ? [new Date(Date.UTC(2031, 4, 14)), new Date(Date.UTC(2031, 4, 20))] : []
  }
  return (name) => {
    if (!made.has(name)) made.set(name, make(name))
    return made.get(name) ?? []
  }
}
