import { spawnSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { runProbe } from '../packages/caulker-cli/dist/cli/run-probe.js'
import { createLoader } from '../packages/caulker-cli/dist/node/load.js'

// npm run corpus: probes sound components and single faults in both environments, and writes what was found into docs/corpus.md.
const { corpus } = await createLoader()(resolve('test/corpus/all.ts'))
const expected = new Map(corpus.flat().map((one) => [one.contract.tag, one]))
const environments = []
for (const browser of [false, true]) {
  const start = performance.now()
  const { components, ranIn, troubles } = await runProbe({
    paths: ['test/corpus/corpus.contract.ts'],
    seed: 1,
    components: undefined,
    clauses: undefined,
    browser,
    onJudged({ components, left = [] }, last) {
      if (process.stderr.isTTY)
        process.stderr.write(
          `\r${components.length} of ${components.length + left.length} ${last?.component ?? ''}`.padEnd(70),
        )
    },
  })
  for (const trouble of troubles) console.error(trouble)
  environments.push({ ranIn, components, seconds: (performance.now() - start) / 1000 })
}
if (process.stderr.isTTY) process.stderr.write('\r'.padEnd(72) + '\r')

const rows = environments.map(({ components }) =>
  components.map(({ component, clauses }) => {
    const { fault, clauses: right } = expected.get(component)
    const broken = clauses.filter(({ status }) => status === 'broken')
    const found = broken.filter(({ clause }) => right.includes(clause))
    const steps = Math.min(...found.map(({ leak }) => leak.ledger.length - 1))
    return { component, fault, found: found.map(({ clause }) => clause), others: broken.length - found.length, steps }
  }),
)
const summaries = rows.map((all, at) => {
  const faults = all.filter(({ fault }) => fault !== '')
  const steps = faults
    .filter(({ found }) => found.length > 0)
    .map((one) => one.steps)
    .sort((one, other) => one - other)
  const sound = all.filter(({ fault }) => fault === '')
  return [
    environments[at].ranIn,
    `${faults.filter(({ found }) => found.length > 0).length} of ${faults.length}`,
    faults
      .filter(({ found }) => found.length === 0)
      .map(({ component }) => component)
      .join(', ') || 'none',
    `${sound.filter(({ others }) => others > 0).length} in ${sound.length} sound ones`,
    `${steps[Math.floor(steps.length / 2)]} (longest ${steps[steps.length - 1]})`,
    `${environments[at].seconds.toFixed(0)} s`,
  ]
})
const table = (head, lines) =>
  [head, head.map(() => '---'), ...lines].map((cells) => `| ${cells.join(' | ')} |`).join('\n')
const found = (one) =>
  one === undefined || one.found.length === 0 ? 'missed' : `${one.found.join(', ')} (${one.steps})`
const text = `# The corpus

Made by \`npm run corpus\` from the components under \`test/corpus\`: sound ones in varied styles, and variants of them with one fault each, of the kinds that working developers make. In brackets, the steps of the shortest trail after the mount.

${table(['where', 'faults found', 'missed', 'false alarms', 'median steps', 'time'], summaries)}

${table(
  ['fault', 'found in the embedded DOM by', 'found in Chromium by'],
  rows[0]
    .filter(({ fault }) => fault !== '')
    .map((one) => [
      `\`${one.component}\``,
      found(one),
      found(rows[1].find(({ component }) => component === one.component)),
    ]),
)}
`
writeFileSync('docs/corpus.md', text)
spawnSync(process.execPath, ['scripts/test.mjs', 'adopt'], {
  stdio: 'inherit',
  env: { ...process.env, CAULKER_ALL: '1' },
})
console.log(text.split('\n').slice(4, 9).join('\n'))
