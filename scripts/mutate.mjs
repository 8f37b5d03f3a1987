import { spawn } from 'node:child_process'
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { availableParallelism, tmpdir } from 'node:os'
import { join, relative, resolve } from 'node:path'
import { globSync } from 'tinyglobby'
import { parseSync } from 'vite'

// npm run mutate [-- --sample N] [--seed S] [--only FOLDER]: changes the compiled core in one small place at a time, and counts how many
// of the changes the fast suites notice. What survives is listed with its place and the change.
const args = process.argv.slice(2)
const option = (name, usual) => (args.includes(name) ? args[args.indexOf(name) + 1] : usual)
const SAMPLE = Number(option('--sample', '120'))
const SEED = Number(option('--seed', '1'))
const FOLDERS = option('--only', 'contract,wiring,machine,check,page').split(',')
/** Suites that run in one process and take seconds; each mutant is given the time of several of them. */
const SUITES =
  'recorded contract manifest checker ideal machine conformance wirings laws check versions wiring weather'.split(' ')
const PATIENCE = 60_000

const root = resolve('.')
const dist = join(root, 'packages/caulker/dist')
const files = FOLDERS.flatMap((folder) => globSync(`${folder}/**/*.js`, { cwd: dist })).filter(
  (file) => !/index\.js$/.test(file),
)
const all = files.flatMap((file) => mutantsOf(file, readFileSync(join(dist, file), 'utf8')))
const chosen = sample(all, SAMPLE, SEED)
console.log(`${chosen.length} of ${all.length} mutants in ${files.length} files, by the suites ${SUITES.join(', ')}`)

const homes = Array.from({ length: availableParallelism() }, home)
const first = await run(homes[0])
if (first.code !== 0) {
  console.error(first.out)
  console.error('The suites fail without a mutant: nothing to measure.')
  process.exit(2)
}
console.log(`The suites take ${(first.milliseconds / 1000).toFixed(0)} s without one.`)
const waiting = [...chosen]
const survivors = []
let done = 0
await Promise.all(
  homes.map(async (at) => {
    for (let mutant = waiting.shift(); mutant !== undefined; mutant = waiting.shift()) {
      const file = join(at, 'packages/caulker/dist', mutant.file)
      const text = readFileSync(file, 'utf8')
      writeFileSync(file, text.slice(0, mutant.start) + mutant.to + text.slice(mutant.end))
      const { code } = await run(at)
      writeFileSync(file, text)
      if (code === 0) survivors.push(mutant)
      if (++done % 20 === 0) console.log(`${done} tried, ${survivors.length} survive`)
    }
  }),
)
for (const at of homes) rmSync(at, { recursive: true, force: true })
const killed = chosen.length - survivors.length
console.log(`${killed} of ${chosen.length} killed: ${((100 * killed) / chosen.length).toFixed(0)} %`)
for (const { file, line, from, to } of survivors.sort((one, other) => one.file.localeCompare(other.file)))
  console.log(
    `  ${file.replace(/\.js$/, '.ts')} (compiled line ${line}): ${from.replace(/\s+/g, ' ').slice(0, 90)}  ->  ${to.replace(/\s+/g, ' ').slice(0, 60)}`,
  )

/** A copy of what the suites need, so that several mutants can be tried at once. */
function home() {
  const at = mkdtempSync(join(tmpdir(), 'mutant-'))
  mkdirSync(join(at, 'node_modules'))
  for (const name of readdirSync(join(root, 'node_modules')))
    if (name !== 'caulker') symlinkSync(join(root, 'node_modules', name), join(at, 'node_modules', name))
  mkdirSync(join(at, 'packages/caulker'), { recursive: true })
  cpSync(dist, join(at, 'packages/caulker/dist'), { recursive: true })
  for (const name of ['schema', 'src'])
    cpSync(join(root, 'packages/caulker', name), join(at, 'packages/caulker', name), { recursive: true })
  // A mutant is one of the single files: what was bundled for Node holds none.
  const about = JSON.parse(readFileSync(join(root, 'packages/caulker/package.json'), 'utf8'))
  for (const conditions of Object.values(about.exports)) delete conditions.node
  writeFileSync(join(at, 'packages/caulker/package.json'), JSON.stringify(about))
  // The command is copied as well: linked, it would find the library that nobody has changed.
  for (const name of ['package.json', 'dist', 'bin'])
    cpSync(join(root, 'packages/caulker-cli', name), join(at, 'packages/caulker-cli', name), { recursive: true })
  symlinkSync(join(at, 'packages/caulker'), join(at, 'node_modules/caulker'))
  cpSync(join(root, '.build'), join(at, '.build'), { recursive: true })
  for (const name of ['examples', 'test', 'package.json', 'docs', 'scripts'])
    cpSync(join(root, name), join(at, name), { recursive: true })
  return at
}

function run(at) {
  const start = performance.now()
  const suites = SUITES.map((name) => `.build/${name}.test.js`).filter((file) => existsSync(join(at, file)))
  return new Promise((done) => {
    const child = spawn(
      process.execPath,
      [join(root, 'node_modules/mocha/bin/mocha.js'), '--bail', '--reporter', 'dot', '--timeout', '20000', ...suites],
      { cwd: at },
    )
    let out = ''
    child.stdout.on('data', (text) => (out += text))
    child.stderr.on('data', (text) => (out += text))
    const timer = setTimeout(() => child.kill('SIGKILL'), PATIENCE)
    child.on('close', (code) => {
      clearTimeout(timer)
      done({ code, out, milliseconds: performance.now() - start })
    })
  })
}

/** Small changes that a developer could make by mistake, each by its place in the compiled file. */
function mutantsOf(file, text) {
  const found = []
  const add = (node, to) => {
    const from = text.slice(node.start, node.end)
    if (from !== to)
      found.push({
        file,
        start: node.start,
        end: node.end,
        from,
        to,
        line: text.slice(0, node.start).split('\n').length,
      })
  }
  const code = (node) => text.slice(node.start, node.end)
  const SWAPS = {
    '===': '!==',
    '!==': '===',
    '<': '<=',
    '<=': '<',
    '>': '>=',
    '>=': '>',
    '+': '-',
    '-': '+',
    '&&': '||',
    '||': '&&',
    '??': '&&',
  }
  const visit = (node, parent) => {
    if (node === null || typeof node !== 'object') return
    if (Array.isArray(node)) return node.forEach((one) => visit(one, parent))
    if (typeof node.type !== 'string') return
    // The texts of a rule or clause are read by people.
    if (
      node.type === 'Property' &&
      /^(?:title|why|mend|leaking|mended|says|id|promise|tried)$/.test(node.key?.name ?? '')
    )
      return
    if (node.type === 'ImportDeclaration' || node.type === 'ThrowStatement') return
    if ((node.type === 'BinaryExpression' || node.type === 'LogicalExpression') && SWAPS[node.operator] !== undefined) {
      const isText =
        node.operator === '+' &&
        [node.left, node.right].some((side) => side.type === 'Literal' && typeof side.value === 'string')
      if (!isText) add(node, `${code(node.left)} ${SWAPS[node.operator]} ${code(node.right)}`)
    }
    if (node.type === 'UnaryExpression' && node.operator === '!') add(node, `(${code(node.argument)})`)
    if (node.type === 'Literal' && typeof node.value === 'boolean') add(node, String(!node.value))
    if (node.type === 'Literal' && typeof node.value === 'number') add(node, String(node.value + 1))
    if (node.type === 'ConditionalExpression') add(node, `(${code(node.alternate)})`)
    if (node.type === 'IfStatement') add(node.test, 'false')
    if (node.type === 'ReturnStatement' && node.argument !== null && parent?.type !== 'ArrowFunctionExpression')
      add(node.argument, 'undefined')
    if (
      node.type === 'CallExpression' &&
      node.callee.type === 'MemberExpression' &&
      ['filter', 'sort', 'slice', 'trim'].includes(node.callee.property.name ?? '')
    )
      add(node, code(node.callee.object))
    if (
      node.type === 'SpreadElement' &&
      node.argument.type !== 'ConditionalExpression' &&
      parent?.type === 'ArrayExpression'
    )
      add(node, '')
    for (const key of Object.keys(node)) if (key !== 'type' && key !== 'start' && key !== 'end') visit(node[key], node)
  }
  visit(parseSync(join(dist, file), text).program.body, undefined)
  return found
}

/** The same seed chooses the same. */
function sample(list, count, seed) {
  let state = seed * 2654435761
  const next = () => ((state = (state * 1664525 + 1013904223) >>> 0), state / 2 ** 32)
  return list
    .map((one) => [next(), one])
    .sort(([one], [other]) => one - other)
    .slice(0, count)
    .map(([, one]) => one)
}
