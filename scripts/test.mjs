import { spawnSync } from 'node:child_process'
import { globSync } from 'tinyglobby'
import Mocha from 'mocha'
import { ensureChromium } from './ensure-chromium.mjs'

// npm test [-- --grep TEXT]: builds, compiles the tests, runs them all and closes with their count.
ensureChromium()
for (const project of ['packages/caulker', 'packages/caulker-cli', 'test']) {
  const { status } = spawnSync(process.execPath, ['node_modules/typescript/bin/tsc', '-p', project], {
    stdio: 'inherit',
  })
  if (status !== 0) process.exit(1)
}

const at = process.argv.indexOf('--grep')
const mocha = new Mocha({
  timeout: 120_000,
  slow: 8000,
  reporter: 'spec',
  ...(at < 0 ? {} : { grep: process.argv[at + 1] }),
})
for (const file of globSync('.build/**/*.test.js').sort()) mocha.addFile(file)
await mocha.loadFilesAsync()
const runner = mocha.run((failures) => {
  const { passes, pending } = runner.stats
  console.log(`${passes} passed, ${failures} failed${pending > 0 ? `, ${pending} skipped` : ''}`)
  process.exit(failures === 0 ? 0 : 1)
})
