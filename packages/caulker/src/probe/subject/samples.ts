import { sample, stringMatching } from 'fast-check'
import { accepts, samplesOf, type TSchema } from '../../contract/index.js'

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

/** Samples of a type; where a part of it asks for texts of a pattern that no usual text has, with texts made for it. */
export function samplesFor(type: TSchema, host: (name: string) => unknown[]): unknown[] {
  const written = writtenOut(type) as TSchema
  const samples = samplesOf(written, host)
  return written === type ? samples : samples.filter((one) => accepts(type, one))
}

/** The same, and each such pattern as the texts that may stand there. */
function writtenOut(part: unknown): unknown {
  if (typeof part !== 'object' || part === null) return part
  const { pattern } = part as { pattern?: unknown }
  if (typeof pattern === 'string') {
    const texts = textsLike(pattern, part as TSchema)
    return texts.length === 0 ? part : { enum: texts }
  }
  const inner = Object.entries(part).map(([key, one]) => [key, writtenOut(one)] as const)
  const isSame = inner.every(([key, one]) => one === (part as Record<string, unknown>)[key])
  if (isSame) return part
  return Array.isArray(part) ? inner.map(([, one]) => one) : Object.fromEntries(inner)
}

const ENOUGH = 3

/** Nothing where usual texts have the pattern, or none could be made. */
function textsLike(pattern: string, type: TSchema): unknown[] {
  const usual = samplesOf(type)
  if (usual.length >= ENOUGH) return []
  try {
    const made = sample(stringMatching(new RegExp(pattern, 'u')), { seed: 1, numRuns: 20 })
    return [...new Set([...usual, ...made.filter((text) => accepts(type, text))])].slice(0, 2 * ENOUGH)
  } catch {
    return []
  }
}
