import { equal, reasonAgainst, settle, typeText, type Settled } from '../../contract/index.js'
import type { BoundName } from '../plan/index.js'
import { atBounds } from './bounds.js'
import { computeWaiting } from './reckon.js'
import { entries, keyOf, problemsOf, put, screenOf, setProblem, was, write, type Proposal, type Work } from './work.js'

/** Type and `amend`, at once; bounds, step and `refuse` are judged when the whole transaction stands. */
export function propose(work: Work, cell: number, value: unknown, from: Partial<Omit<Proposal, 'value'>> = {}): void {
  const clause = work.machine.cells[cell]
  if (clause === undefined) return
  if (from.by === 'person') value = blanked(work, cell, value)
  const proposal: Proposal = { value, by: 'owner', place: `${cell}`, screen: clause.screen, ...from }
  // What started with something may not be without it; what started with nothing may be so again.
  if (value === undefined && clause.initial !== undefined)
    return refused(work, cell, proposal, `nothing is given, and it is of type ${typeText(clause.type)}`)
  const settled = settle({ type: clause.type, amend: clause.amend, refuse: [] }, value, was(work, cell))
  if (!settled.stands) return refused(work, cell, proposal, settled.reason)
  work.proposed.set(cell, proposal)
  write(work, cell, settled.value)
  if (proposal.by === 'person') setProblem(work, proposal.screen, proposal.place)
}

/** What an emptied control makes of a value of the face that cannot be empty. */
function blanked(work: Work, cell: number, value: unknown): unknown {
  const { blank, initial } = work.machine.cells[cell] ?? {}
  const isBlank = blank !== undefined && (value === null || value === '')
  if (!isBlank || blank.becomes === 'refuse') return value
  return { empty: blank.empty, default: initial, previous: was(work, cell) }[blank.becomes]
}

/** A person changes one member of one entry: the list is proposed with it. */
export function proposeEntry(work: Work, bound: BoundName, row: string, value: unknown): void {
  const fitting = work.machine.fittings[bound.fitting]
  if (fitting?.rows === undefined || bound.member === undefined) return
  const { cell, key } = fitting.rows
  const before = entries(work.slots[cell])
  const entry = before.find((one) => keyOf(one, key) === row)
  if (entry === undefined) return
  const settled = atBounds(work, bound, value, { by: 'person', entry, movedFrom: entry[bound.member] })
  const place = `${cell}/${row}/${bound.member}`
  const proposal: Proposal = { value, by: 'person', place, screen: fitting.screen }
  if (!settled.stands) return refused(work, cell, proposal, settled.reason)
  const after = before.map((one) => (one === entry ? { ...one, [bound.member as string]: settled.value } : one))
  propose(work, cell, after, proposal)
}

function refused(work: Work, cell: number, proposal: Proposal, reason: string): void {
  work.refusals.push({ cell: work.machine.cells[cell]?.name ?? '', value: proposal.value, reason })
  if (proposal.by === 'person') setProblem(work, proposal.screen, proposal.place, { text: reason, from: 'refusal' })
}

/** What was proposed is turned down, and what stood before stands; where nobody proposed it, it was a bound that moved, and it stays. */
export function turnDown(work: Work, cell: number, reason: string): void {
  const proposal = work.proposed.get(cell)
  if (proposal === undefined) return
  work.proposed.delete(cell)
  refused(work, cell, proposal, reason)
  write(work, cell, was(work, cell))
}

/** What is shown is what is held: a cell that is shared with a value keeps to its bounds and step, whoever proposes, and when a bound moves. */
export function holdBounds(work: Work): void {
  const { machine, scratch, slots } = work
  for (let next = 0; next < scratch.held.length; next++) {
    const cell = scratch.held[next] as number
    for (const bound of machine.bounders[cell] as readonly BoundName[]) {
      if (bound.member !== undefined) holdEntries(work, cell, bound)
      else {
        const by = work.proposed.get(cell)?.by === 'person' ? 'person' : 'owner'
        const movedFrom = by === 'person' ? was(work, cell) : undefined
        const settled = atBounds(work, bound, slots[cell], { by, movedFrom })
        if (settled.stands) write(work, cell, settled.value)
        else turnDown(work, cell, settled.reason)
        sayOutside(work, bound, cell, settled)
      }
    }
    computeWaiting(work)
  }
}

/** A bound that has moved and left a value outside says so beside its field, as long as it is. */
function sayOutside(work: Work, bound: BoundName, cell: number, settled: Settled): void {
  const screen = work.machine.fittings[bound.fitting]?.screen
  if (screen === undefined) return
  const said = problemsOf(work, screen)[`${cell}`]
  if (settled.stands) {
    if (said?.from === 'bound') setProblem(work, screen, `${cell}`)
  } else if (said === undefined && equal(work.slots[cell], was(work, cell)) && !work.proposed.has(cell))
    setProblem(work, screen, `${cell}`, { text: settled.reason, from: 'bound' })
}

/** Each entry of a list keeps to the bounds of the value that shows its member. */
function holdEntries(work: Work, cell: number, bound: BoundName): void {
  const member = bound.member as string
  const all = entries(work.slots[cell])
  let reason: string | undefined
  const held = all.map((entry) => {
    const settled = atBounds(work, bound, entry[member], { by: 'owner', entry })
    if (settled.stands) return settled.value === entry[member] ? entry : { ...entry, [member]: settled.value }
    reason ??= settled.reason
    return entry
  })
  if (reason !== undefined) turnDown(work, cell, reason)
  else if (held.some((entry, at) => entry !== all[at])) write(work, cell, held)
}

/** `refuse` comes last, when everything that was proposed stands together. */
export function refuse(work: Work): void {
  for (const cell of [...work.proposed.keys()]) {
    const clause = work.machine.cells[cell]
    for (const hook of clause?.refuse ?? []) {
      const reason = reasonAgainst(hook, work.slots[cell], was(work, cell))
      if (reason === undefined) continue
      turnDown(work, cell, reason)
      break
    }
  }
  computeWaiting(work)
}

/** A person has changed a cell, or left its field: what was wrong may be said from then on. */
export function touchCell(work: Work, screen: number, cell: number, how: 'edited' | 'left'): void {
  const { touched, problems } = screenOf(work, screen).slots
  const before = work.slots[touched] as Readonly<Record<number, string>>
  if (before[cell] === undefined || (how === 'left' && before[cell] === 'edited'))
    put(work, touched, { ...before, [cell]: how })
  if (how === 'edited') return
  const shown = work.slots[problems] as Readonly<Record<string, { isShown: boolean }>>
  const isHere = (place: string) => place.split('/')[0] === `${cell}`
  if (Object.entries(shown).some(([place, { isShown }]) => isHere(place) && !isShown))
    put(
      work,
      problems,
      Object.fromEntries(
        Object.entries(shown).map(([place, one]) => [place, isHere(place) ? { ...one, isShown: true } : one]),
      ),
    )
}
