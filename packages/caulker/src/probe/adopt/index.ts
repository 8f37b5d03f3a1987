import { CaulkerError } from '../../words/index.js'
import {
  accepts,
  contract,
  contractToJson,
  printed,
  Type,
  type AnyContract,
  type ContractJson,
  type TSchema,
} from '../../contract/index.js'
import { rememberRoots, shadowOf } from '../../dom/index.js'
import { windowFrames, type Frames } from '../stage/frames.js'
import { guessedType, type GuessedType, type Trial } from './guess-type.js'
import { membersOf, type Member } from './members.js'
import {
  changedIn,
  didText,
  observed,
  readAll,
  THROWS,
  withSpecimen,
  type Observation,
  type Specimen,
} from './observe.js'
import { reportOf, seenOf, type Report } from './reports.js'

/** A contract as it was read off a live element, and what of the element is not in it, each with the reason. */
export interface Adopted {
  readonly contract: ContractJson
  readonly left: readonly string[]
}

const IDLE = 'what a person does: nothing that could be tried here changes it; '
const NEXT = {
  laidOut: 'name what one can do there under gestures in caulker.config',
  notLaidOut: '--browser operates it where it is laid out',
}

type Clauses = Record<string, Record<string, unknown>>

/**
 * Reads a contract off a live custom element that has none: its accessors and observed attributes, what changes when it is operated,
 * and the events that tell of it. Every clause that is not plain from the element itself is marked under `guesses`, with what it was
 * guessed from.
 *
 * Throws a {@link CaulkerError} `not-defined` where the tag is not registered.
 *
 * @example
 * ```ts
 * import { adoptElement } from 'caulker/probe'
 * class TideMark extends HTMLElement {
 *   #level = 2
 *   get level() { return this.#level }
 *   set level(to) { this.#level = to }
 * }
 * customElements.define('tide-mark', TideMark)
 * const { contract } = await adoptElement('tide-mark')
 * console.assert(JSON.stringify(contract['properties']).includes('"level"'))
 * ```
 */
export async function adoptElement(
  tag: string,
  options: { readonly document?: Document; readonly frames?: Frames } = {},
): Promise<Adopted> {
  const view = (options.document ?? globalThis.document).defaultView as Window & typeof globalThis
  const define = view.customElements.get(tag)
  if (define === undefined)
    throw new CaulkerError('not-defined', `<${tag}> is not registered; import the module that defines it first`)
  const forgetRoots = rememberRoots(view)
  try {
    const frames = options.frames ?? windowFrames(view)
    const unread: Specimen = { tag, define, names: [], slots: [], content: '', view, frames }
    const { accessors, commands, left, slots } = await withSpecimen(unread, (element) => ({
      ...membersOf(element, view),
      slots: slotsOf(element),
    }))
    const content = slots.map((slot) => (slot === '' ? 'oakum' : `<span slot="${slot}">${slot}</span>`)).join('')
    const specimen = { ...unread, content, slots, names: accessors.map(({ name }) => name) }
    const found = await observed(specimen)
    const idle = found.some((one) => changedIn(one).length > 0 || one.events.flat().length > 0)
      ? []
      : [`${IDLE}${NEXT[isLaidOut(view) ? 'laidOut' : 'notLaidOut']}`]
    return await adoptedFrom(specimen, { accessors, commands, left: [...left, ...idle] }, found)
  } finally {
    forgetRoots()
  }
}

function isLaidOut({ document }: Window): boolean {
  return document.documentElement.getBoundingClientRect().width > 0
}

async function adoptedFrom(
  specimen: Specimen,
  { accessors, commands, left }: { accessors: readonly Member[]; commands: readonly string[]; left: string[] },
  found: readonly Observation[],
): Promise<Adopted> {
  const first = await withSpecimen(specimen, (element) => readAll(element, specimen.names))
  const properties: Clauses = {}
  const values: Clauses = {}
  const readings: Clauses = {}
  const guesses: Record<string, string> = {}
  const told = new Set<string>()
  for (const member of accessors) {
    const { name } = member
    if (first[name] === THROWS) {
      left.push(`${name}: it throws when it is read`)
      continue
    }
    const seen = [first[name], ...found.map(({ after }) => after[name])]
    const guessed = await withSpecimen(specimen, (element) =>
      guessedType(seen, member.isSettable ? trialOn(element, name, specimen) : undefined),
    )
    if (guessed === undefined) {
      left.push(`${name}: it is ${printed(first[name], 30)} at first, of which no simple type can be told`)
      continue
    }
    const changing = found.filter((one) => changedIn(one).includes(name))
    const report = changing.length === 0 ? undefined : reportOf(name, found)
    if (!member.isSettable) readings[name] = { type: guessed.type }
    else if (changing.length === 0) {
      properties[name] = clauseOf(member, guessed, first[name])
      guesses[`properties.${name}.type`] = guessed.from
    } else if (report === undefined || told.has(placeOf(report))) {
      left.push(
        report === undefined
          ? `${name}: it changes when one does this: ${didText(changing[0] as Observation)}; no event tells of it`
          : `${name}: ${report.event} tells of it too, at the place of another value`,
      )
    } else {
      told.add(placeOf(report))
      values[name] = { ...clauseOf(member, guessed, first[name]), ...reportClauses(report) }
      guesses[`values.${name}`] =
        `it changes when one does this: ${didText(changing[0] as Observation)}; then ${report.event} comes`
      guesses[`values.${name}.type`] = guessed.from
    }
  }
  for (const clause of Object.values(values))
    Object.assign(clause, seenOf(clause as never, Object.keys({ ...properties, ...values }), found))
  for (const [name, clause] of Object.entries(values)) await guessBounds(specimen, name, clause, properties, guesses)
  const draft = {
    properties,
    values,
    events: otherEvents(found, new Set(Object.values(values).map(({ event }) => event)), guesses),
    commands: commandsOf(commands, guesses),
    readings,
    ...formOf(specimen, values),
    ...locksOf(properties),
    ...contentOf(specimen, guesses),
    guesses,
  }
  return { contract: contractToJson(contract(specimen.tag as never, draft as never) as AnyContract), left }
}

function clauseOf({ attribute }: Member, { type }: GuessedType, first: unknown): Record<string, unknown> {
  return {
    type,
    ...(accepts(type, defaultFor(type, first)) ? { default: defaultFor(type, first) } : {}),
    attribute: attribute ?? false,
  }
}

/** A colour may be written short at first; a contract says it as it is reported. */
function defaultFor(type: TSchema, first: unknown): unknown {
  const isShort = typeof first === 'string' && /^#[0-9a-f]{3}$/i.test(first) && 'pattern' in type
  return isShort ? `#${[...first.slice(1)].map((digit) => digit + digit).join('')}` : first
}

/** Several values may be told by one event, each at its own place. */
function placeOf({ event, payloadAt }: Report): string {
  return `${event} at ${payloadAt}`
}

function reportClauses({ event, payloadAt, reports }: Report): Record<string, unknown> {
  return { event, payloadAt, reports }
}

/** Sets a member on one and the same element, and reads what stands there then; nothing where the element complains. */
function trialOn(of: HTMLElement, name: string, { view }: Specimen): Trial {
  const element = of as never as Record<string, unknown>
  return (value) => {
    let hasThrown = false
    const onError = (event: Event) => {
      hasThrown = true
      event.preventDefault()
    }
    view.addEventListener('error', onError)
    try {
      element[name] = value
      return hasThrown ? undefined : element[name]
    } catch {
      return undefined
    } finally {
      view.removeEventListener('error', onError)
    }
  }
}

/** Numbers beside a number that is called `value`, as the platform calls them. */
async function guessBounds(
  specimen: Specimen,
  name: string,
  clause: Record<string, unknown>,
  properties: Clauses,
  guesses: Record<string, string>,
): Promise<void> {
  if ((clause['type'] as { type?: unknown }).type !== 'number') return
  const isNumber = (one: string) => (properties[one]?.['type'] as { type?: unknown } | undefined)?.type === 'number'
  const bounds = { ...(isNumber('min') ? { least: 'min' } : {}), ...(isNumber('max') ? { most: 'max' } : {}) }
  if (Object.keys(bounds).length > 0) {
    clause['bounds'] = bounds
    guesses[`values.${name}.bounds`] = 'they are called min and max'
    const most = properties['max']?.['default']
    const isKept = await withSpecimen(specimen, (element) => {
      const beyond = typeof most === 'number' ? most + 7 : NaN
      return trialOn(element, name, specimen)(beyond) === beyond
    })
    if (isKept) clause['outside'] = 'keep'
  }
  const step = properties['step']?.['default']
  if (isNumber('step') && typeof step === 'number' && step > 0) {
    clause['step'] = 'step'
    guesses[`values.${name}.step`] = 'it is called step'
  }
}

function otherEvents(
  found: readonly Observation[],
  told: ReadonlySet<unknown>,
  guesses: Record<string, string>,
): Clauses {
  const events: Clauses = {}
  for (const one of found)
    for (const { type, bubbles, composed, cancelable, isOwn } of one.events.flat()) {
      if (told.has(type) || !isOwn || events[type] !== undefined || type === 'click') continue
      events[type] = { payload: Type.Unknown(), bubbles, composed, cancelable }
      guesses[`events.${type}`] = `it came when one did this: ${didText(one)}`
    }
  return events
}

function commandsOf(names: readonly string[], guesses: Record<string, string>): Clauses {
  return Object.fromEntries(
    names.map((name) => {
      guesses[`commands.${name}`] = 'it is a method of this name'
      return [name, name === 'reset' || name === 'focus' ? { effect: name } : {}]
    }),
  )
}

function formOf({ define }: Specimen, values: Clauses): object {
  const [value] = Object.keys(values)
  return (define as { formAssociated?: boolean }).formAssociated === true && value !== undefined
    ? { form: { value } }
    : {}
}

/** The places for content in its shadow tree, by name. */
function slotsOf(element: HTMLElement): string[] {
  return [...new Set([...(shadowOf(element)?.querySelectorAll('slot') ?? [])].map(({ name }) => name))]
}

/** An element with places for content is looked at with something in each of them. */
function contentOf({ content, slots }: Specimen, guesses: Record<string, string>): object {
  if (content === '') return {}
  guesses['content'] = 'its shadow tree has slots, and this is put into them: write what really belongs there'
  return {
    content: { inside: content },
    slots: Object.fromEntries(slots.map((name) => [name || 'default', {}])),
  }
}

function locksOf(properties: Clauses): object {
  const flag = (...names: string[]) =>
    names.find((name) => (properties[name]?.['type'] as { type?: unknown } | undefined)?.type === 'boolean')
  const locks = { disabled: flag('disabled'), readonly: flag('readOnly', 'readonly') }
  const known = Object.fromEntries(Object.entries(locks).filter(([, name]) => name !== undefined))
  return Object.keys(known).length === 0 ? {} : { locks: known }
}
