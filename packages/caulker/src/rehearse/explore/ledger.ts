import { equal, printed, valueClauses } from '../../contract/index.js'
import type { SentCall, Wiring } from '../../machine/index.js'
import { moveText, type Move } from '../play/move.js'
import { playOf, type Play } from '../play/play.js'
import { frontOf, shownIn, visibleParts } from '../play/sight.js'
import type { Kept } from '../play/stage.js'

/** One step of a trail: what was done, what the owner held, what the components said and what a person saw. */
export interface RehearsedRow {
  readonly step: string
  readonly owner: string
  readonly component: string
  readonly shown: string
}

/** What a ledger shows at every step; of the rest it shows what changes. */
export interface LedgerAbout {
  readonly cells?: readonly number[]
  readonly fittings?: readonly string[]
  /** What was sent in this step. */
  readonly sent?: readonly SentCall[]
}

const MOST = 3

/** Plays a trail again and writes down each step. */
export function ledgerOf(
  wiring: Wiring,
  trail: readonly Move[],
  about: LedgerAbout = {},
  initial?: Readonly<Record<string, unknown>>,
): RehearsedRow[] {
  const play = playOf(wiring, initial)
  let before = play.keep()
  const rows = [rowOf(play, 'in the beginning', undefined, before, about)]
  for (const move of trail) {
    const { happened } = play.perform(move)
    const after = play.keep()
    rows.push(rowOf(play, stepText(play, move, before, after), before, after, { ...about, sent: happened.calls }))
    before = after
  }
  return rows
}

function stepText({ plan: { machine } }: Play, move: Move, before: Kept, after: Kept): string {
  const [from, to] = [frontOf(before, machine), frontOf(after, machine)]
  return from === to ? moveText(move) : `${moveText(move)}, and is on ${machine.screens[to]?.name}`
}

export function rowOf(
  { plan: { machine } }: Pick<Play, 'plan'>,
  step: string,
  before: Kept | undefined,
  after: Kept,
  { cells = [], fittings = [], sent = [] }: LedgerAbout,
): RehearsedRow {
  const isNew = (cell: number) => before !== undefined && !equal(before.slots[cell], after.slots[cell])
  const wanted = [...new Set([...cells, ...machine.cells.keys()])].filter((cell) => cells.includes(cell) || isNew(cell))
  const fields = visibleParts(after).flatMap(({ key, part }) => {
    const { fitting, component } = part.part
    const values = valueClauses(fitting.contract).map(({ name }) => name)
    const followed = fitting.bound
      .filter(({ name, isConstant }) => !isConstant && !values.includes(name))
      .map(({ name }) => name)
    const names = [...values, ...followed]
    return names.flatMap((name) => {
      const shown = shownIn(after, key, name)
      const isShownNew =
        before !== undefined && !equal(shown, before.parts.has(key) ? shownIn(before, key, name) : blankOf(shown))
      const label = values.length > 1 || !values.includes(name) ? `${key}.${name}` : key
      return (fittings.includes(fitting.name) && values.includes(name)) || isShownNew
        ? [{ label, says: component.standing(part.state, name), shown, isMeant: fittings.includes(fitting.name) }]
        : []
    })
  })
  const told = fields.sort((one, other) => Number(other.isMeant) - Number(one.isMeant)).slice(0, MOST)
  return {
    step,
    owner: [
      ...wanted.slice(0, MOST).map((cell) => `${machine.cells[cell]?.name} ${printed(after.slots[cell], 40)}`),
      ...sent.map(
        ({ source, operation, given }) =>
          `sends ${source}.${operation}${given === undefined ? '' : ` ${printed(given, 60)}`}`,
      ),
    ].join(', '),
    component: told.map(({ label, says }) => `${label} ${printed(says, 40)}`).join(', '),
    shown: told.map(({ shown }) => printed(shown, 40)).join(', '),
  }
}

/** What is new on a screen is told where there is something to see. */
function blankOf(shown: unknown): unknown {
  return typeof shown === 'string' ? '' : shown
}
