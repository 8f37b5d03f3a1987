import { spawn } from 'node:child_process'
import { clauses } from 'caulker/probe'
import { ledgerLines } from 'caulker/inside/report'
import { counted, inkFor } from 'caulker/inside/words'

// npm run demo: checks and probes the sound boatyard and the leaking one, and says on one screen what was found. It ends with 0, whatever that is.
const isTerminal = process.stdout.isTTY && !process.env.NO_COLOR
const ink = inkFor(isTerminal)
const WIDTH = Math.max(80, Math.min(process.stdout.columns ?? 110, 120))
const BEST = 3

const [sound, leaking] = await Promise.all(['examples/haul-out', 'examples/bilge'].map(judged))
const [ofSound, ofLeaking] = [sound, leaking].map(leaksOf)
const best = bestOf(ofLeaking)

print(`${ink.strong('Marrow Creek Boatyard, twice')}: contracts, screens and live components, at rest and operated.`)
print(
  `  ${ofSound.length + sound.check.findings.length === 0 ? ink.good('✓ examples/haul-out is sound') : ink.bad('✗ examples/haul-out leaks')}: ${read(sound)}.`,
)
print(`  ${ink.bad('✗ examples/bilge leaks')}: ${read(leaking)}.`)
print('')
print(
  `${counted(leaking.check.findings.length, 'finding')} in its design, such as: ${ink.strong(`${leaking.check.findings.find(({ rule }) => rule === 'frozen-value')?.says ?? ''}.`)}`,
)
print(`${counted(ofLeaking.length, 'broken promise')} of its components. Three of them, step by step:`)
for (const { component, leak } of best) {
  print('')
  print(`${ink.bad(component)}: ${leak.says}`)
  for (const line of ledgerLines(leak.ledger, WIDTH - 2, ink)) print(`  ${line}`)
  print(`  ${ink.quiet('expected')} ${ink.good(leak.expected)}   ${ink.quiet('found')} ${ink.unsure(leak.found)}`)
}
print('')
print(
  `All of it: ${ink.strong('npx caulker check examples/bilge')}, then ${ink.strong('rehearse')} and ${ink.strong('probe')} in place of check; the page: ${ink.strong('npm run example')}`,
)
if (sound.code !== 0 || leaking.code !== 1)
  print('This is not what the demo is made to show: please look into it with the commands above.')

async function judged(yard) {
  const [check, probe] = await Promise.all([report('check', yard), report('probe', yard)])
  return { check: check.report, probe: probe.report, code: Math.max(check.code, probe.code) }
}

/** What a command says as JSON; its progress goes to standard error as usual. */
function report(command, yard) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['packages/caulker-cli/bin/caulker.js', command, yard, '--format', 'json'], {
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    let text = ''
    child.stdout.on('data', (part) => (text += part))
    child.on('close', (code) => resolve({ code, report: JSON.parse(text) }))
  })
}

function leaksOf({ probe }) {
  return probe.components.flatMap(({ component, clauses: judged }) =>
    judged.flatMap(({ clause, leak }) => (leak === undefined ? [] : [{ component, clause, leak }])),
  )
}

function read({ check, probe }) {
  const held = probe.components.flatMap((one) => one.clauses).filter(({ status }) => status === 'held').length
  return `${counted(check.contracts, 'contract')}, ${counted(check.screens, 'screen')}, ${counted(held, 'promise')} held`
}

/** Short trails, each about something else. */
function bestOf(leaks) {
  const groupOf = new Map(clauses.map(({ id, group }) => [id, group]))
  const size = ({ leak }) =>
    leak.ledger.length * 100 + leak.ledger.reduce((sum, row) => sum + row.step.length + row.shown.length, 0)
  const chosen = new Map()
  for (const one of leaks.filter(({ leak }) => leak.ledger.length > 1).sort((a, b) => size(a) - size(b)))
    if (!chosen.has(groupOf.get(one.clause))) chosen.set(groupOf.get(one.clause), one)
  return [...chosen.values()].slice(0, BEST)
}

function print(line) {
  process.stdout.write(`${line}\n`)
}
