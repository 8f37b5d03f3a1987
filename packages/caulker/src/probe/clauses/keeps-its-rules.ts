import { accepts, equal, givenClauses, printed, settle, type PropertyClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { gesture, isTell, settlesEdits, tell } from '../stage/trail.js'
import type { Played, Row } from '../stage/played.js'
import type { Subject, Way } from '../subject/subject.js'
import { clause, type LeakAt } from './clause.js'
import { enteredText, retyped } from './ways-at-bounds.js'

/** What a contract amends and refuses holds on every way in. */
export const keepsItsRules = clause({
  id: 'keeps-its-rules',
  group: 'bounds',
  promise:
    'What its contract amends and refuses is amended and refused on every way in: given, told, typed, and by each of its controls.',
  why: 'A name that is trimmed when it is typed, and not when it is told, is two names: the list that holds it finds one and not the other.',
  tried:
    'Values that the contract amends or refuses are given, told, typed and left; each report, and all that stands, is put to amend and refuse once more.',
  unprovenWhen: 'No value was found that it amends or refuses.',
  random: 'any',
  onTrial: 'gesture',
  concerns: (contract) => givenClauses(contract).some(hasRules),
  *trails(subject) {
    for (const name of ruled(subject)) {
      const told = unlike(subject, name)
      for (const value of told.slice(0, MOST)) {
        yield { given: subject.middle, moves: [tell({ [name.name]: value })], unbounded: true }
        yield { given: { ...subject.base, [name.name]: value }, moves: [], unbounded: true }
      }
      for (const { way, texts } of typedWays(subject, name, told))
        for (const text of texts)
          yield {
            given: way.given,
            moves: [...way.moves.map((move) => retyped(move, text)), gesture({ do: 'leave' })],
            unbounded: true,
          }
    }
  },
  proves: (subject, { trail, rows }) =>
    ruled(subject).some((name) => {
      const values = unlike(subject, name)
      const entered = [trail.given, ...trail.moves.map((move) => (isTell(move) ? move.tell : {}))]
      return (
        entered.some((one) => values.some((value) => equal(value, one[name.name]))) ||
        rows.some(({ heard }) => heard.some(({ value }) => value === name.name))
      )
    }),
  judge: (subject, played) => {
    for (const name of ruled(subject))
      for (const [at, row] of played.rows.entries()) {
        const leak =
          reported(name, played, at) ?? standing(subject, name, played, at, row) ?? otherwise(subject, name, played, at)
        if (leak !== undefined) return leak
      }
    return undefined
  },
})

/** As many values are tried on each way. */
const MOST = 4

function hasRules({ amend, refuse }: PropertyClause): boolean {
  return amend.length + refuse.length > 0
}

function ruled({ names }: Subject): readonly PropertyClause[] {
  return names.filter(hasRules)
}

interface Broken {
  readonly isRefused: boolean
  readonly says: string
  readonly due: string
}

/** What goes through amend is to come out as it went in, and refuse is to let it pass. */
function brokenRule(name: PropertyClause, value: unknown, before: unknown): Broken | undefined {
  if (!accepts(name.type, value)) return undefined
  try {
    const settled = settle(name, value, before)
    if (!settled.stands)
      return { isRefused: true, says: 'refused by its contract', due: `anything but that: “${settled.reason}”` }
    return equal(settled.value, value)
      ? undefined
      : { isRefused: false, says: 'not amended', due: printed(settled.value) }
  } catch {
    return undefined
  }
}

/** Values of a name that its rules do not let stand as they are: some that are amended, some that are refused, and then the others. */
function unlike(subject: Subject, name: PropertyClause): unknown[] {
  const before = subject.middle[name.name]
  const found = [...subject.drawn(name.name), ...otherwiseWritten(subject, name)].flatMap((value) => {
    const broken = equal(value, before) ? undefined : brokenRule(name, value, before)
    return broken === undefined ? [] : [{ value, isRefused: broken.isRefused }]
  })
  const some = (isRefused: boolean) => found.filter((one) => one.isRefused === isRefused).slice(0, MOST / 2)
  const values = [...some(false), ...some(true), ...found].map(({ value }) => value)
  return values.filter((value, at, all) => all.findIndex((one) => equal(one, value)) === at)
}

/** Texts that mean the same to most: with spaces around them, in capitals and in small letters. */
function otherwiseWritten(subject: Subject, { name, type }: PropertyClause): string[] {
  const texts = subject.drawn(name).filter((value): value is string => typeof value === 'string' && value.trim() !== '')
  const all = texts.slice(0, 2).flatMap((text) => [`  ${text} `, text.toUpperCase(), text.toLowerCase()])
  return all.filter((text) => accepts(type, text))
}

/** Each field that takes a text for it, with what its rules change or turn down, and with two words. */
function typedWays(
  subject: Subject,
  { name, type }: PropertyClause,
  unlike: readonly unknown[],
): { way: Way; texts: string[] }[] {
  const ways = subject.ways.filter(({ changes, text }) => changes.has(name) && text !== undefined).slice(0, 2)
  const texts = unlike
    .filter((one) => typeof one === 'string' || typeof one === 'number')
    .slice(0, MOST)
    .map(String)
  return ways.map((way) => {
    const words = `${way.text} tar`
    return { way, texts: accepts(type, words) ? [...texts, words] : texts }
  })
}

/** What is typed as a whole stands as the rules make it, and as nothing else. */
function otherwise(subject: Subject, name: PropertyClause, { trail, rows }: Played, at: number): LeakAt | undefined {
  const row = rows[at] as Row
  const text = trail.moves.map(enteredText).find((one) => one !== undefined)
  const isWhole = subject.ways.some(({ plainly, text: typed }) => typed !== undefined && plainly.has(name.name))
  if (at !== trail.moves.length || text === undefined || !isWhole || trail.unbounded !== true) return undefined
  if (!accepts(name.type, text) || brokenRule(name, text, rows[0].read[name.name])?.isRefused === true) return undefined
  const due = subject.ideally(name.name, { ...rows[0].held, [name.name]: text })
  const came = row.read[name.name]
  if (equal(came, due) || typeof came !== typeof due) return undefined
  return {
    row: at,
    says: `${printed(text)} is typed, and ${name.name} becomes ${printed(came)}`,
    expected: `${name.name} ${printed(due)}`,
    found: `${name.name} ${printed(came)}`,
    cause: 'more is done to what is typed than its contract says',
  }
}

/** Each report says what went through the rules. */
function reported(name: PropertyClause, { rows }: Played, at: number): LeakAt | undefined {
  const row = rows[at] as Row
  for (const { value, event, payload, knownThen } of row.heard) {
    const broken = value === name.name ? brokenRule(name, payload, knownThen) : undefined
    if (broken !== undefined)
      return {
        row: at,
        says: `it reports ${name.name} ${printed(payload)}, which is ${broken.says}`,
        expected: `${name.name} ${broken.due}`,
        found: `heard ${event} ${printed(payload)}`,
      }
  }
  return undefined
}

/** What was given, told or entered stands as the rules have made it. */
function standing(
  subject: Subject,
  name: PropertyClause,
  { trail, rows }: Played,
  at: number,
  row: Row,
): LeakAt | undefined {
  if (!settlesEdits(row.move) || row.fault !== undefined || row.impossible !== undefined) return undefined
  const stands = row.read[name.name]
  const before = rows[at - 1]?.read[name.name]
  // What stands from the beginning, or has stood before, was judged then.
  if (stands === undefined || (at > 0 && equal(stands, before))) return undefined
  const told = toldAt(trail.given, row, name.name)
  if (at === 0 && told === undefined) return undefined
  const broken = brokenRule(name, stands, before ?? subject.middle[name.name])
  // A first value that is refused has nothing to fall back to.
  if (broken !== undefined && (at > 0 || !broken.isRefused))
    return {
      row: at,
      says: `${name.name} ${printed(stands)} stands, which is ${broken.says}`,
      expected: `${name.name} ${broken.due}`,
      found: `${name.name} ${printed(stands)}`,
      cause: `${at === 0 ? 'what is given at the mount' : isTell(row.move) ? 'what is told' : 'this way in'} does not go through the rules that the other ways go through`,
    }
  return undefined
}

function toldAt(given: Given, { move }: Row, name: string): unknown {
  return move === undefined ? given[name] : isTell(move) ? move.tell[name] : undefined
}
