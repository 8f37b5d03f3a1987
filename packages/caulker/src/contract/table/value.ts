import { kebab } from '../../words/index.js'
import { accepts, type TSchema } from '../data/types.js'
import { carries } from './carried.js'
import {
  another,
  clause,
  downChange,
  optional,
  upChange,
  usually,
  type Entry,
  type Said,
  type Written,
} from './entry.js'
import {
  anything,
  bound,
  choice,
  distance,
  flag,
  milliseconds,
  nameOf,
  partsOf,
  pointer,
  stepSize,
  text,
  type Kind,
} from './kind.js'
import { PROPERTY } from './property.js'

/** A value out of a list. */
export interface Among {
  readonly list: string
  readonly at?: string
  readonly gone?: 'kept' | 'empty' | 'mark'
  readonly reported?: boolean
}

const GONE = { kept: 'kept', empty: 'emptied', mark: 'kept and marked' }

type Outside = 'clamp' | 'refuse' | 'keep' | 'mark'
type Bounds = { readonly least: string | number | undefined; readonly most: string | number | undefined }

const lastWordChanged = (_old: unknown, _now: unknown, name: string): readonly Said[] => [
  ['major', `who has the last word about ${name} has changed`],
]

/** A promise about the event that reports a value. */
function reported<const F extends string>(
  name: F,
  says: string,
): { readonly [K in F]: Entry<boolean, boolean | undefined> } {
  const entry = optional<boolean>({
    says,
    kind: flag,
    changed: (old, now, of) => [
      [old === true ? 'major' : 'minor', `the report of ${of} ${now === true ? 'is' : 'need not be'} ${name} now`],
    ],
    sheet: (is) => (is ? name : `not ${name}`),
  })
  return { [name]: entry } as never
}

/** The clauses of a two-way value: those of a property, and how it reports. */
export const VALUE = {
  ...PROPERTY,
  type: {
    ...PROPERTY.type,
    changed: (old: TSchema, now: TSchema, name: string) => [
      ...downChange(old, now, name),
      ...upChange('may report', old, now, name),
    ],
  },
  default: { ...PROPERTY.default, usual: (written: Written) => emptyOf(written) },
  event: clause<string>({
    says: 'The event that reports its change. Usual: its name in kebab case, and -set.',
    kind: text,
    usual: (_, name) => `${kebab(name)}-set`,
    changed: (old, now, name) => [['major', `${name} reports with ${now}, and did with ${old}`]],
    sheet: (event) => `reports ${event}`,
  }),
  payloadAt: usually('/detail/value', {
    says: 'Where in the event its value stands: a JSON Pointer (RFC 6901) from the event object.',
    kind: pointer,
    changed: (old, now, name) => [['major', `the report of ${name} carries its value at ${now}, and did at ${old}`]],
    sheet: (at) => `its value at ${at}`,
  }),
  carries,
  reports: usually<'edit' | 'commit'>('edit', {
    says: 'Whether it reports each edit, or when the person leaves the field or presses Enter.',
    kind: choice('edit', 'commit'),
    changed: (_, now, name) => [
      now === 'commit'
        ? ['major', `${name} reports only when an edit ends, and did with each edit`]
        : ['minor', `${name} reports each edit, and did only when one ended`],
    ],
    sheet: () => 'when left',
  }),
  within: usually(0, {
    says: 'How long a report may be held back, in milliseconds.',
    kind: milliseconds,
    changed: another('within', 'minor'),
    sheet: (time) => `within ${time} ms`,
  }),
  lastWord: usually<'owner' | 'self'>('owner', {
    says: 'Who holds the truth. With self, what is given counts at the mount and on reset, and later tells as accepts says.',
    kind: choice('owner', 'self'),
    changed: lastWordChanged,
    sheet: () => 'keeps its own truth',
  }),
  accepts: usually<'always' | 'never'>('always', {
    says: 'Whether a value that has the last word itself takes later tells.',
    kind: choice('always', 'never'),
    changed: lastWordChanged,
    sheet: () => 'takes no later tell',
  }),
  bounds: clause<{ least?: string | number | undefined; most?: string | number | undefined }, Bounds>({
    says: 'The least and the most that it may be: numbers, dates or times, or names of properties and values that hold them.',
    kind: partsOf({ least: bound, most: bound }, "must be an object, such as { least: 0, most: 'most' }"),
    usual: () => ({ least: undefined, most: undefined }),
    kept: ({ least, most }) => ({ least, most }),
    changed: another('bounds'),
    sheet: ({ least, most }, { outside }) => `${least ?? '…'} to ${most ?? '…'}, else ${String(outside)}`,
  }),
  step: optional<string | number>({
    says: 'The distance between two values that it may have, counted from the least, else from 0; or the name of what holds it.',
    kind: stepSize,
    changed: another('step'),
    sheet: (step) => `in steps of ${step}`,
  }),
  outside: usually<Outside>('clamp', {
    says: 'What becomes of a value outside its bounds or between two steps that a person enters: brought in, turned down, kept, or kept and marked invalid.',
    kind: choice('clamp', 'refuse', 'keep', 'mark'),
    changed: another('outside'),
  }),
  outsideTold: clause<Outside>({
    says: 'What becomes of one that its owner gives, or that a moved bound leaves outside. Usual: what becomes of one that a person enters.',
    kind: choice('clamp', 'refuse', 'keep', 'mark'),
    usual: ({ outside }) => (outside as Outside | undefined) ?? 'clamp',
    changed: another('outsideTold'),
    sheet: (told, { outside }) => (told === outside ? '' : `told outside: ${told}`),
  }),
  stride: optional<string | number>({
    says: 'By how much its buttons and keys change it, or the name of what holds that; no grid for what is typed or told.',
    kind: stepSize,
    changed: another('stride', 'minor'),
    sheet: (stride) => `by ${stride} at a time`,
  }),
  ...reported('bubbles', 'Whether its report bubbles; nothing is promised where it is left out.'),
  ...reported('composed', 'Whether its report leaves shadow trees; nothing is promised where it is left out.'),
  ...reported('cancelable', 'Whether its owner may cancel its report; nothing is promised where it is left out.'),
  among: optional<Among>({
    says: 'The list property that it is chosen from, where in an entry it stands (a JSON Pointer; the entry itself where that is left out), what becomes of it when its entry goes, and whether it says so.',
    kind: partsOf(
      { list: nameOf('properties'), at: pointer, gone: choice('kept', 'empty', 'mark'), reported: flag },
      "must be an object, such as { list: 'woods', at: '/id', gone: 'empty', reported: true }",
      ['list'],
    ) as Kind<Among>,
    changed: another('among'),
    sheet: ({ list, gone = 'kept' }) => `one of ${list}; gone from there it is ${GONE[gone]}`,
  }),
  ordered: usually(false, {
    says: 'Whether it is a pair whose ends may not cross.',
    kind: flag,
    changed: another('ordered'),
    sheet: () => 'a pair in order',
  }),
  gap: optional<string | number>({
    says: 'How far apart the ends of a pair have to be; or the name of what holds it.',
    kind: distance,
    changed: another('gap'),
    sheet: (gap) => `${gap} apart`,
  }),
  applies: usually<'at-once' | 'when-told'>('at-once', {
    says: 'Whether an edit applies at once, or is only proposed and applies when its owner tells it back.',
    kind: choice('at-once', 'when-told'),
    changed: another('applies'),
    sheet: () => 'changes only when told',
  }),
  vetoEvent: optional<string>({
    says: 'A cancelable event that it sends before it changes; its owner vetoes with preventDefault, as the DOM does it.',
    kind: text,
    changed: (old, now, name) => [
      [
        old === undefined ? 'minor' : 'major',
        now === undefined ? `${name} no longer asks before it changes` : `${name} asks first with ${now}`,
      ],
    ],
    sheet: (event) => `asks first with ${event}`,
  }),
  empty: clause<unknown>({
    says: "What nothing is: null where the type has it, else '' or []. Usual: the first of these that the type has.",
    kind: anything,
    usual: usuallyEmpty,
    changed: another('empty'),
  }),
  blank: clause<'empty' | 'default' | 'previous' | 'refuse'>({
    says: 'What an emptied field becomes when it is left: empty, the default, what stood before, or turned down.',
    kind: choice('empty', 'default', 'previous', 'refuse'),
    usual: (written) => (emptyOf(written) === undefined ? 'previous' : 'empty'),
    changed: another('blank', 'minor'),
    sheet: (becomes) => `emptied: ${becomes}`,
  }),
  resetTo: usually<'default' | 'initial'>('default', {
    says: 'Whether a reset brings back the default, or what it was given at the mount.',
    kind: choice('default', 'initial'),
    changed: another('resetTo'),
    sheet: () => 'reset to what it was given first',
  }),
}

/** What "nothing" is: as the contract says, else what it usually is. */
function emptyOf(written: Written): unknown {
  return 'empty' in written ? written['empty'] : usuallyEmpty(written)
}

/** What "nothing" is where the contract does not say: null if the type has it, else no text, else no entries. */
function usuallyEmpty(written: Written): unknown {
  const type = written['type'] as TSchema
  if (accepts(type, null)) return null
  if (accepts(type, '')) return ''
  return accepts(type, []) ? [] : undefined
}
