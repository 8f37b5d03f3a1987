import { countClauses, type ProbesReport } from 'caulker/inside/report/text'
import { CaulkerError, hint } from 'caulker/inside/words'
import { EXIT } from '../node/exit.js'
import { interruptible } from './output.js'
import { judgedBefore } from './probe-before.js'
import type { ProbeOptions } from './probe-options.js'
import { probeOutput } from './probe-output.js'
import { runProbe } from './run-probe.js'
import { watchProbe } from './watch-probe.js'

export async function probeAsAsked(
  paths: string[],
  options: ProbeOptions,
  exit: (code: number) => void,
): Promise<void> {
  if (options.clause !== undefined) await refuseUnknown(options.clause)
  if (options.trusted === true && options.browser !== true)
    throw new CaulkerError('bad-argument', '--trusted: only a browser has input of its own; add --browser')
  if (options.explain !== undefined) {
    const { explained } = await import('./explain.js')
    process.stdout.write(explained(options.explain))
    return exit(EXIT.sound)
  }
  const { part, of } = options
  if ((part === undefined) !== (of === undefined) || (part ?? 0) > (of ?? 0))
    throw new CaulkerError('bad-argument', '--part and --of: give which part of how many, such as --part 2 --of 4')
  const terms = { seed: options.seed, browser: options.browser ?? false, clauses: options.clause }
  const probe = async (components: readonly string[] | undefined) => {
    const output = await probeOutput(options)
    const interrupt = interruptible()
    const report = await runProbe({
      ...terms,
      paths,
      components,
      before: judgedBefore(options.continue ?? [], terms),
      trusted: options.trusted ?? false,
      ...(options.endpoint === undefined ? {} : { endpoint: options.endpoint }),
      ...(options.moves === undefined ? {} : { moves: options.moves }),
      ...(options.patience === undefined ? {} : { patience: options.patience }),
      ...(options.atOnce === undefined ? {} : { atOnce: options.atOnce }),
      ...(part === undefined || of === undefined ? {} : { part: { part, of } }),
      signal: interrupt.signal,
      onJudged: output.take,
    }).finally(output.pause)
    interrupt.done()
    const { components: found, troubles, left = [] } = report
    if (found.length + troubles.length + left.length === 0 && part === undefined)
      throw new CaulkerError('bad-argument', nothingProbed(paths, options))
    output.finish(report)
    exit(codeOf(report, options.requireProof ?? false))
  }
  return options.watch === true ? watchProbe(paths, options.component, probe) : probe(options.component)
}

function codeOf({ components, troubles, left = [] }: ProbesReport, requireProof: boolean): number {
  const { broken, unproven } = countClauses(components)
  if (troubles.length + left.length > 0) return EXIT.unjudged
  return broken > 0 || (requireProof && unproven > 0) ? EXIT.leaks : EXIT.sound
}

function nothingProbed(paths: readonly string[], { component }: ProbeOptions): string {
  const where = paths.join(', ')
  return component === undefined
    ? `${where}: no contract was found; contracts stand in files named *.contract.ts or *.contract.js`
    : `${where}: there is no contract of ${component.map((tag) => `'${tag}'`).join(' or ')}`
}

async function refuseUnknown(given: readonly string[]): Promise<void> {
  const { clauses } = await import('caulker/inside/probe')
  const known = clauses.map(({ id }) => id)
  for (const id of given)
    if (!known.includes(id))
      throw new CaulkerError('bad-argument', `--clause ${id}: there is no such clause${hint(id, known)}`)
}
