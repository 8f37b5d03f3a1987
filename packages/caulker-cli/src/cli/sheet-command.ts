import { Command, Option } from 'commander'
import { writeFileSync } from 'node:fs'
import { shown } from '../node/shown.js'
import { inThread } from '../tasks/thread.js'
import { EXIT } from '../node/exit.js'
import { deliver, terminalWidth, wantsColour } from './output.js'

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
      const { text, declarations, troubles } = await inThread('sheet', {
        paths,
        component: options.component,
        as: options.types === true ? 'types' : options.manifest === true ? 'manifest' : options.format,
        colour: options.output === undefined && wantsColour(),
        width: terminalWidth(),
      })
      if (options.types !== true) deliver(text, text, options.output)
      else if (declarations.length === 0)
        process.stdout.write('There is no JSON contract here; contracts in TypeScript have their types.\n')
      for (const { file, text: declaration } of declarations) {
        writeFileSync(file, declaration)
        process.stdout.write(`${shown(file)}\n`)
      }
      for (const line of troubles) process.stderr.write(`${line}\n`)
      exit(troubles.length > 0 ? EXIT.unjudged : EXIT.sound)
    })
}
