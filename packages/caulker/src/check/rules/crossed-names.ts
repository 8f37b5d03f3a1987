import { isPayload, type Steps } from '../../wiring/index.js'
import { isReadable } from '../reading/given.js'
import type { ScreenView } from '../reading/screen-view.js'
import { sendings } from '../reading/sends.js'
import { leak, screenRule, type Leak } from './rule.js'

/** Two names that are each given what the other is called. */
export const crossedNames = screenRule({
  id: 'crossed-names',
  level: 'warning',
  title: 'Two names stand crosswise',
  why: 'Both are of one type, so nothing complains: the day of arrival is sent as the day of leaving, and the other way round.',
  mend: 'Give each what it is called; or call the cells otherwise, if it is meant.',
  leaking: `
import { contract, screen, twoWay, Type } from 'caulker'
const stay = contract('berth-stay', { values: { from: { type: Type.String() }, until: { type: Type.String() } } })
export const berth = screen('berth', {
  cells: { from: { type: Type.String(), initial: '' }, until: { type: Type.String(), initial: '' } },
  fittings: { stay },
  bind: ({ cells }) => ({ stay: { from: twoWay(cells.until), until: twoWay(cells.from) } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const stay = contract('berth-stay', { values: { from: { type: Type.String() }, until: { type: Type.String() } } })
export const berth = screen('berth', {
  cells: { from: { type: Type.String(), initial: '' }, until: { type: Type.String(), initial: '' } },
  fittings: { stay },
  bind: ({ cells }) => ({ stay: { from: twoWay(cells.from), until: twoWay(cells.until) } }),
})`,
  *find(view) {
    for (const { at, names } of mappings(view)) yield* crossed(at, names)
  },
  *findAcross({ journey }) {
    for (const [screen, shares] of Object.entries(journey.shares))
      yield* crossed(['shares', screen], new Map(Object.entries(shares)))
  },
})

function* crossed(at: readonly string[], names: ReadonlyMap<string, string>): Iterable<Leak> {
  for (const [name, given] of names)
    if (name < given && names.get(given) === name)
      yield leak([...at, name], `'${name}' is given '${given}', and '${given}' is given '${name}'`)
}

interface Mapping {
  readonly at: readonly string[]
  /** By name, the name of what it is given: a cell, or a member of what was heard. */
  readonly names: ReadonlyMap<string, string>
}

/** What is bound on each fitting, what is sent to each operation, and what is taken out of a payload. */
function mappings(view: ScreenView): Mapping[] {
  const bound = view.fittings.map(({ name, bindings }): Mapping => ({
    at: ['bind', name],
    names: namesOf([...bindings].flatMap(([key, one]) => (one.kind === 'constant' ? [] : [[key, one.source]]))),
  }))
  const sent = sendings(view).map(({ at, members }): Mapping => ({ at, names: namesOf(Object.entries(members)) }))
  const heard = view.actions.map(({ at, action }): Mapping => ({ at, names: namesOf(heardBy(action.steps)) }))
  return [...bound, ...sent, ...heard]
}

/** Two cells that are set to each other are a swap; two that take each other's member of what was heard are not. */
function heardBy(steps: Steps): [string, unknown][] {
  return steps.flatMap((step): [string, unknown][] =>
    step.step === 'set' && isPayload(step.value) ? [[step.cell.name, step.value]] : [],
  )
}

function namesOf(entries: readonly (readonly [string, unknown])[]): Map<string, string> {
  return new Map(
    entries.flatMap(([key, given]) => {
      if (isReadable(given)) return [[key, given.name] as const]
      return isPayload(given) ? [[key, given.at.split('/').at(-1) ?? ''] as const] : []
    }),
  )
}
