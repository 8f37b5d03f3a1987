import { Command } from 'commander'

export function startCommand(exit: (code: number) => void): Command {
  return new Command('start')
    .description('write first contracts: of the components that are there, or of one that is written with them')
    .argument('[folder]', 'the project', '.')
    .option('--browser', 'operate the components in Chromium or Chrome while their contracts are read off them')
    .addHelpText(
      'after',
      '\nNothing that is there is written over. Where there are contracts already, it only says what comes next.\n\nExample:\n  $ npx caulker start && npm run leaks\n\nExit codes: 0 written, 2 something could not be read',
    )
    .action(async (folder: string, options: { browser?: boolean }) => {
      const { start } = await import('./start-action.js')
      return start(folder, options.browser ?? false, exit)
    })
}
