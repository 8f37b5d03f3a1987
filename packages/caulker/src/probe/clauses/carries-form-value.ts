import { accepts, equal, isHost, printed } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { settlesEdits, tell } from '../stage/trail.js'
import type { Row } from '../stage/played.js'
import { fromDefaultToo } from '../subject/other-mounts.js'
import type { Subject } from '../subject/subject.js'
import { isText, notCarried } from '../subject/forms.js'

/** A form sends its value as it is now. */
export const carriesFormValue = clause({
  id: 'carries-form-value',
  group: 'reset and submit',
  promise: 'In a form with a name it sends its value as it is now: given, told and edited.',
  why: 'A form value that is set once, or by only one of the ways in, sends yesterday\u2019s choice with today\u2019s order.',
  tried:
    'It is mounted in a form with a name, given and told values and operated; what the form would send is compared with what it holds.',
  unprovenWhen: 'Its form value is no text, number or file.',
  openBecause: notCarried,
  random: 'any',
  onTrial: 'gesture',
  needsElement: true,
  needsForms: true,
  concerns: ({ form }) => form !== undefined,
  *trails(subject) {
    const name = subject.contract.form?.value ?? ''
    for (const value of [...subject.plain(name).slice(0, 2), ...zeroOf(subject, name)]) {
      yield { given: { ...subject.middle, [name]: value }, moves: [], setting: 'form' }
      yield { given: subject.middle, moves: [tell({ [name]: value })], setting: 'form' }
    }
    const [plain] = subject.plain(name)
    const { empty } = subject.values.find((value) => value.name === name) ?? {}
    if (plain !== undefined && empty !== undefined)
      yield { given: { ...subject.middle, [name]: plain }, moves: [tell({ [name]: empty })], setting: 'form' }
    for (const way of subject.chiefWays) yield { given: way.given, moves: way.moves, setting: 'form' }
    // A reset of the form after an edit away from the default, too.
    for (const way of subject.chiefWays.slice(0, 2))
      for (const given of fromDefaultToo(subject, name, way.given))
        yield { given, moves: [...way.moves, { form: 'reset' }], setting: 'form' }
    // What a command makes of it is sent, too: of what was told, and of what was edited.
    for (const call of subject.calls) {
      if (plain !== undefined) yield { given: { ...subject.middle, [name]: plain }, moves: [call], setting: 'form' }
      for (const way of subject.chiefWays.slice(0, 1))
        yield { given: way.given, moves: [...way.moves, call], setting: 'form' }
    }
    // Whatever becomes of what is off its type: what it holds then is what it sends.
    const { type } = subject.values.find((value) => value.name === name) ?? {}
    for (const to of type === undefined ? [] : OFF_TYPE.filter((one) => !accepts(type, one)))
      for (const value of subject.plain(name).slice(0, 1))
        yield { given: { ...subject.middle, [name]: value }, moves: [{ offType: name, to }], setting: 'form' }
    const { sends } = subject.contract.form ?? {}
    for (const text of sends === undefined ? [] : subject.plain(sends).slice(0, 2))
      yield { given: { ...subject.middle, [name]: true }, moves: [tell({ [sends as string]: text })], setting: 'form' }
  },
  proves: (subject, { trail, rows }) =>
    trail.setting === 'form' && rows.some((row) => formValueOf(subject, row) !== undefined),
  judge(subject, { trail, rows }) {
    if (trail.setting !== 'form') return undefined
    for (const [at, row] of rows.entries()) {
      const sent = row.around.formValues
      if (row.move !== undefined && 'offType' in row.move) return stillSent(subject, rows[at - 1] as Row, row, at)
      if (settlesEdits(row.move) && isEmptyThere(subject, row) && sent.some(isText))
        return {
          row: at,
          says: 'the form would send something although it is empty',
          expected: 'sends nothing, or an empty text',
          found: `sends ${sent.map((one) => printed(one)).join(', ')}`,
        }
      // What is reported with each key is sent with each key.
      const isFinished = settlesEdits(row.move) || row.heard.some((one) => one.value === subject.contract.form?.value)
      const value = isFinished ? formValueOf(subject, row) : undefined
      if (value === undefined) continue
      if (typeof value === 'boolean') {
        const isSent = sent.length > 0 && sent.some((one) => one !== '' && one !== 'false')
        if (isSent !== value && subject.carrier !== undefined)
          return {
            row: at,
            says: 'the form would send something else than it holds',
            expected: value ? 'sends that it is on' : 'sends nothing',
            found: sent.length === 0 ? 'sends nothing' : `sends ${sent.map((one) => printed(one)).join(', ')}`,
          }
        const says = subject.contract.form?.sends
        const text = value && says !== undefined ? row.read[says] : undefined
        if (subject.carrier !== undefined && typeof text === 'string' && !sent.includes(text))
          return {
            row: at,
            says: `the form would send something else than its ${says}`,
            expected: `sends ${printed(text)}`,
            found: sent.length === 0 ? 'sends nothing' : `sends ${sent.map((one) => printed(one)).join(', ')}`,
          }
        continue
      }
      if (!isSent(subject, value, sent))
        return {
          row: at,
          says: 'the form would send something else than it holds',
          expected: `sends ${printed(value)}`,
          found: sent.length === 0 ? 'sends nothing' : `sends ${sent.map((one) => printed(one)).join(', ')}`,
        }
    }
    return undefined
  },
})

/** 0, where it is not what nothing is. */
function zeroOf({ values, middle, ideally }: Subject, name: string): number[] {
  const value = values.find((one) => one.name === name)
  const isNumber = value !== undefined && accepts(value.type, 0) && !equal(value.empty, 0)
  return isNumber && ideally(name, { ...middle, [name]: 0 }) === 0 ? [0] : []
}

/** What is off the type of every form value, or of most. */
const OFF_TYPE = [null, 'oakum']

/** It holds nothing any more, and would send what it held before. */
function stillSent(subject: Subject, before: Row, row: Row, at: number): LeakAt | undefined {
  const name = subject.contract.form?.value ?? ''
  const [was, sent] = [before.around.formValues, row.around.formValues]
  const held = row.read[name]
  const isEmptied = (held === null || held === undefined || held === '') && !equal(held, before.read[name])
  if (!isEmptied || !equal(was, sent) || !sent.some(isText)) return undefined
  return {
    row: at,
    says: 'the form would send what it held before, and it holds nothing any more',
    expected: 'sends nothing, or an empty text',
    found: `sends ${sent.map((one) => printed(one)).join(', ')}, as before`,
  }
}

/** Null or an empty text; of what else is carried from inside it, nothing is known. */
function isEmptyThere(subject: Subject, { read, around }: Row): boolean {
  const value = read[subject.contract.form?.value ?? '']
  return (value === null || value === '') && (subject.carrier === 'element' || around.formValues.length === 1)
}

/** A flag, or a text, number or file that is not empty: only of those it is plain how a form sends them. */
export function formValueOf(subject: Subject, row: Row): unknown {
  const value = row.read[subject.contract.form?.value ?? '']
  return typeof value === 'number' ||
    typeof value === 'boolean' ||
    (typeof value === 'string' && value !== '') ||
    isHost(value)
    ? value
    : undefined
}

/** The element itself sends one entry; from inside it others may come along. */
function isSent({ carrier }: Subject, value: unknown, sent: readonly unknown[]): boolean {
  return carrier === 'inside' ? sent.some((one) => isSentAs(value, one)) : sent.length === 1 && isSentAs(value, sent[0])
}

export function isSentAs(value: unknown, sent: unknown): boolean {
  if (typeof value === 'number') return typeof sent === 'string' && Number(sent) === value
  return typeof value === 'string' ? sent === value : sent === value || (sent as File).name === (value as File).name
}
