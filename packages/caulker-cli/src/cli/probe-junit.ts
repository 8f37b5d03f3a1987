import type { ComponentReport, ProbesReport } from 'caulker/inside/report'
import { endJunit, newJunit, type Builder } from './junit.js'

/** A probe as JUnit XML: a suite a component, a case a clause; what is unproven or waived is skipped. */
export function probeJunit(report: ProbesReport): string {
  const made = newJunit()
  for (const component of report.components) addComponent(made, component)
  return endJunit(made, report.troubles)
}

function addComponent(made: Builder, { component, file, replay, clauses }: ComponentReport): void {
  const suite = made.testSuite().name(component)
  for (const { clause, status, reason, leak } of clauses) {
    const one = suite.testCase().className(component).name(clause).file(file)
    if (status === 'unproven' || status === 'waived') one.skipped()
    if (reason !== undefined) one.standardOutput(`${status}: ${reason}`)
    if (leak === undefined) continue
    const trail = leak.ledger.map(
      ({ step, heard, owner, component: says, shown }, at) =>
        `${at + 1} ${step} | heard ${heard || 'nothing'} | owner ${owner} | component ${says} | shown ${shown}`,
    )
    one
      .failure(`${leak.says}: expected ${leak.expected}, found ${leak.found}`)
      .standardError([...trail, `replay: ${replay} --clause ${clause}`].join('\n'))
  }
}
