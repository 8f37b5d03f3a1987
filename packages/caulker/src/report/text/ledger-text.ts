import type { Ink } from '../../words/index.js'
import widthOf from 'fast-string-width'
import { wrapAnsi } from 'fast-wrap-ansi'
import type { LedgerRow } from '../../probe/index.js'

/** A ledger as a table, its rows counted from `first`, that fits the width: step by step what was heard, what the owner held, what the component said and what was shown. */
export function ledgerLines(
  ledger: readonly LedgerRow[],
  width: number,
  ink: Ink,
  first = 1,
  titles = TITLES,
): string[] {
  const isHeard = ledger.some((row) => row.heard !== '')
  const [step = '', ...others] = titles
  const head = [step, ...(isHeard ? ['heard'] : []), ...others]
  const rows = ledger.map((row, at) => [
    `${at + first} ${row.step}`,
    ...(isHeard ? [row.heard] : []),
    row.owner,
    row.component,
    row.shown || 'nothing',
  ])
  const widths = fitted(
    head.map((title, column) => Math.max(title.length, ...rows.map((row) => widthOf(row[column] ?? ''))) + GAP),
    width,
  )
  const painted = rows.map((row, at) =>
    row.map((_, column) => {
      const isOther = titles === TITLES && column === head.length - 2 && row[column] !== row[column - 1]
      return (text: string) =>
        isOther ? ink.unsure(text) : column === 0 && at === rows.length - 1 ? ink.strong(text) : text
    }),
  )
  return [
    ...rowLines(head, widths, () => ink.quiet),
    ...rows.flatMap((row, at) => rowLines(row, widths, (column) => painted[at]?.[column] ?? String)),
  ]
}

/** The lines of one row: each cell is broken at words to fit its column. */
function rowLines(
  row: readonly string[],
  widths: readonly number[],
  ink: (column: number) => (text: string) => string,
): string[] {
  const cells = row.map((cell, column) =>
    wrapAnsi(cell, (widths[column] ?? GAP) - GAP, { hard: true, trim: true }).split('\n'),
  )
  return Array.from({ length: Math.max(...cells.map((lines) => lines.length)) }, (_, line) =>
    cells
      .map((lines, column) => {
        const text = lines[line] ?? ''
        return ink(column)(text) + ' '.repeat(Math.max(0, (widths[column] ?? 0) - widthOf(text)))
      })
      .join('')
      .trimEnd(),
  )
}

const TITLES = ['step', 'owner', 'component', 'shown']
const GAP = 2

/** The widest columns give way first. */
function fitted(wanted: number[], width: number): number[] {
  const widths = [...wanted]
  for (let over = widths.reduce((sum, one) => sum + one, 0) - width; over > 0; over--) {
    const widest = widths.indexOf(Math.max(...widths))
    if ((widths[widest] ?? 0) <= 12) break
    widths[widest] = (widths[widest] ?? 0) - 1
  }
  return widths
}
