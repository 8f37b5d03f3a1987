import type { ClauseResult } from '../probe/index.js'
import { counted, inkFor, wrapped, type Ink } from './ink.js'
import { ledgerLines } from './ledger-text.js'
import { countClauses, type ComponentReport, type Counts, type ProbesReport } from './model.js'
import { troubleLines } from './trouble-text.js'

export interface ProbeTextOptions {
  readonly colour?: boolean
  /** How many characters a line may have; 110 by default. */
  readonly width?: number
}

/** A probe as text for people: the answer first, then each component that leaks with its ledgers, then what is sound. */
export function probeText(report: ProbesReport, options: ProbeTextOptions = {}): string {
  const ink = inkFor(options.colour ?? false)
  const leaking = report.components.filter((component) => countClauses([component]).broken > 0)
  const others = report.components.filter((component) => !leaking.includes(component))
  const lines = [answer(report, leaking.length, ink)]
  for (const component of leaking) lines.push('', ...componentLines(component, options.width ?? 110, ink))
  if (others.length > 0)
    lines.push('', ink.strong('No leak found'), ...others.flatMap((component) => quietLines(component, others, ink)))
  lines.push(...troubleLines(report.troubles, ink))
  return `${lines.join('\n')}\n`
}

function answer({ components, troubles, ranIn }: ProbesReport, leaking: number, ink: Ink): string {
  const counts = countClauses(components)
  const clauses = `${countsText(counts)}, in ${ranIn}.`
  if (leaking > 0)
    return `${ink.bad(`${leaking} of ${counted(components.length, 'component')} ${leaking === 1 ? 'leaks' : 'leak'}:`)} ${clauses}`
  if (components.length === 0)
    return ink.bad(`Nothing was probed${troubles.length === 0 ? ': no contract was found' : ''}.`)
  return `${ink.good(`No leaks in ${counted(components.length, 'component')}:`)} ${clauses}`
}

function countsText({ held, broken, unproven, browserDecides, waived }: Counts): string {
  return [
    broken > 0 ? `${broken} broken` : '',
    `${held} held`,
    unproven > 0
      ? `${unproven} unproven${browserDecides > 0 ? ` (${browserDecides} of them --browser decides)` : ''}`
      : '',
    waived > 0 ? `${waived} waived` : '',
  ]
    .filter(Boolean)
    .join(', ')
}

function componentLines(component: ComponentReport, width: number, ink: Ink): string[] {
  const lines = [
    `${ink.strong(component.component)}  ${ink.quiet(`${component.file} · ${countsText(countClauses([component]))}`)}`,
  ]
  for (const result of component.clauses)
    if (result.leak !== undefined) lines.push(...leakLines(component, result, width, ink))
  return [...lines, ...openLines(component, ink)]
}

function leakLines(
  component: ComponentReport,
  { clause, promise, leak }: ClauseResult,
  width: number,
  ink: Ink,
): string[] {
  if (leak === undefined) return []
  return [
    `  ${ink.bad('✗')} ${ink.bad(clause)}  ${leak.says}`,
    `    ${ink.quiet('promise')}   ${wrapped(promise, width, 14)}`,
    '',
    ...ledgerLines(leak.ledger, width - 4, ink).map((line) => `    ${line}`),
    '',
    `    ${ink.quiet('expected')}  ${ink.good(leak.expected)}`,
    `    ${ink.quiet('found')}     ${ink.unsure(leak.found)}`,
    ...(leak.cause === undefined ? [] : [`    ${ink.quiet('likely')}    ${leak.cause}`]),
    `    ${ink.quiet('replay')}    ${component.replay} --clause ${clause}`,
  ]
}

function quietLines(component: ComponentReport, all: readonly ComponentReport[], ink: Ink): string[] {
  const wide = Math.max(...all.map((one) => one.component.length))
  return [
    `  ${ink.good('✓')} ${component.component.padEnd(wide)}  ${ink.quiet(countsText(countClauses([component])))}`,
    ...openLines(component, ink),
  ]
}

/** What could not be proved, and what is knowingly not kept: each with its reason. */
function openLines({ clauses }: ComponentReport, ink: Ink): string[] {
  return clauses
    .filter(({ status }) => status === 'unproven' || status === 'waived')
    .map(
      ({ clause, status, reason, browserDecides }) =>
        `    ${ink.unsure(status === 'waived' ? '–' : '?')} ${clause}  ${ink.quiet(`${status}:`)} ${reason ?? ''}${browserDecides === true ? ' --browser decides.' : ''}`,
    )
}
