import { kebab, labelOf } from '../../words/index.js'
import { listed, type OneOrMore } from '../data/lists.js'
import { printed } from '../data/print.js'
import { schemaJson, type TSchema } from '../data/types.js'
import { clause, downChange, flagged, optional, silent, usually, words, type Written } from './entry.js'
import { anything, attributeName, choice, dataType, flag, functions, listOf, text, type Kind } from './kind.js'

/** Makes a proposed value right, before it stands. */
export type Amend<T> = (proposed: T, before: T) => T
/** Turns a proposed value down: gives the reason, or nothing to let it pass. */
export type Refuse<T> = (proposed: T, before: T) => string | undefined
/** Is told once a value stands. */
export type After<T> = (now: T, before: T) => void

// A typed seam: the functions of any value.
type AnyFunction = (...values: any[]) => any

const HOOKS = ['amend', 'refuse', 'after'] as const

function hook<F extends AnyFunction>(says: string) {
  return clause<OneOrMore<F>, readonly F[]>({
    says,
    kind: functions as Kind<OneOrMore<F>>,
    usual: () => [],
    kept: listed,
    changed: silent,
    json: () => undefined,
  })
}

/** The clauses of a property; a two-way value has them too. */
export const PROPERTY = {
  type: clause<TSchema>({
    says: 'The data type of what it holds, as JSON Schema 2020-12.',
    kind: dataType,
    usual: () => ({}) as TSchema,
    changed: downChange,
    json: ({ type }) => schemaJson(type as TSchema),
  }),
  default: optional<unknown>({
    says: 'What stands where its owner gives nothing.',
    kind: anything,
    changed: (old, now, name) => [
      [
        'major',
        now === undefined
          ? `${name} has no default any more, and had ${printed(old)}`
          : `the default of ${name} is ${printed(now)}, and was ${printed(old)}`,
      ],
    ],
    json: (of) => (of['hasDefault'] === true ? of['default'] : undefined),
  }),
  attribute: clause<string | false>({
    says: 'The name of its attribute in markup; false where it has none. Usual for a text, number, flag or choice: its own name in kebab case.',
    kind: attributeName,
    usual: (written: Written, name) => (isScalar(written['type'] as TSchema) ? kebab(name) : false),
    changed: (old, now, name) => [
      [
        old === false ? 'minor' : 'major',
        `the attribute of ${name} is ${String(now || 'none')}, and was ${String(old || 'none')}`,
      ],
    ],
  }),
  attributeGives: usually<'value' | 'default'>('value', {
    says: 'What its attribute gives: the value itself, or only what stands until it is told or edited, as the value of a native field.',
    kind: choice('value', 'default'),
    changed: (_, now, name) => [['major', `the attribute of ${name} gives its ${now} now`]],
    sheet: () => 'the attribute gives the default',
  }),
  only: optional<'attribute'>({
    says: 'Its only way in, where that is the attribute: the element has no property of its name, as for data-*.',
    kind: choice('attribute'),
    changed: (_, now, name) => [
      now === undefined
        ? ['minor', `${name} is a property, too`]
        : ['major', `${name} has only its attribute, and was a property`],
    ],
    sheet: () => 'no property',
  }),
  reflects: usually(false, {
    says: 'Whether its attribute follows it. The property follows its attribute always.',
    kind: flag,
    changed: flagged('is reflected to its attribute', 'is no longer reflected to its attribute'),
  }),
  label: clause<string>({
    says: 'The name that a person reads.',
    kind: text,
    usual: (_, name) => labelOf(name),
    changed: words,
  }),
  summary: optional<string>({ says: 'What it is for, in one sentence.', kind: text, changed: words }),
  amend: hook<Amend<any>>('Makes a proposed value right before it stands: one function, or several in order.'),
  refuse: hook<Refuse<any>>('Turns a proposed value down: gives the reason, or nothing to let it pass.'),
  after: hook<After<any>>('Is told once a value stands.'),
  samples: usually<readonly unknown[]>([], {
    says: 'Values of it to try, where its type cannot say what is ordinary: instances of a class, numbers that exist, names that are known.',
    kind: {
      schema: { type: 'array' } as TSchema,
      wrong: (value) => (Array.isArray(value) ? undefined : 'must be a list of values'),
    },
    changed: silent,
  }),
  code: clause<readonly (typeof HOOKS)[number][]>({
    says: 'In a file, which of amend, refuse and after stay in the module that it cannot hold.',
    kind: listOf(...HOOKS),
    usual: () => [],
    changed: silent,
    json(of) {
      const kept = HOOKS.filter((one) => (of[one] as readonly unknown[]).length > 0)
      const all = [...new Set([...(of['code'] as readonly string[]), ...kept])]
      return all.length === 0 ? undefined : all
    },
  }),
}

/** What an attribute can say: one text, number, flag or choice; null is the attribute left out. */
export function isScalar(type: TSchema): boolean {
  const { type: kind, anyOf } = type as { type?: unknown; anyOf?: TSchema[] }
  if (anyOf !== undefined) return anyOf.every((part) => isScalar(part) || (part as { type?: unknown }).type === 'null')
  return 'enum' in type || 'const' in type || ['string', 'number', 'integer', 'boolean'].includes(kind as string)
}
