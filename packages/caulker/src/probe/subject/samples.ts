import { sample, stringMatching } from 'fast-check'
import { accepts, samplesOf, type TSchema } from '../../contract/index.js'

/** Host objects that owners give and persons choose, and texts of a pattern. */

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

const ENOUGH = 3

/** Samples of a type; where it asks for texts of a pattern that no usual text has, texts made for it. */
export function samplesFor(type: TSchema, host: (name: string) => unknown[]): unknown[] {
  const usual = samplesOf(type, host)
  const { pattern } = type as { pattern?: string }
  if (pattern === undefined || usual.length >= ENOUGH) return usual
  try {
    const made = sample(stringMatching(new RegExp(pattern, 'u')), { seed: 1, numRuns: 20 })
    return [...new Set([...usual, ...made.filter((text) => accepts(type, text))])].slice(0, 2 * ENOUGH)
  } catch {
    return usual
  }
}
