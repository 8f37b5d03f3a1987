import builder, { type Builder } from 'junit-report-builder'
import type { ComponentReport, ProbesReport } from 'caulker/inside/report'

/** A probe as JUnit XML: a suite a component, a case a clause; what is unproven or waived is skipped. */
export function probeJunit(report: ProbesReport): string {
  // Its types take the module for its default export.
  const made = (builder as unknown as Builder).newBuilder()
  for (const component of report.components) addComponent(made, component)
  for (const { file, says } of report.troubles) made.testCase().className(file).name('could not be judged').error(says)
  return made.build()
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
