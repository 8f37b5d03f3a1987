import { everyInvariant } from 'caulker/inside/rehearse'
import { quotedTrail, type LiveScripts, type PlayReport, type RehearseReport } from 'caulker/inside/report'
import { endJunit, newJunit, type Builder } from './junit.js'

/** A rehearsal as JUnit XML: a suite for each screen or journey, a case for each invariant. */
export function rehearseJunit({ wirings, troubles, live }: RehearseReport): string {
  const made = newJunit()
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
          .flatMap(({ ledger, trail }) => [ledgerText(ledger), `replay: ${replay} --play ${quotedTrail(trail)}`])
          .join('\n'),
      )
    }
  }
  return ended(made, troubles, live)
}

/** Scripts that were played, as JUnit XML: a suite for each screen or journey, a case for each script. */
export function playJunit({ scripts, troubles, live }: PlayReport): string {
  const made = newJunit()
  for (const [of, some] of grouped(scripts)) {
    const suite = made.testSuite().name(of)
    for (const { title, ledger, wrong, leaks } of some) {
      const one = suite.testCase().className(of).name(title)
      const said = [
        ...(wrong === undefined ? [] : [`step ${wrong.step}: ${wrong.says}`]),
        ...leaks.map(({ invariant, step, says }) => `${invariant} at step ${step}: ${says}`),
      ]
      if (said.length > 0) one.failure(said.join('\n')).standardError(ledgerText(ledger))
    }
  }
  return ended(made, troubles, live)
}

/** What was played on live components, and what could not be judged. */
function ended(made: Builder, troubles: RehearseReport['troubles'], live: LiveScripts | undefined): string {
  for (const [of, some] of grouped(live?.scripts ?? [])) {
    const suite = made.testSuite().name(`${of}, in ${live?.ranIn}`)
    for (const { title, ledger, parted, unplayed, replay } of some) {
      const one = suite.testCase().className(of).name(title)
      if (unplayed !== undefined) one.skipped().standardOutput(`step ${unplayed.step}: ${unplayed.why}`)
      if (parted !== undefined)
        one
          .failure(`step ${parted.step}: ${parted.says}`)
          .standardError([ledgerText(ledger), ...(replay === undefined ? [] : [`replay: ${replay}`])].join('\n'))
    }
  }
  return endJunit(made, troubles)
}

function grouped<One extends { readonly of: string }>(scripts: readonly One[]): Map<string, One[]> {
  const groups = new Map<string, One[]>()
  for (const script of scripts) groups.set(script.of, [...(groups.get(script.of) ?? []), script])
  return groups
}

function ledgerText(ledger: LiveScripts['scripts'][number]['ledger']): string {
  return ledger
    .map(
      ({ step, owner, component, shown }, at) =>
        `${at} ${step} | owner ${owner} | component ${component} | shown ${shown}`,
    )
    .join('\n')
}
