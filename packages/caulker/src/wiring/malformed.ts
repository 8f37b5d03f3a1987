import { fail, isContract, isObject, kinds, refuseOther, type Kind, type Kinds } from '../contract/index.js'
import { isSource } from './source.js'
import { isTopic } from './topic.js'

const { anything, choice, dataType, eachOf, functions, made, names, partsOf, text, textsBy } = kinds
const CODE = 'malformed-screen'

const isFunction = (value: unknown): boolean => typeof value === 'function'
const isList = (value: unknown): boolean => Array.isArray(value)

const steps: Kind<unknown> = made(
  (value) => isList(value) || isFunction(value),
  'must be a list of steps, such as [submit()], or a function that gives one',
)
export const section: Kind<unknown> = made(isFunction, 'must be a function of { cells, … }')
const needed: Kind<unknown> = made(
  (value) => isObject(value) || names.wrong(value) === undefined,
  "must be a list of names, or an object with what is said of each, such as { berth: 'Choose a berth first' }",
)

const cell = partsOf(
  { type: dataType, initial: anything, summary: text, amend: functions, refuse: functions, after: functions },
  "must have a type and an initial value, such as { type: Type.String(), initial: '' }",
  ['type'],
)
export const cells = eachOf(cell, 'must be an object; {} for none')

const submit = partsOf(
  {
    sends: made(
      (value) => isObject(value) || names.wrong(value) === undefined,
      "must be a list of names, or an object with a name for each member, such as { vessel: 'name' }",
    ),
    to: made((value) => typeof value === 'string', "must name an operation, such as 'office.book'"),
    leaves: names,
    needs: needed,
    heldBy: textsBy("must be an object with what holds each back, such as { until: 'order' }"),
    then: steps,
    fails: steps,
  },
  "must say what it sends and to which operation, such as { sends: ['bales'], to: 'office.book' }",
  ['sends', 'to'],
)
const reset = partsOf(
  { to: choice('initial', 'default', 'saved'), cells: names, leaves: names },
  "must say to what, such as { to: 'initial' }, { to: 'default' } or { to: 'saved' }",
  ['to'],
)

const given = (is: (value: unknown) => boolean, says: string) =>
  eachOf(made(is, says), 'must be an object; {} for none')

const WIRED: Kinds = {
  cells,
  fittings: given(isContract, 'is no contract; give what contract(…) returned'),
  sources: given(isSource, 'is no source; give what source(…) returned'),
  topics: given(isTopic, 'is no topic; give what topic(…) returned'),
  reckoned: section,
  rows: section,
  shown: section,
  loads: section,
  actions: section,
  enters: steps,
  hears: section,
  always: section,
  never: section,
  bind: section,
  submit,
  reset,
  keeps: names,
  waives: anything,
}
const SAYS = 'must be an object with cells, fittings and bind'

/** What a screen, and what is inside a component, is written with: whatever else stands there is refused in one line. */
const SCREEN = partsOf(WIRED, SAYS, ['cells', 'fittings', 'bind'])
const INSIDE: Kinds = { ...WIRED, commands: section, readings: section, answers: section }
const INTERIOR = partsOf(INSIDE, SAYS, ['fittings', 'bind'])

/** Refuses what no screen can be made of, in one line that says what to write instead. */
export function refuseMalformed(who: string, draft: unknown, isInterior: boolean): void {
  refuseOther(CODE, who, draft, isInterior ? INTERIOR : SCREEN)
}

/** What the functions of a draft give, by its part: what each entry has to be, and how it is written. */
const MADE: Readonly<Record<string, readonly [kind: string, such: string]>> = {
  reckoned: ['reckoned', 'reckon([cells.bales], (bales) => bales * 2)'],
  rows: ['rows', "rowsOf(cells.seams, 'id')"],
  shown: ['shown-while', 'shownWhile(cells.isRush)'],
  loads: ['load', 'load(sources.office.berths)'],
}

/** What a function of the draft has given, once each entry is known to be what it has to be. */
export function madeBy(who: string, part: string, section: unknown): Record<string, unknown> {
  const entries = section ?? {}
  if (!isObject(entries)) return fail(CODE, who, `${part} must give an object, {} for none`)
  const [kind = '', such = ''] = MADE[part] ?? []
  for (const [name, one] of Object.entries(entries))
    if (kind !== '' && (!isObject(one) || one['kind'] !== kind))
      fail(CODE, who, `${part}.${name} must be made with ${such.split('(')[0]}, such as ${such}`)
  return entries
}

/** What is bound on each fitting, and under `on` what hears its events. */
export function boundBy(who: string, section: unknown): Record<string, Record<string, unknown>> {
  const bound = madeBy(who, 'bind', section)
  for (const [fitting, entries] of Object.entries(bound)) {
    if (!isObject(entries)) fail(CODE, who, `bind.${fitting} must be an object, such as { bales: twoWay(cells.bales) }`)
    if (entries['on'] !== undefined && !isObject(entries['on']))
      fail(CODE, who, `bind.${fitting}.on must be an object, such as { press: [submit()] }`)
  }
  return bound as Record<string, Record<string, unknown>>
}
