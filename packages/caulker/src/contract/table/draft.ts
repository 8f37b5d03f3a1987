import { another, clause, optional, type Said } from './entry.js'
import { nameOf, pointer, text } from './kind.js'

const others =
  (part: string) =>
  (old: unknown, now: unknown, name: string): readonly Said[] =>
    another(part)(old, now, name)

/** The clauses of a draft: what a component lets a person edit on a copy of its own, until they save or cancel it. */
export const DRAFT = {
  of: clause<string>({
    says: 'The property that holds what is edited: a text, or the record that the text is a member of.',
    kind: nameOf('properties'),
    usual: () => '',
    changed: others('of'),
    sheet: (of) => `of ${of}`,
  }),
  member: optional<string>({
    says: 'Which member of the record is edited: its name, or the name of a property that says it.',
    kind: text,
    changed: others('member'),
    sheet: (member) => `its ${member}`,
  }),
  event: clause<string>({
    says: 'The event with which it is saved.',
    kind: nameOf('events'),
    usual: () => '',
    changed: others('event'),
    sheet: (event) => `saved with ${event}`,
  }),
  payloadAt: clause<string>({
    says: 'Where in that event the edited text stands: a JSON Pointer (RFC 6901) from the event object.',
    kind: pointer,
    usual: () => '/detail/value',
    changed: others('payloadAt'),
  }),
  recordAt: optional<string>({
    says: 'Where in that event the whole record stands, with the edited member in it.',
    kind: pointer,
    changed: others('recordAt'),
  }),
  answerAt: optional<string>({
    says: 'Where in that event a function stands that takes the promise of its answer: it is saved once that is fulfilled, and not saved where it is rejected.',
    kind: pointer,
    changed: others('answerAt'),
    sheet: () => 'and waits for the answer',
  }),
  summary: optional<string>({ says: 'What it is for, in one sentence.', kind: text, changed: () => [] }),
}
