import { equal, printed } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import type { HeardThen, Played, Row } from '../stage/played.js'
import { isTell, tell, type Move } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'

/** A tell is silent. */
export const quietWhenTold = clause({
  id: 'quiet-when-told',
  group: 'up',
  promise: 'It reports nothing when its owner tells it something, nor when it is mounted.',
  why: 'An echo makes the owner believe that the person edited: records count as changed, drafts open by themselves, two owners answer each other in a circle.',
  tried: 'Every name is told every sample of its type, alone and as they are explored, and what is heard is counted.',
  unprovenWhen: 'No sample of any name can be made.',
  random: 'tells',
  onTrial: 'tell',
  concerns: ({ values }) => Object.keys(values).length > 0,
  *trails(subject) {
    yield { given: subject.least, moves: [] }
    yield { given: subject.base, moves: [] }
    for (const { name } of [...subject.tellable].sort((one) => (one.kind === 'value' ? -1 : 1)))
      yield {
        given: subject.base,
        moves: subject
          .samples(name)
          .slice(0, 14)
          .map((sample) => tell({ [name]: sample })),
      }
    // Told while a report of what was typed is still held back: the owner's word came later.
    for (const { name, within } of subject.values.filter((value) => value.within > 0))
      for (const way of subject.ways.filter(({ changes, text }) => changes.has(name) && text !== undefined).slice(0, 2))
        for (const told of subject
          .plain(name)
          .filter((value) => value !== way.plainly.get(name) && !equal(value, way.given[name]))
          .slice(0, 1)) {
          const typed = way.moves.slice(0, 1)
          yield { given: way.given, moves: [...typed, tell({ [name]: told }), { wait: within + 200 }], hasty: true }
        }
    yield { given: subject.middle, moves: [] }
    for (const { name } of subject.tellable) {
      const there = subject.middle[name] ?? subject.plain(name)[0]
      if (there !== undefined) yield { given: { ...subject.middle, [name]: there }, moves: [{ retell: name }] }
    }
    // What is nothing to convert, to cut or to drop says nothing: what it holds besides is something, too.
    for (const { name, kind } of subject.tellable)
      if (kind === 'property')
        yield { given: subject.middle, moves: subject.plain(name).map((sample) => tell({ [name]: sample })) }
    for (const call of subject.calls)
      if (subject.contract.commands[call.command]?.reports === false) {
        for (const way of subject.chiefWays.slice(0, 6)) yield { given: way.given, moves: [...way.moves, call] }
        for (const { name } of subject.values)
          for (const value of subject.plain(name).slice(0, 2))
            yield { given: { ...subject.base, [name]: value }, moves: [call] }
      }
    for (const { moves } of subject.ways.filter((way) => way.changes.size > 0).slice(0, 6))
      for (const value of subject.values)
        for (const sample of subject.plain(value.name).slice(0, 2))
          yield { given: subject.middle, moves: [...moves, tell({ [value.name]: sample })] }
  },
  async judge(subject, played) {
    for (const [row, { move, heard }] of played.rows.entries()) {
      const command = move !== undefined && 'command' in move ? move.command : undefined
      if (command !== undefined && subject.contract.commands[command]?.reports === false) {
        const said = heard.find((one) => one.value !== undefined)
        if (said !== undefined)
          return {
            row,
            says: `it reports what ${command}() has made of it`,
            expected: 'nothing is heard: whoever calls it knows',
            found: `heard ${said.event} ${printed(said.payload)}`,
            cause: `${command}() takes the way of an edit`,
          }
      }
      const isAfterATell = isNews(played, row - 1)
      if (played.trail.hasty === true && isAfterATell && move !== undefined && 'wait' in move) {
        const late = heard.find((one) => one.value !== undefined)
        if (late !== undefined)
          return {
            row,
            says: 'it reports what was typed before its owner told something else',
            expected: 'nothing is heard: what was pending is overtaken',
            found: `heard ${late.event} ${printed(late.payload)}`,
            cause: 'what is told does not drop what is held back',
          }
      }
      if (move !== undefined && !isTell(move) && !('retell' in move)) continue
      const echo = heard.find(
        (one) => one.value !== undefined && !isAmendment(played, row, one.value) && !isDue(subject, one, move),
      )
      if (echo !== undefined)
        return leak(subject.contract.tag, row, move === undefined, echo.event, echo.payload, heard.length)
      const asEdited = await saidAsIfEdited(subject, played, row)
      if (asEdited !== undefined) return asEdited
      const strange = move === undefined ? undefined : await changedByItself(subject, played, row)
      if (strange !== undefined) return strange
    }
    return undefined
  },
})

/** What else it says when a person has edited something, it does not say when its owner tells that same value. */
async function saidAsIfEdited(subject: Subject, { rows }: Played, at: number): Promise<LeakAt | undefined> {
  const { move, heard } = rows[at] as Row
  if (!isTell(move)) return undefined
  const told = Object.keys(move.tell)
  const said = heard.find(({ value }) => value === undefined)
  if (said === undefined || told.some((name) => !subject.values.some((value) => value.name === name))) return undefined
  const ways = subject.ways.filter(({ changes }) => told.some((name) => changes.has(name)))
  for (const { given, moves } of ways) {
    const edited = await subject.play({ given, moves })
    if (!edited.rows.slice(1).some((row) => row.heard.some(({ event }) => event === said.event))) continue
    return {
      row: at,
      says: `it sends ${said.event}, as after an edit, when its owner tells ${told.join(' and ')}`,
      expected: 'nothing is heard: nobody has edited',
      found: `heard ${said.event} ${printed(said.payload)}`,
      cause: 'it is sent from where the value is set, and not from where the person edits',
    }
  }
  return undefined
}

/** A component that amends a tell may report once what it made of it. */
function isAmendment({ rows }: Played, at: number, value: string): boolean {
  const row = rows[at]
  const reports = row?.heard.filter((one) => one.value === value) ?? []
  return (
    reports.length === 1 &&
    reports.every((one) => !equal(one.payload, one.knownThen) && equal(one.payload, row?.read[value]))
  )
}

/** What it makes of a value when something else is told, it makes of it at the mount, too: else it is a change of its own. */
async function changedByItself(subject: Subject, { rows }: Played, at: number): Promise<LeakAt | undefined> {
  const [before, row] = [rows[at - 1], rows[at]]
  if (before === undefined || row === undefined || !isTell(row.move)) return undefined
  const { tell: told } = row.move
  const one = row.heard.find(({ value }) => value !== undefined && !(value in told))
  const name = one?.value
  if (one === undefined || name === undefined || isDue(subject, one, row.move)) return undefined
  const fresh = await subject.fresh({ ...before.held, ...told })
  if (fresh.fault !== undefined || fresh.unsettled !== undefined || fresh.heard.length > 0) return undefined
  if (!equal(fresh.read[name], before.held[name])) return undefined
  return {
    row: at,
    says: `it changes ${name} when ${Object.keys(told).join(' and ')} is told, and a fresh one with the same does not`,
    expected: `${name} ${printed(before.held[name])}, and nothing is heard`,
    found: `heard ${one.event} ${printed(one.payload)}`,
  }
}

function leak(tag: string, row: number, isMount: boolean, event: string, payload: unknown, count: number): LeakAt {
  return {
    row,
    says: isMount ? 'it reports when it is mounted' : 'it reports what it was told',
    expected: 'nothing is heard',
    found: `heard ${event} ${printed(payload)}${count > 1 ? `, ${count} reports in all` : ''}`,
    cause: `<${tag}> reports from where the value is set, and not from where the person edits`,
  }
}

/** Whether something else is told than what stands: what is there already leaves what is pending alone. */
function isNews({ rows }: Played, at: number): boolean {
  const [before, told] = [rows[at - 1], rows[at]]
  if (before === undefined || !isTell(told?.move)) return false
  return Object.entries(told.move.tell).some(([name, value]) => !equal(before.held[name], value))
}

/** What its contract has it say when its entry goes from the list. */
function isDue({ values }: Subject, { value, payload }: HeardThen, move: Move | undefined): boolean {
  const clause = values.find(({ name }) => name === value)
  const list = clause?.among?.reported === true ? clause.among.list : undefined
  return list !== undefined && isTell(move) && list in move.tell && equal(payload, clause?.empty)
}
