import { optional, silent, usually, type Said, type Table } from './entry.js'
import { nameOf, namesOf, partsOf, text, textsBy, reasonsBy, type Kind } from './kind.js'
import { DRAFT } from './draft.js'
import { COMMAND, EVENT, READING, SLOT } from './parts.js'
import { PROPERTY } from './property.js'
import { VALUE } from './value.js'
import type { Waivers } from '../data/waivers.js'

/** A section of a contract: clauses by name. */
export interface Section {
  readonly says: string
  /** What one of its names is called in messages; nothing where the name alone is enough. */
  readonly word: string
  readonly table: Table
  /** What it means for owners that a name is new. */
  readonly added: (clause: Readonly<Record<string, unknown>>) => Said
}

const isNew = (): Said => ['minor', 'is new']

/** What a contract says name by name. */
export const SECTIONS = {
  properties: {
    says: 'One-way: what its owner tells it.',
    word: '',
    table: PROPERTY,
    added: ({ required }): Said => (required === true ? ['major', 'is new, and its owner must supply it'] : isNew()),
  },
  values: {
    says: 'Two-way: each is a property, and the event that reports its change.',
    word: '',
    table: VALUE,
    added: ({ required }): Said => (required === true ? ['major', 'is new, and its owner must supply it'] : isNew()),
  },
  events: {
    says: 'What it says to its owner besides the reports of values.',
    word: 'the event',
    table: EVENT,
    added: ({ mustHear }): Said => (mustHear === true ? ['major', 'is new and must be heard'] : isNew()),
  },
  commands: {
    says: 'Functions of the mounted component that its owner may call.',
    word: 'the command',
    table: COMMAND,
    added: isNew,
  },
  readings: { says: 'Read-only results that its owner may read.', word: 'the reading', table: READING, added: isNew },
  drafts: {
    says: 'What a person edits on a copy inside it, until they save or cancel it.',
    word: 'the draft',
    table: DRAFT,
    added: isNew,
  },
  slots: {
    says: 'The places for content, by name; the default slot has the name default.',
    word: 'the slot',
    table: SLOT,
    added: isNew,
  },
} satisfies Record<string, Section>

type FormPart = {
  readonly value: string
  readonly requiredBy?: string | undefined
  readonly sends?: string | undefined
}
type Content = { readonly inside?: string | undefined; readonly beside?: string | undefined }
type Locks = { readonly readonly?: string | undefined; readonly disabled?: string | undefined }
type Words = Readonly<Record<string, string>>

/** What a contract says as a whole. */
export const WHOLE = {
  summary: optional<string>({
    says: 'What the component is for, in one sentence.',
    kind: text,
    changed: () => [['patch', 'the summary is another']],
  }),
  required: usually<readonly string[]>([], {
    says: 'The names that its owner must supply, as in JSON Schema.',
    kind: namesOf('given'),
    changed: silent,
  }),
  form: optional<FormPart>({
    says: 'Which value is its form value, and the property that obliges the person to fill it; for one that is sent only while it is on, the property that says what is sent.',
    kind: partsOf(
      { value: nameOf('values'), requiredBy: nameOf('properties'), sends: nameOf('properties') },
      "must be an object, such as { value: 'bales' }",
      ['value'],
    ) as Kind<FormPart>,
    kept: ({ value, requiredBy, sends }) => ({ value, requiredBy, ...(sends === undefined ? {} : { sends }) }),
    changed(old, now) {
      if (old?.value !== now?.value)
        return [
          [
            old === undefined ? 'minor' : 'major',
            `the form value is ${now?.value ?? 'none'}, and was ${old?.value ?? 'none'}`,
          ],
        ]
      if (old?.sends !== now?.sends)
        return [
          ['major', `what is sent is ${now?.sends ?? 'the value itself'}, and was ${old?.sends ?? 'the value itself'}`],
        ]
      return [
        [
          old?.requiredBy === undefined ? 'minor' : 'major',
          `the person is obliged by ${now?.requiredBy ?? 'nothing'}, and was by ${old?.requiredBy ?? 'nothing'}`,
        ],
      ]
    },
  }),
  locks: usually<Locks>(
    { readonly: undefined, disabled: undefined },
    {
      says: 'The properties that lock it: locked, the person proposes nothing and tells stand; disabled, it leaves submit and validity too.',
      kind: partsOf(
        { readonly: nameOf('given'), disabled: nameOf('given') },
        "must be an object, such as { disabled: 'disabled' }",
      ),
      kept: ({ readonly, disabled }) => ({ readonly, disabled }),
      changed: (old, now) =>
        (['readonly', 'disabled'] as const)
          .filter((lock) => old[lock] !== now[lock])
          .map((lock): Said => [
            old[lock] === undefined ? 'minor' : 'major',
            `${lock} is locked by ${now[lock] ?? 'nothing'}, and was by ${old[lock] ?? 'nothing'}`,
          ]),
    },
  ),
  problem: optional<string>({
    says: 'The property that shows a message beside the field: a refusal, what is invalid, the answer of a server.',
    kind: nameOf('properties', 'must be the name of the property that shows a message'),
    changed: (old, now) => [
      [
        old === undefined ? 'minor' : 'major',
        `messages are shown by ${now ?? 'nothing'}, and were by ${old ?? 'nothing'}`,
      ],
    ],
  }),
  content: optional<Content>({
    says: 'Markup without which it is of no use: what stands inside it, such as its options or pictures, and what stands beside it in the page and is found by its id.',
    kind: partsOf(
      { inside: text, beside: text },
      "must be an object of markup, such as { inside: '<option>oak</option>' }",
    ) as Kind<Content>,
    changed: (old, now) => [
      old === undefined
        ? ['major', 'it needs content of its own now']
        : now === undefined
          ? ['minor', 'it needs no content any more']
          : ['minor', 'the content that it needs is another'],
    ],
  }),
  waives: usually<Waivers>(
    {},
    {
      says: 'Clauses of a probe that are knowingly not kept, each with its reason; or with the reason for each name that it is waived for.',
      kind: reasonsBy('must be an object: the id of a clause, and the reason why it is waived'),
      changed: (old, now) => [
        ...Object.keys(now)
          .filter((id) => !Object.hasOwn(old, id))
          .map((id): Said => ['major', `'${id}' is no longer promised`]),
        ...Object.keys(old)
          .filter((id) => !Object.hasOwn(now, id))
          .map((id): Said => ['minor', `'${id}' is promised now`]),
      ],
    },
  ),
  guesses: usually<Words>(
    {},
    {
      says: 'Clauses that nobody has confirmed, by where they stand, each with what it was guessed from.',
      kind: textsBy('must be an object: where a clause stands, and what it was guessed from'),
      changed: silent,
    },
  ),
}
