#!/usr/bin/env node
import { CaulkerError, messageOf, visible } from 'caulker/inside/words'
import { Command, CommanderError } from 'commander'
import { adoptCommand } from './adopt-command.js'
import { checkCommand } from './check-command.js'
import { compareCommand } from './compare-command.js'
import { EXIT } from '../node/exit.js'
import { guardOutput, packageVersion } from './output.js'
import { probeCommand } from './probe-command.js'
import { rehearseCommand } from './rehearse-command.js'
import { sheetCommand } from './sheet-command.js'
import { startCommand } from './start-command.js'

guardOutput()

const exit = (code: number) => {
  process.exitCode = code
}

const caulker = new Command('caulker')
  .description(
    'Checks the contracts of input components and their screens, rehearses the screens, and probes the live components.',
  )
  .version(packageVersion())
  .addCommand(startCommand(exit))
  .addCommand(checkCommand(exit))
  .addCommand(probeCommand(exit))
  .addCommand(rehearseCommand(exit))
  .addCommand(compareCommand(exit))
  .addCommand(sheetCommand(exit))
  .addCommand(adoptCommand(exit))
  .addHelpText(
    'after',
    '\nExamples:\n  $ caulker start\n  $ caulker check src\n  $ caulker rehearse src\n  $ caulker probe src\n  $ caulker adopt yard-parts --output contracts',
  )

for (const command of [caulker, ...caulker.commands])
  command.exitOverride().configureOutput({ outputError: (text, write) => write(text.replace(/^error: /, 'caulker: ')) })

try {
  await caulker.parseAsync()
} catch (thrown) {
  if (thrown instanceof CommanderError) exit(thrown.exitCode === 0 ? EXIT.sound : EXIT.unjudged)
  else {
    process.stderr.write(
      `caulker: ${visible(thrown instanceof CaulkerError ? thrown.message : `something went wrong inside: ${messageOf(thrown)}`)}\n`,
    )
    exit(EXIT.unjudged)
  }
}
