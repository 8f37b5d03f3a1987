import { spawnSync } from 'node:child_process'
import { globSync } from 'tinyglobby'
import Mocha from 'mocha'
import { ensureChromium } from './ensure-chromium.mjs'

// npm test [-- --grep TEXT] [-- --whole] [-- FILE...]: builds, compiles the tests, runs them side by side, and closes with their count;
// with --whole everything is asked of which otherwise a sample is.
ensureChromium()
await import('./clean.mjs')
const TSC = 'node_modules/typescript/bin/tsc'
for (const step of [
  [TSC, '-p', 'packages/caulker'],
  ['scripts/bundle.mjs'],
  [TSC, '-p', 'packages/caulker-cli'],
  [TSC, '-p', 'test'],
]) {
  const { status } = spawnSync(process.execPath, step, { stdio: 'inherit' })
  if (status !== 0) process.exit(1)
}

/** The longest first, so that no core is left with one of them at the end. */
const LONG = ['corpus', 'probe', 'cli', 'chromium', 'rehearse-cli', 'packed', 'verdicts', 'docs', 'start', 'promises']
const place = (file) => {
  const at = LONG.findIndex((name) => file.endsWith(`${name}.test.js`))
  return at < 0 ? LONG.length : at
}

// Thousands of short-lived elements are made: with more room for what is young, less of them is copied before it is let go.
process.env.NODE_OPTIONS = `${process.env.NODE_OPTIONS ?? ''} --max-semi-space-size=64`.trim()

const args = process.argv.slice(2)
const at = args.indexOf('--grep')
const [, grep] = at < 0 ? [] : args.splice(at, 2)
const whole = args.indexOf('--whole')
if (whole >= 0) {
  args.splice(whole, 1)
  process.env.CAULKER_ALL = '1'
}
const wanted = (file) => args.length === 0 || args.some((name) => file.endsWith(`/${name}.test.js`))
const mocha = new Mocha({
  // A whole probe of several elements in Chromium takes its time on a busy machine; nothing is asserted by time.
  timeout: 300_000,
  slow: 8000,
  reporter: 'dot',
  parallel: true,
  jobs: 3,
  ...(grep === undefined ? {} : { grep }),
})
const files = globSync('.build/**/*.test.js')
  .filter(wanted)
  .sort((one, other) => place(one) - place(other) || one.localeCompare(other))
for (const file of files) mocha.addFile(file)
if (files.length < 2) await mocha.parallelMode(false).loadFilesAsync()
const start = performance.now()
const runner = mocha.run((failures) => {
  const { passes, pending } = runner.stats
  const seconds = ((performance.now() - start) / 1000).toFixed(0)
  console.log(`${passes} passed, ${failures} failed${pending > 0 ? `, ${pending} skipped` : ''}, in ${seconds} s`)
  process.exit(failures === 0 ? 0 : 1)
})
