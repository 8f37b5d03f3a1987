import { CaulkerError } from './errors.js'
import { hint } from './names.js'
import { pointerParts } from './pointer.js'

type Shape = Record<string, (value: unknown) => string | undefined>
type Draft = Record<string, unknown>

const oneOf =
  (...words: string[]) =>
  (value: unknown) =>
    words.includes(value as string) ? undefined : `must be ${words.map((word) => `'${word}'`).join(' or ')}`
const aString = (value: unknown) => (typeof value === 'string' && value !== '' ? undefined : 'must be a text')
const aFlag = (value: unknown) => (typeof value === 'boolean' ? undefined : 'must be true or false')
const aCount = (value: unknown) =>
  typeof value === 'number' && value >= 0 ? undefined : 'must be a number of milliseconds, 0 or more'
const anything = () => undefined
const names = (value: unknown) =>
  Array.isArray(value) && value.every((one) => typeof one === 'string') ? undefined : 'must be a list of names'
const aType = (value: unknown) =>
  isObject(value) || typeof value === 'boolean'
    ? undefined
    : 'must be a data type: write Type.String(), or a JSON Schema object'
const functions = (value: unknown) =>
  (Array.isArray(value) ? value : [value]).every((one) => typeof one === 'function')
    ? undefined
    : 'must be a function or a list of functions'
const aPointer = (value: unknown) =>
  typeof value === 'string' && pointerParts(value) !== undefined
    ? undefined
    : "must be a JSON Pointer, such as '/detail/value'"

const PROPERTY: Shape = {
  type: aType,
  default: anything,
  attribute: (value) => (value === false ? undefined : aString(value) && 'must be a text, or false for none'),
  reflects: aFlag,
  label: aString,
  summary: aString,
  amend: functions,
  refuse: functions,
  after: functions,
  code: (value) =>
    Array.isArray(value) && value.every((one) => ['amend', 'refuse', 'after'].includes(one as string))
      ? undefined
      : "must be a list of 'amend', 'refuse' and 'after'",
}

const VALUE: Shape = {
  ...PROPERTY,
  event: aString,
  payloadAt: aPointer,
  reports: oneOf('edit', 'commit'),
  within: aCount,
  lastWord: oneOf('owner', 'self'),
  accepts: oneOf('always', 'never'),
  bounds: (value) => (isObject(value) ? undefined : "must be an object, such as { least: 0, most: 'most' }"),
  step: (value) =>
    typeof value === 'string' || (typeof value === 'number' && value > 0)
      ? undefined
      : 'must be a number above 0, or the name of a property',
  outside: oneOf('clamp', 'refuse', 'keep'),
  ordered: aFlag,
  gap: (value) =>
    typeof value === 'string' || (typeof value === 'number' && value >= 0)
      ? undefined
      : 'must be a number, 0 or more, or the name of a property',
  applies: oneOf('at-once', 'when-told'),
  vetoEvent: aString,
  empty: anything,
  blank: oneOf('empty', 'default', 'previous', 'refuse'),
  resetTo: oneOf('default', 'initial'),
}

const EVENT: Shape = {
  payload: aType,
  bubbles: aFlag,
  composed: aFlag,
  cancelable: aFlag,
  mustHear: aFlag,
  summary: aString,
}
const COMMAND: Shape = {
  takes: aType,
  gives: aType,
  effect: oneOf('reset', 'focus', 'check'),
  reports: aFlag,
  summary: aString,
}
const READING: Shape = { type: aType, from: names, summary: aString }
const SLOT: Shape = { holds: names, summary: aString }
const BOUNDS: Shape = { least: anything, most: anything }
const FORM: Shape = { value: aString, requiredBy: aString }
const LOCKS: Shape = { readonly: aString, disabled: aString }

const SECTIONS = [
  'summary',
  'required',
  'properties',
  'values',
  'events',
  'commands',
  'readings',
  'slots',
  'form',
  'locks',
  'problem',
  'waives',
  'guesses',
]

/** Throws one error for the first thing in a draft that cannot be a contract: which clause, and what to do. */
export function refuseMalformed(tag: unknown, draft: unknown): void {
  if (typeof tag !== 'string' || !/^[a-z][^\sA-Z/>]*-[^\sA-Z/>]*$/.test(tag))
    fail(
      String(tag),
      'the tag',
      "must be lower case and contain a hyphen, such as 'bale-stepper' (a valid custom element name)",
    )
  if (!isObject(draft)) fail(tag, 'the contract', 'must be an object of clauses')
  for (const section of Object.keys(draft))
    if (!SECTIONS.includes(section)) fail(tag, `the clause '${section}'`, `does not exist${hint(section, SECTIONS)}`)
  clauses(tag, draft, 'properties', PROPERTY)
  clauses(tag, draft, 'values', VALUE)
  clauses(tag, draft, 'events', EVENT)
  clauses(tag, draft, 'commands', COMMAND)
  clauses(tag, draft, 'readings', READING)
  clauses(tag, draft, 'slots', SLOT)
  const properties = namesIn(draft, 'properties')
  const values = namesIn(draft, 'values')
  for (const name of namesIn(draft, 'readings'))
    if ([...properties, ...values].includes(name))
      fail(tag, `'${name}'`, 'is a reading and a property or value too; a reading is what owners can only read')
  for (const name of values)
    if (properties.includes(name))
      fail(tag, `'${name}'`, 'stands under properties and under values; a two-way value is declared once, under values')
  references(tag, draft, [...properties, ...values])
}

function clauses(tag: string, draft: Draft, section: string, shape: Shape): void {
  const entries = draft[section] ?? {}
  if (!isObject(entries)) fail(tag, section, 'must be an object with a clause for each name')
  for (const [name, clause] of Object.entries(entries)) {
    const at = `${section}.${name}`
    if (name === '__proto__' || name === 'constructor' || name === 'prototype')
      fail(tag, at, 'cannot have this name; choose another')
    if (!isObject(clause)) fail(tag, at, 'must be an object of clauses')
    members(tag, at, clause, shape)
    if ('type' in shape && !('type' in clause))
      fail(tag, at, 'has no type; write type: Type.String(), or another data type')
    if (isObject(clause['bounds'])) members(tag, `${at}.bounds`, clause['bounds'], BOUNDS)
  }
}

function members(tag: string, at: string, clause: Draft, shape: Shape): void {
  for (const [key, value] of Object.entries(clause)) {
    const judge = Object.hasOwn(shape, key) ? shape[key] : undefined
    if (judge === undefined) fail(tag, at, `has no clause '${key}'${hint(key, Object.keys(shape))}`)
    const wrong = value === undefined ? undefined : judge(value)
    if (wrong !== undefined) fail(tag, `${at}.${key}`, wrong)
  }
}

/** Every name that one clause gives for another must be there. */
function references(tag: string, draft: Draft, known: string[]): void {
  const must = (at: string, name: unknown, among: string[]) => {
    if (typeof name === 'string' && !among.includes(name))
      fail(tag, at, `names '${name}', which is not declared${hint(name, among)}`)
  }
  const required = draft['required'] ?? []
  if (!Array.isArray(required)) fail(tag, 'required', 'must be a list of names')
  for (const name of required) must('required', name, known)
  for (const [name, clause] of Object.entries((draft['values'] ?? {}) as Record<string, Draft>)) {
    const bounds = (clause['bounds'] ?? {}) as Draft
    for (const end of ['least', 'most'])
      if (!isLiteralBound(bounds[end])) must(`values.${name}.bounds.${end}`, bounds[end], known)
    must(`values.${name}.step`, clause['step'], known)
    must(`values.${name}.gap`, clause['gap'], known)
  }
  for (const [name, clause] of Object.entries((draft['readings'] ?? {}) as Record<string, { from?: string[] }>))
    for (const one of clause.from ?? []) must(`readings.${name}.from`, one, known)
  must('problem', draft['problem'], namesIn(draft, 'properties'))
  if (draft['form'] !== undefined) {
    if (!isObject(draft['form'])) fail(tag, 'form', "must be an object, such as { value: 'bales' }")
    members(tag, 'form', draft['form'], FORM)
    must('form.value', draft['form']['value'], namesIn(draft, 'values'))
    must('form.requiredBy', draft['form']['requiredBy'], namesIn(draft, 'properties'))
  }
  if (draft['locks'] !== undefined) {
    if (!isObject(draft['locks'])) fail(tag, 'locks', "must be an object, such as { disabled: 'disabled' }")
    members(tag, 'locks', draft['locks'], LOCKS)
    for (const [lock, name] of Object.entries(draft['locks'])) must(`locks.${lock}`, name, known)
  }
  if (draft['problem'] !== undefined && typeof draft['problem'] !== 'string')
    fail(tag, 'problem', 'must be the name of the property that shows a message')
  if (draft['guesses'] !== undefined && !isObject(draft['guesses']))
    fail(tag, 'guesses', 'must be an object: where a clause stands, and what it was guessed from')
  if (draft['waives'] !== undefined && !isObject(draft['waives']))
    fail(tag, 'waives', 'must be an object: the id of a clause, and the reason why it is waived')
}

/** A date or time text is a bound itself, never a name. */
function isLiteralBound(bound: unknown): boolean {
  return typeof bound !== 'string' || /^\d/.test(bound)
}

function namesIn(draft: Draft, section: string): string[] {
  return Object.keys((draft[section] ?? {}) as object)
}

function isObject(value: unknown): value is Draft {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

function fail(tag: string, what: string, wrong: string): never {
  throw new CaulkerError('malformed-contract', `contract '${tag}': ${what} ${wrong}`)
}
