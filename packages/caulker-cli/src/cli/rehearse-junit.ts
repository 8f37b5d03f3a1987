import builder, { type Builder } from 'junit-report-builder'
import { everyInvariant } from 'caulker/inside/rehearse'
import type { RehearseReport } from 'caulker/inside/report'

/** A rehearsal as JUnit XML: a suite for each screen or journey, a case for each invariant. */
export function rehearseJunit({ wirings, troubles }: RehearseReport): string {
  // Its types take the module for its default export.
  const made = (builder as unknown as Builder).newBuilder()
  for (const { name, file, leaks, waived, replay } of wirings) {
    const suite = made.testSuite().name(name)
    const own = leaks.filter(({ invariant }) => invariant === 'always' || invariant === 'never')
    for (const { id, title } of [...everyInvariant, ...own.map((one) => ({ id: one.invariant, title: one.title }))]) {
      const one = suite.testCase().className(name).name(`${id}: ${title}`).file(file)
      const reason = waived.find(({ invariant }) => invariant === id)?.reason
      if (reason !== undefined) one.skipped().standardOutput(`waived: ${reason}`)
      const broken = leaks.filter((leak) => leak.invariant === id && leak.title === title)
      if (broken.length === 0) continue
      one.failure(broken.map(({ says }) => says).join('\n'))
      one.standardError(
        broken
          .flatMap(({ ledger, trail }) => [
            ...ledger.map(
              ({ step, owner, component, shown }, at) =>
                `${at} ${step} | owner ${owner} | component ${component} | shown ${shown}`,
            ),
            `replay: ${replay} --play '${JSON.stringify(trail)}'`,
          ])
          .join('\n'),
      )
    }
  }
  for (const { file, says } of troubles) made.testCase().className(file).name('could not be judged').error(says)
  return made.build()
}
