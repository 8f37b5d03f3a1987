import { counted, inkFor, sentence, type Ink } from './ink.js'
import type { CheckReport, LocatedFinding } from './model.js'
import { troubleLines } from './trouble-text.js'

const A_SCREENFUL = 12

/** A check as text for people: the answer first, then file by file. */
export function checkText(report: CheckReport, options: { colour?: boolean; known?: number } = {}): string {
  const ink = inkFor(options.colour ?? false)
  const lines = [answer(report, ink)]
  if ((options.known ?? 0) > 0)
    lines.push(ink.quiet(`${counted(options.known ?? 0, 'known finding')} from the baseline not listed.`))
  for (const [file, findings] of byFile(report.findings)) {
    lines.push('', ink.strong(file))
    const where = findings.map(({ line, column }) => (line === undefined ? '' : `${line}:${column ?? 1}`))
    const wide = Math.max(...where.map((text) => text.length))
    findings.forEach((finding, at) => lines.push(...findingLines(finding, (where[at] ?? '').padStart(wide), ink)))
  }
  lines.push(...troubleLines(report.troubles, ink))
  // What is long has scrolled its first line away.
  if (report.findings.length > A_SCREENFUL) lines.push('', answer(report, ink))
  if (report.findings.length > 0)
    lines.push(
      '',
      ink.quiet(`Why a rule is there, and a mended example: caulker check --explain ${report.findings[0]?.rule ?? ''}`),
    )
  return `${lines.join('\n')}\n`
}

function answer({ contracts, screens, interiors, journeys, pages, findings, troubles }: CheckReport, ink: Ink): string {
  const parts = [
    [contracts, 'contract'],
    [screens, 'screen'],
    [interiors, 'interior'],
    [journeys, 'journey'],
    [pages, 'page'],
  ] as const
  const read = listed(parts.filter(([count]) => count > 0).map(([count, word]) => counted(count, word))) || 'nothing'
  if (findings.length === 0)
    return troubles.length === 0
      ? ink.good(`No leaks found in ${read}.`)
      : ink.bad(`${counted(troubles.length, 'file')} could not be judged; no leaks found in ${read}.`)
  const levels = (['error', 'warning', 'note'] as const).map(
    (level) => [level, findings.filter((finding) => finding.level === level).length] as const,
  )
  return ink.bad(
    `${levels
      .filter(([, count]) => count > 0)
      .map(([level, count]) => counted(count, level))
      .join(', ')} in ${read}.`,
  )
}

/** `a, b and c`. */
function listed(parts: readonly string[]): string {
  return parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts[parts.length - 1] ?? ''}`
}

function findingLines(finding: LocatedFinding, where: string, ink: Ink): string[] {
  const level =
    finding.level === 'error' ? ink.bad('error') : finding.level === 'warning' ? ink.unsure('warning') : 'note'
  const indent = ' '.repeat(where.length + 4)
  return [
    `  ${ink.quiet(where)}  ${level}  ${ink.strong(finding.rule)}  ${finding.subject}`,
    `${indent}${sentence(finding.says)}.`,
    `${indent}${ink.good('mend:')} ${finding.mend}`,
  ]
}

function byFile(findings: readonly LocatedFinding[]): Map<string, LocatedFinding[]> {
  const files = new Map<string, LocatedFinding[]>()
  for (const finding of [...findings].sort(
    (one, other) => (one.line ?? 0) - (other.line ?? 0) || (one.column ?? 0) - (other.column ?? 0),
  )) {
    const file = finding.file ?? 'somewhere'
    files.set(file, [...(files.get(file) ?? []), finding])
  }
  return new Map([...files].sort(([one], [other]) => one.localeCompare(other)))
}
