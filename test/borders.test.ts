import { expect } from 'chai'
import { readFileSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'
import { globSync } from 'tinyglobby'

/** Each floor imports only floors below it, also as types. */
const BELOW: Record<string, string[]> = {
  words: [],
  contract: ['words'],
  mount: ['contract'],
  wiring: ['words', 'contract'],
  check: ['words', 'contract', 'wiring'],
  machine: ['words', 'contract', 'mount', 'wiring'],
  ideal: ['words', 'contract', 'mount', 'machine'],
  rehearse: ['words', 'contract', 'mount', 'wiring', 'machine', 'ideal'],
  page: ['words', 'contract', 'check'],
  dom: ['words', 'contract', 'wiring', 'mount', 'machine', 'ideal'],
  inspect: ['words', 'contract', 'dom'],
  probe: ['words', 'contract', 'wiring', 'mount', 'machine', 'ideal', 'dom'],
  live: ['words', 'contract', 'mount', 'wiring', 'machine', 'rehearse', 'dom', 'probe'],
  report: ['words', 'contract', 'check', 'rehearse', 'page', 'probe', 'live'],
  node: ['words', 'contract', 'wiring', 'check', 'rehearse', 'dom', 'probe', 'live', 'page', 'report'],
  tasks: ['words', 'contract', 'check', 'rehearse', 'page', 'probe', 'report', 'node'],
  cli: ['words', 'contract', 'check', 'rehearse', 'page', 'probe', 'report', 'node', 'tasks'],
}
const CORE = ['words', 'contract', 'mount', 'wiring', 'check', 'machine', 'ideal', 'rehearse']
const LIBRARY = 'packages/caulker/src'
const COMMAND = 'packages/caulker-cli/src'

interface Source {
  readonly file: string
  readonly code: string
  /** What it imports, types too: files of the same package, and names of packages. */
  readonly files: readonly string[]
  readonly names: readonly string[]
}

const sourceOf = (file: string): Source => {
  const code = readFileSync(file, 'utf8').replace(/\/\*[^]*?\*\/|`[^`]*`|\/\/.*/g, '')
  const imported = [
    ...code.matchAll(/(?:^|\n)(?:import|export|\}) ?(?:[^'\n]*? from )?'([^'\n]+)'|\bimport\('([^']+)'\)/g),
  ].map((found) => (found[1] ?? found[2])!)
  return {
    file,
    code,
    files: imported
      .filter((name) => name.startsWith('.'))
      .map((name) => relative('.', resolve(dirname(file), name)).replace(/\.js$/, '.ts')),
    names: imported.filter((name) => !name.startsWith('.')),
  }
}
const sources = [LIBRARY, COMMAND].flatMap((root) =>
  globSync('**/*.ts', { cwd: root })
    .sort()
    .map((file) => sourceOf(join(root, file))),
)
const floorOf = (file: string) => /^packages\/[^/]+\/src\/([^/]+)\//.exec(file)?.[1]

describe('the floors of the house', () => {
  for (const { file, code, files, names } of sources) {
    const floor = floorOf(file)
    if (floor === undefined) continue
    it(`${file} imports only what is below it`, () => {
      const inside = names.flatMap((name) => /^caulker\/inside\/([a-z]+)/.exec(name)?.[1] ?? [])
      const floors = [...files.map(floorOf), ...inside]
      expect(floors.filter((name) => name !== floor && !BELOW[floor]!.includes(name!))).to.eql([])
      if (file.startsWith(LIBRARY)) expect(names.filter((name) => /^node:|^caulker/.test(name))).to.eql([])
      if (CORE.includes(floor)) expect(code).not.to.match(/\b(?:document|window|console|process)\./)
    })
  }

  it('have no circle among files, types included', () => {
    const filesOf = new Map(sources.map(({ file, files }) => [file, files]))
    expect(circleIn(filesOf)).to.eql([])
  })

  it('have no circle among the folders inside a floor, types included', () => {
    const folders = new Map<string, string[]>()
    for (const { file, files } of sources) {
      const from = dirname(file)
      folders.set(from, [...(folders.get(from) ?? []), ...files.map(dirname).filter((to) => to !== from)])
    }
    expect(circleIn(folders)).to.eql([])
  })

  it('depend on packages that the floor may have', () => {
    const known = (folder: string) =>
      Object.keys(
        (JSON.parse(readFileSync(`packages/${folder}/package.json`, 'utf8')) as { dependencies: object }).dependencies,
      )
    for (const { file, names } of sources) {
      const packages = names
        .filter((name) => !name.startsWith('node:'))
        .map((name) => (name.startsWith('@') ? name.split('/').slice(0, 2).join('/') : name.split('/')[0]!))
      const folder = file.split('/')[1]!
      expect(
        packages.filter((name) => !known(folder).includes(name)),
        file,
      ).to.eql([])
    }
  })
})

/** The first circle that is met, as a list of names. */
function circleIn(edges: ReadonlyMap<string, readonly string[]>): string[] {
  const done = new Set<string>()
  const visit = (at: string, path: readonly string[]): string[] => {
    if (path.includes(at)) return [...path.slice(path.indexOf(at)), at]
    if (done.has(at)) return []
    for (const next of edges.get(at) ?? []) {
      const found = visit(next, [...path, at])
      if (found.length > 0) return found
    }
    done.add(at)
    return []
  }
  for (const at of edges.keys()) {
    const found = visit(at, [])
    if (found.length > 0) return found
  }
  return []
}
