import { equal, printed, samplesOf, type Amend, type TSchema } from '../../contract/index.js'
import type { CellClause } from '../../wiring/index.js'
import { intercepted } from '../reading/intercepted.js'
import { designRule, leak, type Leak } from './rule.js'

/** An amendment that does not leave alone what it has made. */
export const restlessAmend = designRule({
  id: 'restless-amend',
  level: 'warning',
  title: 'An amendment changes its own outcome once more',
  why: 'What stands is told to components and comes back from them; each time it is amended anew, and the value creeps on by itself.',
  mend: 'Let it leave alone what is right already: amended twice is amended once.',
  leaking: `
import { contract, screen, twoWay, Type } from 'caulker'
const text = contract('yard-text', { values: { text: { type: Type.String(), default: '' } } })
export const berth = screen('berth', {
  cells: { note: { type: Type.String(), initial: '', amend: (note) => (note === '' ? note : note + '.') } },
  fittings: { text },
  bind: ({ cells }) => ({ text: { text: twoWay(cells.note) } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const text = contract('yard-text', { values: { text: { type: Type.String(), default: '' } } })
export const berth = screen('berth', {
  cells: { note: { type: Type.String(), initial: '', amend: (note) => (note === '' || note.endsWith('.') ? note : note + '.') } },
  fittings: { text },
  bind: ({ cells }) => ({ text: { text: twoWay(cells.note) } }),
})`,
  *find(design) {
    for (const { name, clause, before, at, of } of intercepted(design))
      for (const found of creeping(name, clause, before)) yield { ...found, at, of }
  },
})

type Amended = Pick<CellClause, 'amend'> & { readonly type: TSchema; readonly amend: readonly Amend<unknown>[] }

function* creeping(name: string, { type, amend }: Amended, before: unknown): Iterable<Leak> {
  if (amend.length === 0) return
  for (const sample of samplesOf(type)) {
    try {
      const [once, twice, ...later] = again(amend, sample, before)
      // What comes to rest after a round or two, as a text that is cut and trimmed, creeps no further.
      if (equal(once, twice) || later.some((one, at) => equal(one, [twice, ...later][at]))) continue
      yield leak(
        [name],
        `'${name}' amends ${printed(sample)} to ${printed(once)}, and that to ${printed(twice)} when it is told again`,
      )
      return
    } catch {
      // What throws is told by the run that meets it.
    }
  }
}

/** What a value becomes when it is told four times over. */
function again(amend: readonly Amend<unknown>[], value: unknown, before: unknown): unknown[] {
  const made: unknown[] = []
  for (let round = 0, [now, was] = [value, before]; round < 4; round++) {
    const next = amend.reduce((one, hook) => hook(one, was), now)
    made.push(next)
    was = now = next
  }
  return made
}
