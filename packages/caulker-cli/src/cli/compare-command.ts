import { Command, Option } from 'commander'
import { hitBy } from 'caulker/inside/check'
import { CaulkerError, compareContracts, nextVersion, type Place } from 'caulker/inside/contract'
import { shown } from '../node/find.js'
import { locate } from '../node/locate.js'
import { loadProject } from '../node/project.js'
import { openSide } from '../node/side.js'
import { compareText, reportJson, type CompareReport } from 'caulker/inside/report'
import { deliver, EXIT, wantsColour } from './output.js'
import { troubleReport } from './run-check.js'

interface CompareOptions {
  format: 'text' | 'json'
  output?: string
  screens?: string[]
}

export function compareCommand(exit: (code: number) => void): Command {
  return new Command('compare')
    .description(
      'compare two versions of contracts: what breaks owners, which screens are hit, what the next version must be',
    )
    .argument('<old>', 'a file, a folder, or a revision of the repository, such as v1.2.0 or HEAD~3:src/contracts')
    .argument('<new>', 'the same, of the newer version')
    .option('--screens <paths...>', 'where to look for screens that are hit; by default in the newer version')
    .addOption(new Option('--format <format>', 'how to print the changes').choices(['text', 'json']).default('text'))
    .option('--output <file>', 'write the report to a file')
    .addHelpText(
      'after',
      '\nExample:\n  $ caulker compare v1.2.0:src/contracts src/contracts --screens src/screens\n\nExit codes: 0 no owner breaks, 1 owners break, 2 something could not be compared',
    )
    .action(async (old: string, now: string, options: CompareOptions) => {
      const report = await compared(old, now, options.screens)
      const text = compareText(report, { colour: options.output === undefined && wantsColour() })
      deliver(options.format === 'json' ? reportJson(report) : text, text, options.output)
      const breaks = report.changes.some((change) => change.weight === 'major')
      exit(report.troubles.length > 0 ? EXIT.unjudged : breaks ? EXIT.leaks : EXIT.sound)
    })
}

async function compared(
  oldSide: string,
  newSide: string,
  screenPaths: readonly string[] | undefined,
): Promise<CompareReport> {
  const [old, now] = [openSide(oldSide), openSide(newSide)]
  try {
    const [before, after] = [await loadProject([old.path]), await loadProject([now.path])]
    for (const [side, { contracts, troubles }] of [
      [oldSide, before],
      [newSide, after],
    ] as const)
      if (contracts.length + troubles.length === 0)
        throw new CaulkerError('bad-argument', `${side}: no contract was found there`)
    const { screens } = screenPaths === undefined ? after : await loadProject(screenPaths)
    const texts = new Map<string, string>()
    const position = (place: Place | undefined, path: readonly string[]) => {
      const found = place === undefined ? undefined : locate(place, path, texts)
      return found === undefined ? {} : { file: shown(found.file), line: found.line, column: found.column }
    }
    const all = compareContracts(before.contracts, after.contracts)
    // What could not be read is neither gone nor new.
    const unread = { major: after.troubles.length > 0, minor: before.troubles.length > 0, patch: false }
    const changes = all.filter(
      ({ path, weight, says }) => path.length > 0 || !unread[weight] || !/ is (?:gone|new)$/.test(says),
    )
    const next = old.version === undefined ? undefined : nextVersion(old.version, changes)
    return {
      kind: 'compare',
      version: 1,
      ...(old.version === undefined || next === undefined ? {} : { from: old.version, next }),
      changes: changes.map((change) => ({
        ...change,
        hits: hitBy(
          change,
          screens,
          after.contracts.find((one) => one.tag === change.contract),
        ).map(({ screen, fitting, place, path }) => ({ screen, fitting, ...position(place, path) })),
      })),
      troubles: [...before.troubles, ...after.troubles].map(troubleReport),
    }
  } finally {
    old.close()
    now.close()
  }
}
