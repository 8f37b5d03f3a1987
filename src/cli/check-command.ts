import { Command, Option } from 'commander'
import { rules, type Rule } from '../check/index.js'
import { CaulkerError, hint } from '../contract/index.js'
import { checkText, reportJson, type CheckReport } from '../report/index.js'
import { deliver, EXIT, wantsColour } from './output.js'
import { runCheck } from './run-check.js'

interface CheckOptions {
  format: 'text' | 'json'
  output?: string
  explain?: string
}

export function checkCommand(exit: (code: number) => void): Command {
  return new Command('check')
    .description('read contracts and screens at rest, and say what leaks')
    .argument('[paths...]', 'files, or folders to search for *.contract.ts and *.screen.ts (also .js)', ['.'])
    .addOption(new Option('--format <format>', 'how to print the findings').choices(['text', 'json']).default('text'))
    .option('--output <file>', 'write the report to a file')
    .option('--explain <rule>', 'say why a rule is there, with a mended example')
    .addHelpText(
      'after',
      '\nExample:\n  $ caulker check src/screens\n\nExit codes: 0 no leaks, 1 leaks, 2 something could not be judged',
    )
    .action(async (paths: string[], options: CheckOptions) => {
      if (options.explain !== undefined) {
        process.stdout.write(explained(ruleNamed(options.explain)))
        return exit(EXIT.sound)
      }
      const report = await runCheck(paths)
      const text = checkText(report, { colour: options.output === undefined && wantsColour() })
      deliver(options.format === 'json' ? reportJson(report) : text, text, options.output)
      exit(codeOf(report))
    })
}

function codeOf({ findings, troubles, contracts, screens }: CheckReport): number {
  if (troubles.length > 0 || contracts + screens === 0) return EXIT.unjudged
  return findings.some((finding) => finding.level !== 'note') ? EXIT.leaks : EXIT.sound
}

function ruleNamed(id: string): Rule {
  const ids = rules.map((rule) => rule.id)
  const found = rules.find((rule) => rule.id === id)
  if (found === undefined)
    throw new CaulkerError('bad-argument', `--explain ${id}: there is no such rule${hint(id, ids)}`)
  return found
}

function explained({ id, level, title, why, mend, leaking, mended }: Rule): string {
  return `${id} (${level}): ${title}\n\n${why}\n\nMend: ${mend}\n\nThis leaks:\n${indented(leaking)}\n\nThis is mended:\n${indented(mended)}\n`
}

function indented(code: string): string {
  return code
    .trim()
    .split('\n')
    .map((line) => `  ${line}`)
    .join('\n')
}
