import { spawnSync } from 'node:child_process'
import { styleText } from 'node:util'

// npm run demo: checks and probes the sound boatyard and the leaking one. As a demo it ends with 0, whatever it finds.
const isTerminal = process.stdout.isTTY && !process.env.NO_COLOR
const title = (text) => console.log(`\n${isTerminal ? styleText('bold', text) : text}\n${'─'.repeat(text.length)}`)
const caulker = (...args) =>
  spawnSync(process.execPath, ['packages/caulker-cli/bin/caulker.js', ...args], { stdio: 'inherit' }).status

title('The sound boatyard: examples/haul-out')
const sound = [caulker('check', 'examples/haul-out'), caulker('probe', 'examples/haul-out')]
title('The leaking boatyard: examples/bilge')
const leaking = [caulker('check', 'examples/bilge'), caulker('probe', 'examples/bilge')]
title('Which is which')
console.log(
  `examples/haul-out  ${sound.every((code) => code === 0) ? 'sound: no finding, no broken clause' : 'NOT sound'}`,
)
console.log(
  `examples/bilge     ${leaking.every((code) => code === 1) ? 'leaks, by its design and by its components, as listed above' : 'NOT as expected'}`,
)
if (sound.some((code) => code !== 0) || leaking.some((code) => code !== 1))
  console.log('This is not what the demo is made to show: please look into the lines above.')
