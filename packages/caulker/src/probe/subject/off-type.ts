import { accepts, type TSchema } from '../../contract/index.js'
import { samplesFor } from './samples.js'

type Keywords = Record<string, unknown>

/** Texts that read as no value of a type or of a part of it: off its pattern, too long, below its least, between whole numbers. */
export function textsOffType(type: TSchema): string[] {
  const texts = typeParts(type as Keywords).flatMap((part) =>
    candidates(part).filter((text) => !accepts(part as TSchema, isNumeric(part) ? Number(text) : text)),
  )
  return [...new Set(texts)].slice(0, MOST)
}

const MOST = 9

function candidates(part: Keywords): string[] {
  if (isNumeric(part)) {
    const { minimum, maximum } = part as { minimum?: number; maximum?: number }
    return [
      ...(minimum === undefined ? [] : [String(minimum - 3)]),
      ...(maximum === undefined ? [] : [String(maximum + 3)]),
      ...(part['type'] === 'integer' ? ['1.1'] : []),
    ]
  }
  if (part['type'] !== 'string') return []
  const most = part['maxLength']
  return [
    ...(part['pattern'] === undefined ? [] : ['oakum', '7 kb!', '—', '12 34', ...nearMisses(part)]),
    ...(Number(part['minLength'] ?? 0) > 0 ? [''] : []),
    ...(typeof most === 'number' && most < 60 ? ['x'.repeat(most + 3)] : []),
  ]
}

/** Texts that are nearly right: cut short, with the last letter twice, without the first, or in other letters. */
function nearMisses(part: Keywords): string[] {
  const [text = ''] = samplesFor(part as TSchema, () => []).filter((one) => typeof one === 'string' && one.length > 1)
  const right = String(text)
  return [
    right.slice(0, Math.ceil(right.length / 2)),
    `${right}${right.slice(-1)}`,
    right.slice(1),
    right.toUpperCase(),
    right.toLowerCase(),
  ]
}

function isNumeric(part: Keywords): boolean {
  return part['type'] === 'number' || part['type'] === 'integer'
}

/** Whether a type takes any text: one that has a form, or is one of a few words, has no room for this one. */
export function takesAnyText(type: TSchema): boolean {
  return accepts(type, 'kzqv')
}

/** The type itself, and what its members, entries and choices are of. */
export function typeParts(type: Keywords, depth = 0): Keywords[] {
  if (depth > 4 || typeof type !== 'object' || type === null) return []
  const members = ['properties', 'patternProperties'].flatMap((key) =>
    Object.values((type[key] ?? {}) as Record<string, Keywords>),
  )
  const others = (type['additionalProperties'] ?? {}) as Keywords
  const items = type['items'] ?? []
  const choices = (type['anyOf'] ?? type['oneOf'] ?? []) as Keywords[]
  // Where one of several choices takes it, it is on the type.
  const single = choices.filter((one) => one['type'] !== 'null')
  const inner = [
    ...members,
    others,
    ...(Array.isArray(items) ? items : [items]),
    ...(single.length === 1 ? single : []),
  ]
  return [type, ...inner.flatMap((one) => typeParts(one as Keywords, depth + 1))]
}
