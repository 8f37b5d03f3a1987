import { adoptText } from 'caulker/inside/report'
import { CaulkerError, counted } from 'caulker/inside/words'
import { existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { definersIn } from '../node/definers.js'
import { EXIT } from '../node/exit.js'
import { search } from '../node/find.js'
import { FIRST_FILES } from '../node/first-files.js'
import { shown } from '../node/shown.js'
import { adopted, writeAdopted } from './adopt-action.js'
import { terminalWidth, wantsColour } from './output.js'

const CONTRACTS = 'contracts'

/** Begins in a project: adopts the components that are there, or writes a first one, and says what comes next. */
export async function start(folder: string, browser: boolean, exit: (code: number) => void): Promise<void> {
  if (existsSync(folder) && !statSync(folder).isDirectory())
    throw new CaulkerError('bad-argument', `${folder}: it is a file; name the folder of the project`)
  mkdirSync(folder, { recursive: true })
  const contracts = search(folder, ['**/*.contract.{ts,js,mts,mjs,json}'])
  if (contracts.length > 0)
    say([
      `${counted(contracts.length, 'contract is', 'contracts are')} here already.`,
      ...next(folder, addScript(folder)),
    ])
  else {
    const definers = definersIn(folder)
    if (definers.length === 0) begin(folder)
    else return exit(await adoptAll(folder, definers, browser))
  }
  exit(EXIT.sound)
}

function begin(folder: string): void {
  const config = { 'caulker.config.json': `${JSON.stringify({ defines: ['elements/*.js'] }, null, 2)}\n` }
  const lines = Object.entries({ ...FIRST_FILES, ...config }).map(([name, text]) => {
    const file = join(folder, name)
    return `${writeNew(file, text) ? 'Written to' : 'Left as it is:'} ${shown(file)}`
  })
  say([
    'A first component, its contract and a screen that uses it.',
    '',
    ...lines,
    ...next(folder, addScript(folder)),
    `  ${inFolder(folder)}npx vite              the screen, in a browser`,
  ])
}

async function adoptAll(folder: string, definers: readonly string[], browser: boolean): Promise<number> {
  say([`${counted(definers.length, 'module')} with custom elements and no contract: reading contracts off them.`])
  const report = await adopted(definers, browser ? { browser } : {})
  const written = writeAdopted(report, join(folder, CONTRACTS))
  const said = { colour: wantsColour(), width: terminalWidth(), folder: CONTRACTS }
  process.stdout.write(`\n${adoptText({ ...report, written }, said)}`)
  say(next(folder, addScript(folder)))
  return report.troubles.length > 0 ? EXIT.unjudged : EXIT.sound
}

/** Puts the checks into the scripts of the project, so that a pipeline can run them; gives what was done. */
function addScript(folder: string): string {
  const isWired = search(folder, ['**/*.{screen,journey}.{ts,js,mts,mjs}']).length > 0
  const script = ['caulker check', ...(isWired ? ['caulker rehearse'] : []), 'caulker probe'].join(' && ')
  const file = join(folder, 'package.json')
  const before = existsSync(file)
    ? (JSON.parse(readFileSync(file, 'utf8')) as { scripts?: Record<string, string> })
    : { private: true, type: 'module' }
  const { scripts = {} } = before as { scripts?: Record<string, string> }
  if (scripts['leaks'] !== undefined) return `package.json has a script 'leaks' already: ${scripts['leaks']}`
  writeFileSync(file, `${JSON.stringify({ ...before, scripts: { ...scripts, leaks: script } }, null, 2)}\n`)
  return `package.json has a script for your pipeline now: npm run leaks (${script})`
}

function next(folder: string, script: string): string[] {
  const at = inFolder(folder)
  return [
    '',
    script,
    '',
    'Next:',
    `  ${at}npx caulker check     contracts and screens, at rest`,
    `  ${at}npx caulker rehearse  screens, played to the end without a page`,
    `  ${at}npx caulker probe     the live components, operated; --browser does it in Chromium`,
    `  ${at}npx caulker sheet     what they promise`,
  ]
}

function inFolder(folder: string): string {
  return resolve(folder) === process.cwd() ? '' : `cd ${shown(resolve(folder))} && `
}

function writeNew(file: string, text: string): boolean {
  if (existsSync(file)) return false
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, text)
  return true
}

function say(lines: readonly string[]): void {
  process.stdout.write(`${lines.join('\n')}\n`)
}
