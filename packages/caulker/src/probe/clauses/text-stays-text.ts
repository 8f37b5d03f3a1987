import { equal, isHost, printed } from '../../contract/index.js'
import { clause, type Examined } from './clause.js'
import { shadowOf } from '../../dom/index.js'
import { ledgerOf } from '../stage/ledger.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { Given } from '../../mount/index.js'

const MARK = 'data-caulker-mark'
const TEXT = `<b ${MARK}>oakum</b>`

/** No property becomes HTML. */
export const textStaysText = clause({
  id: 'text-stays-text',
  group: 'down',
  promise: 'A text stays a text: what stands in a property never becomes an element of the page.',
  why: 'Whatever a person enters elsewhere runs here: a name with a script in it reads the session of whoever looks at it.',
  tried: 'Each text is given with an element written in it, as is each text in a list or an object; and one is typed.',
  unprovenWhen: 'No name takes just any text.',
  random: 'none',
  onTrial: 'mount',
  concerns: () => true,
  *trails() {},
  judge: () => undefined,
  async examine(subject): Promise<Examined> {
    let held = 0
    for (const { name } of subject.names) {
      for (const value of [TEXT, ...subject.plain(name).slice(0, 2).flatMap(withText)]) {
        const given = { ...subject.middle, [name]: value }
        if (!equal(subject.ideally(name, given), value)) continue
        if ((await subject.look(given, marks)) === true) return leakOf(subject, name, given)
        held++
      }
    }
    for (const { given, moves, control } of typedTexts(subject)) {
      const [, ...ends] = moves
      const written = [gesture({ do: 'type', on: control, text: TEXT }), ...ends]
      if ((await subject.lookAfter(given, written, marks)) === true)
        return typedLeak(subject, { given, moves: written }, 'an element <b> that nobody wrote into the page')
      const played = await subject.play({ given, moves: written })
      const escaped = subject.values
        .map(({ name }) => played.rows.at(-1)?.read[name])
        .find((value) => typeof value === 'string' && value.includes('&lt;b '))
      if (escaped !== undefined) return typedLeak(subject, { given, moves: written }, `taken as ${printed(escaped)}`)
      if (subject.values.some(({ name }) => played.rows.at(-1)?.read[name] === TEXT)) held++
    }
    return held > 0 ? { held } : { unproven: 'No name takes just any text.' }
  },
})

/** The first way by which a plain text is typed into each field. */
function typedTexts({ ways }: Subject): Way[] {
  return oneAtEach(
    ways.filter(({ control, moves: [first], text }) => isField(control) && isDone(first, 'type') && text !== ''),
  )
}

async function typedLeak(subject: Subject, trail: Trail, found: string): Promise<Examined> {
  const played = await subject.play(trail)
  return {
    leak: {
      says: 'what a person types is taken for HTML',
      expected: `the text ${TEXT}`,
      found,
      cause: 'it is read or written with innerHTML; a text is read and written with textContent',
      ledger: ledgerOf(subject.contract, played, played.rows.length - 1),
    },
  }
}

async function leakOf(subject: Subject, name: string, given: Given): Promise<Examined> {
  const played = await subject.play({ given, moves: [] })
  return {
    leak: {
      says: `what stands in ${name} becomes an element`,
      expected: `shown ${TEXT}`,
      found: 'an element <b> that nobody wrote into the page',
      cause: 'it is set with innerHTML; a text is set with textContent',
      ledger: ledgerOf(subject.contract, played, 0),
    },
  }
}

/** The same list or object with the text in one of its places, once for each place; of a list only the first entry. */
function withText(value: unknown): unknown[] {
  if (typeof value === 'string') return [TEXT]
  if (Array.isArray(value))
    return value.slice(0, 1).flatMap((first) => withText(first).map((one) => [one, ...value.slice(1)]))
  if (typeof value !== 'object' || value === null || isHost(value)) return []
  const parts = value as Readonly<Record<string, unknown>>
  return Object.entries(parts).flatMap(([name, part]) => withText(part).map((one) => ({ ...parts, [name]: one })))
}

/** Whether an element of the text stands anywhere, through open shadow roots. */
function marks(root: ParentNode): boolean {
  if (root.querySelector(`[${MARK}]`) !== null) return true
  return [...root.querySelectorAll('*')].some((element) => {
    const shadow = shadowOf(element)
    return shadow !== null && marks(shadow)
  })
}
