import { spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { check, contract, contractToJson, oneWay, reckon, screen, set, twoWay, Type } from 'caulker'

// npm run bench: how a check grows with the design, in ratios within this one run; and what the compiler needs for many screens.
const TSC = fileURLToPath(new URL('../node_modules/typescript/bin/tsc', import.meta.url))
const FITTINGS = 12
const contracts = Array.from({ length: 10_000 }, (_, at) => yardPart(at))
const many = screens(2_000)

const once = (work) => {
  const start = performance.now()
  work()
  return performance.now() - start
}
/** The best of several turns of each, taken in alternation, so that a busy moment of the machine falls on both. */
function ratio(one, other, turns = 8) {
  const times = Array.from({ length: turns }, () => [once(one), once(other)])
  return Math.min(...times.map(([first]) => first)) / Math.min(...times.map(([, second]) => second))
}

if (process.argv.includes('--memory')) {
  check({ contracts, screens: many })
  console.log(Math.round(process.memoryUsage().rss / 2 ** 20))
} else {
  const text = JSON.stringify(contracts.map(contractToJson))
  const few = screens(200)
  line(
    'check of 10,000 contracts and 2,000 screens, against JSON.parse of the contracts',
    ratio(
      () => check({ contracts, screens: many }),
      () => JSON.parse(text),
    ),
    10,
  )
  line(
    'check of one screen among 2,000, against one among 200',
    ratio(
      () => check({ contracts: [], screens: many }),
      () => check({ contracts: [], screens: few }),
    ) / 10,
    1.3,
  )
  const { stdout } = spawnSync(process.execPath, [fileURLToPath(import.meta.url), '--memory'], { encoding: 'utf8' })
  console.log(
    `${'memory of a process that makes and checks all of these'.padEnd(84)} ${stdout.trim()} MB  (aim 300 MB)`,
  )
  const [some, all] = [50, 200].map(compiling)
  console.log(`${'compiling 200 screens of 12 fittings'.padEnd(84)} ${(all / 1000).toFixed(1)} s`)
  line('compiling one screen among 200, against one among 50', all / 200 / (some / 50), 1.3)
}

function line(title, ratio, aim) {
  console.log(`${title.padEnd(84)} ${ratio.toFixed(2)}x  (aim ${aim}x)`)
}

function yardPart(at) {
  return contract(`yard-part-${at}`, {
    summary: `Part ${at} of the yard`,
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      fewest: { type: Type.Integer(), default: 0 },
      most: { type: Type.Integer(), default: 40 },
      wood: { type: Type.Enum(['oak', 'pine', 'larch']), default: 'oak' },
    },
    values: {
      count: { type: Type.Integer(), default: 0, reports: 'commit', bounds: { least: 'fewest', most: 'most' } },
      note: { type: Type.Union([Type.String(), Type.Null()]), default: null },
    },
    events: { 'limit-met': { payload: Type.Object({ limit: Type.Enum(['fewest', 'most']) }) } },
    commands: { reset: { effect: 'reset' }, focus: { effect: 'focus' } },
  })
}

function screens(count) {
  const parts = Array.from({ length: FITTINGS }, (_, at) => at)
  const named = (make) => Object.fromEntries(parts.map((at) => [`part${at}`, make(at)]))
  return Array.from({ length: count }, (_, of) =>
    screen(`screen-${of}`, {
      cells: named((at) => ({ type: Type.Integer(), initial: at })),
      fittings: named((at) => contracts[(of * FITTINGS + at) % contracts.length]),
      reckoned: ({ cells }) => ({ total: reckon([cells.part0, cells.part1], (one, other) => `${one + other}`) }),
      actions: ({ cells }) => ({ none: [set(cells.part0, 0)] }),
      bind: ({ cells, reckoned, actions }) =>
        named((at) => ({
          label: at === 0 ? oneWay(reckoned.total) : 'Part',
          count: twoWay(cells[`part${at}`]),
          ...(at === 1 ? { on: { 'limit-met': actions.none } } : {}),
        })),
    }),
  )
}

/** How long the compiler takes over some screens as a developer writes them, without what it takes over none. */
function compiling(count) {
  const build = fileURLToPath(new URL('../.build', import.meta.url))
  mkdirSync(build, { recursive: true })
  const folder = mkdtempSync(join(build, 'bench-'))
  const parts = Array.from({ length: FITTINGS }, (_, at) => `part${at}`)
  const each = (make) => parts.map(make).join(', ')
  const one = (at) => `
import { contract, oneWay, reckon, screen, set, twoWay, Type } from '../../packages/caulker/dist/index.js'
const part = contract('yard-part', { required: ['label'], properties: { label: { type: Type.String() }, most: { type: Type.Integer(), default: 40 } }, values: { count: { type: Type.Integer(), default: 0, bounds: { most: 'most' } } }, events: { 'limit-met': { payload: Type.Object({ limit: Type.String() }) } }, commands: { reset: { effect: 'reset' } } })
export const screen${at} = screen('screen-${at}', {
  cells: { ${each((name) => `${name}: { type: Type.Integer(), initial: ${at} }`)} },
  fittings: { ${each((name) => `${name}: part`)} },
  reckoned: ({ cells }) => ({ total: reckon([cells.part0, cells.part1], (one, other) => String(one + other)) }),
  actions: ({ cells }) => ({ none: [set(cells.part0, 0)] }),
  bind: ({ cells, reckoned, actions }) => ({ ${each((name) => `${name}: { label: oneWay(reckoned.total), count: twoWay(cells.${name}), on: { 'limit-met': actions.none } }`)} }),
})`
  const compile = () =>
    once(() => {
      const { status, stdout } = spawnSync(process.execPath, [TSC, '-p', folder], { encoding: 'utf8' })
      if (status !== 0) throw new Error(stdout)
    })
  writeFileSync(
    join(folder, 'tsconfig.json'),
    JSON.stringify({
      extends: '../../tsconfig.json',
      compilerOptions: { noEmit: true, declaration: false, rootDir: '../..', incremental: false },
      include: ['*.ts'],
    }),
  )
  writeFileSync(join(folder, 'none.ts'), "import '../../packages/caulker/dist/index.js'")
  const none = compile()
  for (let at = 0; at < count; at++) writeFileSync(join(folder, `screen${at}.ts`), one(at))
  const all = compile()
  rmSync(folder, { recursive: true })
  return all - none
}
