import { closest } from '../../words/index.js'
import { equal, printed, type PropertyClause } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { unlikeFresh } from './laws.js'
import { attributeText } from '../../contract/index.js'
import type { Played, Row } from '../stage/played.js'
import { fromDefaultToo } from '../subject/other-mounts.js'
import { isGesture, isTell, settlesEdits, tell, without, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import { afterIts, isAfterIts, overridesWhatStands } from './only-a-default.js'

/** An attribute says what its property says, and the other way round where the contract reflects it. */
export const attributeAgrees = clause({
  id: 'attribute-agrees',
  group: 'down',
  promise:
    'An attribute means what its property means, at the mount and later, and a removed one means that nothing is given.',
  why: 'Markup, servers and style sheets know attributes only. One that is read as a text, read once, or spelt otherwise works in a script and not in a page.',
  tried:
    'Ordinary values are given as attributes, set and removed later; where the contract reflects a property, it is told and edited, and the attribute is read; one that only gives the default is set after the value was told or edited.',
  unprovenWhen: 'It observes no attribute of its contract.',
  random: 'none',
  onTrial: 'tell',
  needsElement: true,
  concerns: (contract) =>
    Object.values<PropertyClause>({ ...contract.properties, ...contract.values }).some(
      ({ attribute, only }) => attribute !== false && only === undefined,
    ),
  *trails(subject) {
    for (const clauseOf of judgedNames(subject)) yield* [...trailsOf(subject, clauseOf), ...afterIts(subject, clauseOf)]
  },
  async judge(subject, played) {
    if (isAfterIts(subject, played.trail)) return overridesWhatStands(subject, played)
    const unlike = played.trail.moves.some((move) => isGesture(move) || 'command' in move)
      ? undefined
      : await unlikeItsProperty(subject, played)
    return unlike ?? notReflected(subject, played)
  },
})

/**
 * The names whose attribute it observes. Where it observes one that no name has, it may have misspelt one that it does not: then all are
 * judged.
 */
export function judgedNames(subject: Subject): PropertyClause[] {
  const observed = (
    (subject.define as { observedAttributes?: readonly string[] } | undefined)?.observedAttributes ?? []
  ).map((name) => name.toLowerCase())
  const withAttribute = subject.names.filter(({ attribute, only }) => attribute !== false && only === undefined)
  const strange = observed
    .filter(
      (name) =>
        !/^(?:aria-|on|data-)|^(?:name|form|disabled|required|readonly|value|tabindex|style|class|id|hidden|lang|dir|title|label)$/.test(
          name,
        ),
    )
    .filter((name) => !subject.names.some(({ attribute }) => attribute === name))
  const unobserved = withAttribute
    .map(({ attribute }) => attribute as string)
    .filter((name) => !observed.includes(name))
  const meant = strange.map((name) => closest(name, unobserved))
  return withAttribute.filter(
    ({ attribute }) => observed.includes(attribute as string) || meant.includes(attribute as string),
  )
}

function* trailsOf(subject: Subject, clauseOf: PropertyClause): Iterable<Trail> {
  const { name, attribute, reflects, attributeGives } = clauseOf
  if (attribute === false) return
  const [value, other] = subject.plain(name)
  // What takes no tell after the mount takes none in markup either.
  const isTellable = subject.tellable.some((one) => one.name === name)
  for (const one of [value, other].filter((given) => given !== undefined)) {
    yield { given: { ...subject.base, [name]: one }, moves: [], setting: 'attributes' }
    if (!isTellable) continue
    const text = attributeText(clauseOf, one)
    // What only gives the default changes nothing once the value itself was given.
    const given = attributeGives === 'default' ? without(subject.base, name) : subject.base
    if (text !== undefined) yield { given, moves: [{ attribute, text }] }
  }
  if (!isTellable) return
  // One that is read once is read the first time that it changes.
  const texts = [value, other].map((one) => (one === undefined ? undefined : attributeText(clauseOf, one)))
  const [text, again] = texts
  // Of two that bound each other the first may have moved the second.
  if (text !== undefined && again !== undefined && attributeGives !== 'default' && isAlone(subject, name))
    yield { given: subject.base, moves: [text, again].map((one) => ({ attribute, text: one })) }
  if (!clauseOf.required && value !== undefined)
    yield { given: { ...subject.base, [name]: value }, moves: [{ attribute, text: null }], setting: 'attributes' }
  if (reflects)
    for (const one of [value, other])
      if (one !== undefined) yield { given: subject.base, moves: [tell({ [name]: one })] }
  if (reflects) yield* reflectedLater(subject, clauseOf)
}

/** An edit, from its default as well, and what each command makes of that. */
function* reflectedLater(subject: Subject, { name }: PropertyClause): Iterable<Trail> {
  for (const { given, moves } of subject.chiefWays.filter(({ changes }) => changes.has(name)).slice(0, 2))
    for (const from of fromDefaultToo(subject, name, given))
      for (const call of [[], ...subject.calls.map((one) => [one])]) yield { given: from, moves: [...moves, ...call] }
}

function isAlone({ values }: Subject, name: string): boolean {
  return !values.some(
    (value) =>
      (value.name === name && (value.bounds.least ?? value.bounds.most ?? value.step) !== undefined) ||
      [value.bounds.least, value.bounds.most, value.step].includes(name),
  )
}

async function unlikeItsProperty(subject: Subject, { rows, trail }: Played): Promise<LeakAt | undefined> {
  for (const [at, row] of rows.entries()) {
    const move = row.move
    if (isTell(move) || (at === 0 && trail.setting !== 'attributes')) continue
    // A value that a bound brought in at the mount may stay where it is when the bound goes: markup has no last word on it.
    if (at > 0 && Object.entries(trail.given).some(([name, value]) => !equal(rows[0]?.held[name], value))) continue
    const given = { ...trail.given }
    if (move !== undefined && 'attribute' in move) {
      const named = subject.names.find(({ attribute }) => attribute === move.attribute) as PropertyClause
      const told = [...subject.plain(named.name)].find((one) => equal(attributeText(named, one), move.text))
      if (move.text === null && told === undefined) delete (given as Record<string, unknown>)[named.name]
      else (given as Record<string, unknown>)[named.name] = told
    }
    const fresh = await subject.fresh(given)
    if (fresh.fault !== undefined || fresh.unsettled !== undefined) return undefined
    const leak = unlikeFresh({ ...row, held: given }, rows[at - 1] ?? fresh, fresh)
    if (leak !== undefined)
      return {
        row: at,
        says:
          at === 0
            ? 'an attribute means something else than its property'
            : move !== undefined && 'attribute' in move && move.text === null
              ? 'an attribute that is taken away is not taken for nothing given'
              : 'a changed attribute is not followed as its property is',
        expected: leak.expected,
        found: leak.found,
      }
  }
  return undefined
}

function notReflected(subject: Subject, { rows }: Played): LeakAt | undefined {
  for (const [at, row] of rows.entries())
    for (const name of changedAt(row, rows[at - 1] ?? row)) {
      const named = subject.names.find((one) => one.name === name) as PropertyClause
      const read = row.read[name]
      const text = attributeText(named, read)
      if (!named.reflects || named.attribute === false || text === undefined || isOpen(row, name)) continue
      const found = attributeIn(row, named.attribute)
      // An empty text may as well be no attribute at all; what is on is there.
      if (found !== text && !(read === '' && found === null))
        return {
          row: at,
          says: `${name} is not reflected to its attribute`,
          expected: `${named.attribute} ${printed(text)}`,
          found: `${named.attribute} ${printed(found)}`,
        }
    }
  return undefined
}

/** What owner and component do not agree on; who calls a command that does not report knows what it does. */
function isOpen({ move, read, held }: Row, name: string): boolean {
  return !(move !== undefined && 'command' in move) && !equal(read[name], held[name])
}

/** What was told, what an edit that is over has changed, or what a command has. */
function changedAt({ move, heard, read }: Row, before: Row): string[] {
  if (isTell(move)) return Object.keys(move.tell)
  if (isGesture(move)) return settlesEdits(move) ? heard.flatMap(({ value }) => value ?? []) : []
  const isCommand = move !== undefined && 'command' in move
  return isCommand ? Object.keys(read).filter((name) => !equal(read[name], before.read[name])) : []
}

function attributeIn({ around }: Row, name: string): string | null {
  return around.attributes[name] ?? null
}
