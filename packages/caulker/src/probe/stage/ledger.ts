import { equal, printed } from '../../contract/index.js'
import type { AnyContract } from '../../contract/index.js'
import { pictureText } from '../sight/picture.js'
import type { Played, Row } from './played.js'
import { isTell, mountText, moveText, shortList } from './trail.js'

/** One step of a trail: what happened, and then what the owner held, what the component said and what a person saw. */
export interface LedgerRow {
  readonly step: string
  readonly heard: string
  readonly owner: string
  readonly component: string
  readonly shown: string
}

/** The ledger of a trail, up to the row that leaks; only the names that the trail is about. */
export function ledgerOf(contract: AnyContract, { trail, rows }: Played, until: number): LedgerRow[] {
  const names = namesAbout(contract, rows.slice(0, until + 1), [
    ...Object.keys(trail.given),
    ...trail.moves
      .slice(0, until)
      .filter(isTell)
      .flatMap((move) => Object.keys(move.tell)),
  ])
  return rows.slice(0, until + 1).map((row) => ({
    step: row.move === undefined ? mountText(contract, trail) : moveText(row.move),
    heard: heardText(row),
    owner: namesText(names, row.held),
    component: row.fault === undefined ? namesText(names, row.read) : `throws: ${row.fault}`,
    shown: pictureText(row.picture),
  }))
}

/** The two-way values, and what was given or told; of the rest, nothing. */
function namesAbout(contract: AnyContract, rows: readonly Row[], given: readonly string[]): string[] {
  const values = Object.keys(contract.values)
  const all = [...new Set([...values, ...given])]
  const first = rows[0]
  const moved = all.filter(
    (name) =>
      values.includes(name) ||
      rows.some((row) => !equal(row.held[name], first?.held[name]) || !equal(row.held[name], row.read[name])) ||
      !(contract.required as readonly string[]).includes(name),
  )
  return moved.length === 0 ? all : moved
}

function namesText(names: readonly string[], values: Readonly<Record<string, unknown>>): string {
  return shortList(names.map((name) => `${name} ${values[name] === undefined ? '–' : printed(values[name], 24)}`))
}

const MOST_SHOWN = 4

/** Each report; of a flood the first, how many there were, and the last. */
function heardText({ heard }: Row): string {
  const texts = heard.map((one) => `${one.event} ${printed(one.payload, 30)}`)
  if (texts.length <= MOST_SHOWN) return texts.join(', ')
  return `${texts[0] ?? ''}, … ${texts.length} in all, the last ${texts[texts.length - 1] ?? ''}`
}
