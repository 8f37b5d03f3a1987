import Table from 'cli-table3'
import type { LedgerRow } from '../probe/index.js'
import type { Ink } from './ink.js'

/** A ledger as a table that fits the width: step by step what was heard, what the owner held, what the component said and what was shown. */
export function ledgerLines(ledger: readonly LedgerRow[], width: number, ink: Ink): string[] {
  const isHeard = ledger.some((row) => row.heard !== '')
  const head = ['step', ...(isHeard ? ['heard'] : []), 'owner', 'component', 'shown']
  const rows = ledger.map((row, at) => [
    `${at + 1} ${row.step}`,
    ...(isHeard ? [row.heard] : []),
    row.owner,
    row.component,
    row.shown || 'nothing',
  ])
  const widths = fitted(
    head.map((title, column) => Math.max(title.length, ...rows.map((row) => row[column]?.length ?? 0)) + 2),
    width,
  )
  const table = new Table({
    head: head.map(ink.quiet),
    colWidths: widths,
    wordWrap: true,
    wrapOnWordBoundary: true,
    style: { head: [], border: [], 'padding-left': 0, 'padding-right': 2 },
    chars: NO_BORDERS,
  })
  rows.forEach((row, at) =>
    table.push(
      row.map((cell, column) =>
        head[column] === 'component' && row[column] !== row[column - 1]
          ? ink.unsure(cell)
          : column === 0 && at === rows.length - 1
            ? ink.strong(cell)
            : cell,
      ),
    ),
  )
  return table
    .toString()
    .split('\n')
    .map((line) => line.trimEnd())
}

const NO_BORDERS = Object.fromEntries(
  [
    'top',
    'top-mid',
    'top-left',
    'top-right',
    'bottom',
    'bottom-mid',
    'bottom-left',
    'bottom-right',
    'left',
    'left-mid',
    'mid',
    'mid-mid',
    'right',
    'right-mid',
    'middle',
  ].map((name) => [name, '']),
)

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
