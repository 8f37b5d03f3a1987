import { accepts, equal, printed, samplesOf, typeText, type Refuse, type TSchema } from '../../contract/index.js'
import type { CellClause } from '../../wiring/index.js'
import { intercepted } from '../reading/intercepted.js'
import { designRule, leak, type Leak } from './rule.js'

/** An interception that lets no value through as it was entered. */
export const takesNothing = designRule({
  id: 'takes-nothing',
  level: 'error',
  title: 'Whatever is entered, nothing comes of it',
  why: 'The amendment makes the same of every value, or gives none back: the person types, and the field shows what stood before.',
  mend: 'Give back the amended value; look at the order of the bounds, if it brings one in.',
  leaking: `
import { contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0, amend: (turns) => Math.min(Math.max(turns, 40), 0) } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0, amend: (turns) => Math.max(Math.min(turns, 40), 0) } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
})`,
  *find(design) {
    for (const { name, clause, before, at, of } of intercepted(design))
      for (const found of wall(name, clause, before)) yield { ...found, at, of }
  },
})

function* wall(name: string, { type, amend, refuse }: Pick<CellClause, 'type' | 'amend' | 'refuse'>, before: unknown) {
  const samples = samplesOf(type)
  if (samples.length < 2) return
  yield* madeOne(name, { type, amend }, samples, before)
  yield* oddReason(name, { refuse }, samples, before)
}

/** What throws for one value is told by the run that meets it. */
function* madeOne(
  name: string,
  { type, amend }: Pick<CellClause, 'type' | 'amend'>,
  samples: readonly unknown[],
  before: unknown,
): Iterable<Leak> {
  if (amend.length === 0) return
  let made: unknown[]
  try {
    made = samples.map((sample) => amend.reduce((value, hook) => hook(value, before), sample))
  } catch {
    return
  }
  if (made.every((value) => value === undefined))
    yield leak([name], `'${name}' is amended to undefined, whatever is entered`, {
      mend: 'The function has no return.',
    })
  else if (made.every((value) => !accepts(type, value)))
    yield leak(
      [name],
      `'${name}' is amended to what is not of its type, ${typeText(type)}: ${printed(samples[0])} to ${printed(made[0])}`,
    )
  else if (made.every((value) => equal(value, made[0])) && !mayKnowTexts(type, amend))
    yield leak([name], `'${name}' is amended to ${printed(made[0])}, whatever is entered`)
}

/** A function that looks at a text may well know one that was not tried. */
function mayKnowTexts(type: TSchema, amend: CellClause['amend']): boolean {
  return accepts(type, 'oakum') && accepts(type, 'Ægir') && amend.every(looksAtIt)
}

function looksAtIt(hook: (value: never, before: never) => unknown): boolean {
  if (hook.length === 0) return false
  const code = String(hook)
  const name = /^(?:function\s*\w*\s*)?\(?\s*([\w$]+)/.exec(code)?.[1]
  return name === undefined || code.split(new RegExp(`(?<![\\w$])${name.replaceAll('$', '\\$')}(?![\\w$])`)).length > 2
}

/** A reason is a text that the person reads; nothing lets a value pass. */
function* oddReason(
  name: string,
  { refuse }: Pick<CellClause, 'refuse'>,
  samples: readonly unknown[],
  before: unknown,
): Iterable<Leak> {
  for (const hook of refuse)
    for (const sample of samples) {
      const reason = outcomeOf(hook, sample, before)
      if (reason === undefined || reason === null || reason === false || typeof reason === 'string') continue
      yield leak([name], `'${name}' refuses ${printed(sample)} with ${printed(reason)}, which is no reason to read`, {
        mend: 'Give the reason as a text; nothing, where the value may pass.',
      })
      return
    }
}

function outcomeOf(hook: Refuse<unknown>, value: unknown, before: unknown): unknown {
  try {
    return hook(value, before)
  } catch {
    return undefined
  }
}
