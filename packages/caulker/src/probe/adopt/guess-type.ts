import { accepts, equal, printed, Type, type TSchema } from '../../contract/index.js'

/** A type with what it was guessed from. */
export interface GuessedType {
  readonly type: TSchema
  readonly from: string
}

/** What can be told of a member by setting it: what stands there after a value was set. */
export type Trial = (value: unknown) => unknown

const TEXTS = ['oakum', 'Larch – 木']

/** The type of a member, from what it was seen to be and what it takes; nothing where no simple type fits. */
export function guessedType(seen: readonly unknown[], trial: Trial | undefined): GuessedType | undefined {
  const [first] = seen
  switch (typeof first) {
    case 'boolean':
      return { type: Type.Boolean(), from: `it is ${printed(first)} at first` }
    case 'number':
      return { type: Type.Number(), from: `it is ${printed(first)} at first` }
    case 'string':
      return textType(first, seen, trial)
    default:
      return first === null || first === undefined ? openType(first, seen, trial) : listType(first)
  }
}

function textType(first: string, seen: readonly unknown[], trial: Trial | undefined): GuessedType | undefined {
  if (/^#[0-9a-f]{3}([0-9a-f]{3})?$/i.test(first))
    return { type: Type.String({ pattern: '^#[0-9a-f]{6}$' }), from: `it is ${printed(first)} at first: a colour` }
  if (/^\d{4}-\d\d-\d\d$/.test(first))
    return { type: Type.String({ format: 'date' }), from: `it is ${printed(first)} at first: a date` }
  if (trial === undefined) return { type: Type.String(), from: `it is ${printed(first)} at first` }
  if (/^-?\d+$/.test(first) && seen.every((one) => typeof one === 'string' && /^-?\d+$/.test(one)))
    return { type: Type.String({ pattern: '^\\d{1,2}$' }), from: `it is ${printed(first)} at first: a number as text` }
  const isShaped = /^[\d(]|[(,;:]/.test(first)
  if (!isShaped && takesAll(trial, TEXTS)) return { type: Type.String(), from: 'it takes any text' }
  const texts = [...new Set(seen.filter((one): one is string => typeof one === 'string'))]
  return texts.length > 1 ? { type: Type.Enum(texts), from: 'these texts were seen while it was operated' } : undefined
}

/** Nothing at first: only what was seen later tells what it is for. */
function openType(first: unknown, seen: readonly unknown[], trial: Trial | undefined): GuessedType | undefined {
  const later = seen.find((one) => one !== null && one !== undefined)
  const found = later === undefined ? undefined : guessedType([later], trial)
  if (found === undefined) return undefined
  const type = first === null ? Type.Union([found.type, Type.Null()]) : found.type
  return { type, from: `it is ${printed(first)} at first, and ${found.from} later` }
}

function listType(first: unknown): GuessedType | undefined {
  if (!Array.isArray(first)) return undefined
  const items = first.length > 0 ? guessedType([first[0]], undefined)?.type : Type.String()
  if (items === undefined || !first.every((one) => accepts(items, one))) return undefined
  return { type: Type.Array(items), from: `it is ${printed(first)} at first` }
}

function takesAll(trial: Trial, values: readonly unknown[]): boolean {
  return values.every((value) => equal(trial(value), value))
}
