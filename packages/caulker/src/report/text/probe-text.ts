import { counted, inkFor, wrapped, type Ink, visibleIn } from '../../words/index.js'
import { causesOf, type Cause } from './broken-by.js'
import { ledgerLines } from './ledger-text.js'
import { countClauses, type ComponentReport, type Counts, type ProbesReport } from './model.js'
import { troubleLines } from './trouble-text.js'

export interface ProbeTextOptions {
  readonly colour?: boolean
  /** How many characters a line may have; 110 by default. */
  readonly width?: number
}

/** A probe as text for people: the answer first, then each component that leaks with its ledgers, then what is sound. */
export function probeText(given: ProbesReport, options: ProbeTextOptions = {}): string {
  const report = visibleIn(given)
  const ink = inkFor(options.colour ?? false)
  const width = options.width ?? 110
  const leaking = report.components.filter(leaks)
  const others = report.components.filter((component) => !leaks(component))
  const lines = [...answerLines(report, ink)]
  for (const component of leaking) lines.push('', ...leakingLines(component, width, ink))
  if (others.length > 0)
    lines.push(
      '',
      ink.strong(others.every(({ isUnoperated }) => isUnoperated === true) ? 'Not judged' : 'No leak found'),
      ...others.flatMap((component) => soundLines(component, width, ink)),
    )
  lines.push(...troubleLines(report.troubles, ink))
  return `${lines.join('\n')}\n`
}

/** What was found of one component, as it is judged. */
export function componentText(given: ComponentReport, options: ProbeTextOptions = {}): string {
  const component = visibleIn(given)
  const ink = inkFor(options.colour ?? false)
  const width = options.width ?? 110
  const lines = leaks(component) ? [...leakingLines(component, width, ink), ''] : soundLines(component, width, ink)
  return `${lines.join('\n')}\n`
}

/** The answer, and what could not be judged, for the end of a report that was printed as it came. */
export function answerText(given: ProbesReport, options: ProbeTextOptions = {}): string {
  const report = visibleIn(given)
  const ink = inkFor(options.colour ?? false)
  return `${[...troubleLines(report.troubles, ink), '', ...answerLines(report, ink)].join('\n')}\n`
}

function leaks(component: ComponentReport): boolean {
  return countClauses([component]).broken > 0
}

function answerLines(report: ProbesReport, ink: Ink): string[] {
  const { components, troubles, ranIn, left = [] } = report
  const counts = countClauses(components)
  const clauses = `${countsText(counts)}, in ${ranIn}.`
  const leaking = components.filter(leaks).length
  const lines: string[] = []
  if (leaking > 0)
    lines.push(
      `${ink.bad(`${leaking} of ${counted(components.length, 'component')} ${leaking === 1 ? 'leaks' : 'leak'}:`)} ${clauses}`,
    )
  else if (components.length === 0)
    lines.push(ink.bad(`Nothing was probed${troubles.length + left.length === 0 ? ': no contract was found' : ''}.`))
  else {
    const idle = components.filter(({ isUnoperated }) => isUnoperated === true).length
    const judged = components.length - idle
    const answer = judged > 0 ? ink.good(`No leaks in ${counted(judged, 'component')}`) : ''
    const rest = idle > 0 ? ink.unsure(`${counted(idle, 'component')} not judged`) : ''
    lines.push(`${[answer, rest].filter(Boolean).join(', ')}${ink.good(':')} ${clauses}`)
  }
  if (left.length > 0)
    lines.push(ink.unsure(`It was ended before all was judged: ${counted(left.length, 'component')} left.`))
  return lines
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

function leakingLines(component: ComponentReport, width: number, ink: Ink): string[] {
  const lines = [
    `${ink.bad('✗')} ${ink.strong(component.component)}  ${ink.quiet(`${component.file} · ${countsText(countClauses([component]))}`)}`,
  ]
  const promised = new Set<string>()
  for (const [at, cause] of causesOf(component).entries())
    lines.push(...(at === 0 ? [] : ['']), ...causeLines(component, cause, promised, width, ink))
  return [...lines, ...openLines(component, width, ink)]
}

/** The clauses that one cause breaks, each in its words, and the one ledger that shows it. */
function causeLines(
  component: ComponentReport,
  cause: Cause,
  promised: Set<string>,
  width: number,
  ink: Ink,
): string[] {
  const [{ leak }] = cause
  const likely = cause.find((one) => one.leak.cause !== undefined)?.leak.cause
  return [
    ...cause.flatMap(({ clause, promise, leak: { says } }) => {
      // A promise is said where it is broken first.
      const isNew = !promised.has(clause)
      promised.add(clause)
      return [
        `  ${ink.bad(clause)}  ${says}`,
        ...(isNew ? [`    ${ink.quiet('promise')}   ${wrapped(promise, width, 14)}`] : []),
      ]
    }),
    '',
    ...ledgerLines(leak.ledger, width - 4, ink).map((line) => `    ${line}`),
    '',
    `    ${ink.quiet('expected')}  ${ink.good(leak.expected)}`,
    `    ${ink.quiet('found')}     ${ink.unsure(leak.found)}`,
    ...(likely === undefined ? [] : [`    ${ink.quiet('likely')}    ${likely}`]),
    `    ${ink.quiet('replay')}    ${component.replay} --clause ${[...new Set(cause.map(({ clause }) => clause))].join(' ')}`,
  ]
}

const UNOPERATED =
  'Not judged: nothing was found in it that a person can do. Content, an attribute, a gesture of its own in caulker.config, or --browser may bring it to life.'

function soundLines(component: ComponentReport, width: number, ink: Ink): string[] {
  const counts = ink.quiet(countsText(countClauses([component])))
  const isJudged = component.isUnoperated !== true
  return [
    `  ${isJudged ? ink.good('✓') : ink.unsure('?')} ${component.component}  ${counts}`,
    ...(isJudged ? [] : [`    ${ink.unsure('?')} ${wrapped(UNOPERATED, width, 6)}`]),
    ...openLines(component, width, ink),
  ]
}

/** What is knowingly not kept, each with its reason; what could not be tried, by its reason; and in one line what does not apply. */
function openLines({ clauses }: ComponentReport, width: number, ink: Ink): string[] {
  const idle = clauses.filter(({ applies }) => applies === false).map(({ clause }) => clause)
  const byReason = new Map<string, string[]>()
  for (const { clause, status, reason, applies, needs, browserDecides } of clauses)
    if (status === 'unproven' && applies !== false) {
      const decides = browserDecides === true ? ' --browser decides.' : needs === undefined ? '' : ` ${needs}`
      const key = `${reason ?? ''}${decides}`
      byReason.set(key, [...(byReason.get(key) ?? []), clause])
    }
  const folded = (mark: string, text: string) => `    ${mark} ${wrapped(text, width, 6)}`
  return [
    ...clauses
      .filter(({ status }) => status === 'waived')
      .map(({ clause, reason }) => folded(ink.unsure('–'), `${clause}, waived: ${reason ?? ''}`)),
    ...[...byReason].map(([reason, all]) =>
      folded(ink.unsure('?'), `Could not be tried: ${all.join(', ')}. ${reason}`),
    ),
    ...(idle.length === 0 ? [] : [ink.quiet(folded('·', `Does not apply: ${idle.join(', ')}.`))]),
  ]
}
