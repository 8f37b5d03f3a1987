import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { rolldown } from 'rolldown'
import { globSync } from 'tinyglobby'

// After the compiler, in `npm run build`: the library once more in a few files, with the packages it stands on, for whoever loads it
// in Node (the export condition `node`). Hundreds of small files take most of the start of a command. A bundler of an app takes
// the single files, and leaves out what the app does not use.
process.chdir(fileURLToPath(new URL('..', import.meta.url)))
const dist = 'packages/caulker/dist'
const target = join(dist, 'node')

const entries = globSync(['*.js', '*/index.js', '*/text/index.js'], { cwd: dist, ignore: ['node/**'] })
rmSync(target, { recursive: true, force: true })
const bundle = await rolldown({
  input: Object.fromEntries(entries.map((file) => [file.replace(/\.js$/, ''), join(dist, file)])),
  platform: 'neutral',
  // It is another one in a page, where the probe loads these files too.
  external: ['picocolors'],
  resolve: { mainFields: ['module', 'main'], conditionNames: ['import', 'default'] },
})
const { output } = await bundle.write({ dir: target, chunkFileNames: 'parts/[name]-[hash].js' })

const packages = new Set(
  output.flatMap(({ moduleIds = [] }) =>
    moduleIds.flatMap((id) => /^.*node_modules\/(?:@[^/]+\/)?[^/]+/.exec(relative('.', id))?.[0] ?? []),
  ),
)
const licences = [...packages].sort().map((folder) => {
  const { name, version, license } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'))
  const [file] = globSync('licen[cs]e*', { cwd: folder, caseSensitiveMatch: false, absolute: true })
  const text = file === undefined ? '' : `\n\n${readFileSync(file, 'utf8').trim()}`
  return `${name} ${version} (${license})${text}`
})
writeFileSync(join(target, 'LICENCES.txt'), `${licences.join(`\n\n${'-'.repeat(80)}\n\n`)}\n`)
