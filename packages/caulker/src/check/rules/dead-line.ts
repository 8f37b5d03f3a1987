import { parse, SelectorType } from 'css-what'
import type { Handler } from '../../wiring/index.js'
import { designRule, leak } from './rule.js'

/** A line of a table of handlers that can never be hit, or that another line has already. */
export const deadLine = designRule({
  id: 'dead-line',
  level: 'error',
  title: 'A line of a table of handlers is dead or doubled',
  why: 'The person presses, and nothing happens; or it happens twice, and what was meant once is sent or counted twice.',
  mend: 'Give each event and place one line, and a selector that an element inside can match.',
  leaking: `
import { contract, handlers } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', commands: { release: {} } })
export const table = handlers(winch, [{ event: 'click', at: '.release[', does: 'release' }])`,
  mended: `
import { contract, handlers } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', commands: { release: {} } })
export const table = handlers(winch, [{ event: 'click', at: '.release', does: 'release' }])`,
  *find({ handlers }) {
    for (const table of handlers) {
      const of = { name: table.contract.tag, written: table }
      const seen = new Map<string, Handler>()
      for (const line of table.lines) {
        const where = line.at === undefined ? `'${line.event}'` : `'${line.event}' at '${line.at}'`
        const wrong = line.at === undefined ? undefined : wrongSelector(line.at)
        if (wrong !== undefined) yield { ...leak([], `${where} is never hit: ${wrong}`), of }
        const key = `${line.event} ${(line.at ?? '').trim().replace(/\s+/g, ' ')}`
        const other = seen.get(key)
        seen.set(key, line)
        if (other === undefined) continue
        const again = other.does === line.does ? 'does the same twice' : 'has two lines, and both run'
        yield { ...leak([], `${where} ${again}`, { level: other.does === line.does ? 'error' : 'warning' }), of }
      }
    }
  },
})

/** Why no element can match a selector (Selectors Level 4). */
/** One that stands between two elements; the parser takes one at either end, too. */
function isCombinator(token: ReturnType<typeof parse>[number][number] | undefined): boolean {
  return token === undefined || COMBINATORS.includes(token.type)
}

const COMBINATORS: readonly string[] = [
  SelectorType.Child,
  SelectorType.Descendant,
  SelectorType.Adjacent,
  SelectorType.Sibling,
]

function wrongSelector(at: string): string | undefined {
  try {
    const ways = parse(at)
    if (ways.some((tokens) => isCombinator(tokens[0]) || isCombinator(tokens.at(-1)))) return 'it is no selector'
    const isDead = (tokens: (typeof ways)[number]) =>
      tokens.some(({ type }) => type === SelectorType.PseudoElement || type === SelectorType.ColumnCombinator)
    return ways.every(isDead) ? 'a part of the picture is no element that an event can hit' : undefined
  } catch {
    return 'it is no selector'
  }
}
