import { Command, Option } from 'commander'
import { writeFileSync } from 'node:fs'
import { CaulkerError, contractToJson } from 'caulker/inside/contract'
import { shown } from '../node/find.js'
import { loadProject } from '../node/project.js'
import { declarationOf } from '../node/declaration.js'
import { reportJson, sheetText, troubleLines, inkFor, type SheetReport } from 'caulker/inside/report'
import { manifestText } from './manifest-text.js'
import { deliver, EXIT, terminalWidth, wantsColour } from './output.js'
import { troubleReport } from './run-check.js'

interface SheetOptions {
  format: 'text' | 'json'
  output?: string
  types?: boolean
  manifest?: boolean
  component?: string
}

export function sheetCommand(exit: (code: number) => void): Command {
  return new Command('sheet')
    .description('say what components promise, from their contracts')
    .argument('[paths...]', 'contract files, or folders to search for them', ['.'])
    .addOption(new Option('--format <format>', 'how to print the sheets').choices(['text', 'json']).default('text'))
    .option('--output <file>', 'write the sheets to a file')
    .option('--component <tag>', 'only the sheet of this component')
    .option('--manifest', 'write the contracts as a custom-elements.json manifest instead, for tools that read it')
    .option('--types', 'write a .d.json.ts beside each JSON contract, so that TypeScript knows what importing it gives')
    .addHelpText(
      'after',
      '\nExamples:\n  $ caulker sheet src/contracts\n  $ caulker sheet src --manifest --output custom-elements.json\n  $ caulker sheet src --types   # compile with "allowArbitraryExtensions": true\n\nExit codes: 0 written, 2 something could not be read',
    )
    .action(async (paths: string[], options: SheetOptions) => {
      const { contractFiles, troubles } = await loadProject(paths)
      const chosen = contractFiles.filter(({ contract }) => contract.tag === (options.component ?? contract.tag))
      if (options.component !== undefined && chosen.length === 0)
        throw new CaulkerError(
          'bad-argument',
          `--component ${options.component}: there is no contract of this tag here`,
        )
      if (options.types === true) {
        const json = chosen.filter(({ file }) => file.endsWith('.json'))
        for (const { contract, file } of json) {
          const target = file.replace(/\.json$/, '.d.json.ts')
          writeFileSync(target, await declarationOf(contract))
          process.stdout.write(`${shown(target)}\n`)
        }
        if (json.length === 0)
          process.stdout.write('There is no JSON contract here; contracts in TypeScript have their types.\n')
      } else {
        const contracts = chosen.map(({ contract }) => contract)
        const colour = options.output === undefined && wantsColour()
        const text =
          options.manifest === true
            ? await manifestText(chosen)
            : sheetText(contracts, { colour, width: terminalWidth() })
        const sheets: SheetReport = { kind: 'sheet', version: 1, contracts: contracts.map(contractToJson) }
        deliver(options.format === 'json' ? reportJson(sheets) : text, text, options.output)
      }
      for (const line of troubleLines(troubles.map(troubleReport), inkFor(wantsColour())))
        process.stderr.write(`${line}\n`)
      exit(troubles.length > 0 ? EXIT.unjudged : EXIT.sound)
    })
}
