import { Type, type TSchema } from '../../contract/index.js'

const text = (description: string) => Type.String({ minLength: 1, description })
const any = (description: string) => Type.Unknown({ description })
const row = Type.Optional(Type.String({ description: 'Of rows: the key of the entry that is meant.' }))
const which = Type.Optional(
  Type.Integer({ minimum: 0, description: 'Which of the calls that wait for this operation, the oldest being 0.' }),
)
const operation = (does: string) => text(`${does}: the source and its operation, such as office.book.`)
const strict = (properties: Record<string, TSchema>, description: string) =>
  Type.Object(properties, { additionalProperties: false, description })

/** Every kind of step by the key that tells it from the others: one entry is its schema, its reader and its sentence. */
export const STEPS: Readonly<Record<string, TSchema>> = {
  edit: strict(
    { edit: text('The value of a fitting: bales.bales.'), to: any('What is entered there.'), row },
    'A person enters something; where it reports when it is left, it is not finished yet.',
  ),
  leave: strict({ leave: text('The fitting that is left.'), row }, 'A person leaves a field.'),
  press: strict(
    {
      press: text('A fitting that is pressed, or one of its other events: winch.done.'),
      with: Type.Optional(any('What the event carries.')),
      row,
    },
    'A person presses something.',
  ),
  travel: strict({ travel: Type.Enum(['back', 'forward']) }, 'A person goes back or forward in the browser.'),
  form: strict(
    { form: Type.Enum(['submit', 'reset']) },
    'A person submits the form with Enter, or resets it, as the platform does it.',
  ),
  answer: strict(
    { answer: operation('What answers'), given: Type.Optional(any('What it gives.')), which },
    'A source answers.',
  ),
  fail: strict(
    {
      fail: operation('What fails'),
      because: text('Why, as it is said.'),
      problems: Type.Optional(
        Type.Record(Type.String(), Type.String(), {
          description: 'What is wrong with which member of what was sent, by JSON Pointer (RFC 6901).',
        }),
      ),
      which,
    },
    'A source fails.',
  ),
  never: strict({ never: operation('What does not answer in time'), which }, 'The time of a call is over.'),
  late: strict(
    { late: operation('What answers after its time is over'), given: Type.Optional(any('What it gives.')) },
    'An answer comes after its time.',
  ),
  set: strict(
    { set: Type.Record(Type.String(), any('What the cell is to hold.'), { description: 'By cell.' }) },
    'The owner sets cells.',
  ),
  pass: strict({ pass: Type.Number({ minimum: 0, description: 'In milliseconds.' }) }, 'Time passes.'),
  shows: strict(
    { shows: text('A name of a fitting: total.amount.'), as: any('What it shows.'), row },
    'Expected: a fitting shows this.',
  ),
  holds: strict(
    { holds: text('A cell, or what is reckoned.'), as: any('What it holds.') },
    'Expected: a cell holds this.',
  ),
  sent: strict(
    {
      sent: operation('What was sent'),
      with: Type.Optional(any('What it was given last: the members that are named.')),
      times: Type.Optional(Type.Integer({ minimum: 0, description: 'How often it was sent in all.' })),
    },
    'Expected: this was sent.',
  ),
  on: strict({ on: text('A screen of the journey.') }, 'Expected: the person is on this screen.'),
  says: strict(
    {
      says: Type.String({ description: 'The text; empty where nothing is wrong.' }),
      beside: Type.Optional(Type.String({ description: 'The fitting; the screen itself where it is left out.' })),
    },
    'Expected: this is said beside a field.',
  ),
  lost: strict({ lost: Type.Literal('nothing') }, 'Expected: nothing that was entered has been lost so far.'),
}

/** The JSON Schema (2020-12) of a script file. */
export const scriptFileSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: 'urn:caulker:script:1',
  title: 'A script of a screen or journey, version 1',
  ...strict(
    {
      $schema: Type.Optional(Type.String({ minLength: 1, description: 'Where this schema stands.' })),
      script: Type.Literal(1, { description: 'The version of this form.' }),
      of: text('The name of the screen or journey.'),
      title: text('What it is about, in one sentence.'),
      steps: Type.Array(Type.Union(Object.values(STEPS)), {
        description: 'What happens, and what is expected, in its order.',
      }),
    },
    'What a person, the owner, the sources and time do with a screen or journey, and what is expected on the way.',
  ),
}
