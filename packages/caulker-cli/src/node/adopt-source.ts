import { CaulkerError } from 'caulker/inside/words'
import { existsSync, readFileSync, statSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join, relative, resolve } from 'node:path'
import { globSync } from 'tinyglobby'
import { elementsOfManifest, type ManifestElement } from 'caulker/inside/contract'
import { readJson } from './read-json.js'
import { shown } from './shown.js'

/** Where contracts are to be read off: modules that define elements, and what a manifest says of them. */
export interface AdoptSource {
  readonly modules: readonly string[]
  readonly elements: readonly ManifestElement[]
  /** The tags to adopt; all that the modules define, where there are none. */
  readonly tags: readonly string[]
}

/** A module, a `custom-elements.json`, a folder with one, or the name of an installed package. */
export function adoptSource(source: string): AdoptSource {
  const file = resolve(source)
  if (existsSync(file)) {
    if (statSync(file).isDirectory()) return ofPackage(file)
    return file.endsWith('.json') ? ofManifest(file) : { modules: [file], elements: [], tags: [] }
  }
  const folder = packageFolder(source)
  if (folder !== undefined) return ofPackage(folder)
  const inside = moduleOfPackage(source)
  if (inside !== undefined) return { modules: [inside], elements: [], tags: [] }
  throw new CaulkerError(
    'bad-argument',
    `${source}: there is no such file, and no package of this name is installed; give a module, a custom-elements.json or a package`,
  )
}

function ofManifest(file: string): AdoptSource {
  const elements = elementsOfManifest(readJson(file))
  if (elements.length === 0)
    throw new CaulkerError('bad-file', `${shown(file)}: no custom element is declared in it (a tagName, under modules)`)
  const modules = [...new Set(elements.map(({ module }) => resolve(dirname(file), module)))]
  const missing = modules.find((module) => !existsSync(module))
  if (missing !== undefined)
    throw new CaulkerError(
      'bad-file',
      `${shown(file)}: it names the module ${relative(dirname(file), missing)}, and there is no such file; build it first`,
    )
  return { modules, elements, tags: elements.map(({ tag }) => tag) }
}

/** The entry of a package, and what its manifest says of the elements that this entry defines. */
function ofPackage(folder: string): AdoptSource {
  const { main, module, exports, customElements } = readJson(join(folder, 'package.json')) as Record<string, unknown>
  const manifest = join(folder, typeof customElements === 'string' ? customElements : 'custom-elements.json')
  const entry = [entryIn(exports), module, main, 'index.js'].find(
    (one): one is string => typeof one === 'string' && existsSync(join(folder, one)),
  )
  const elements = existsSync(manifest) ? elementsOfManifest(readJson(manifest)) : []
  if (entry !== undefined) return { modules: [join(folder, entry)], elements, tags: [] }
  if (elements.length > 0) return ofManifest(manifest)
  throw new CaulkerError('bad-file', `${shown(folder)}: its package.json names no module that is there`)
}

/** Node.js, "Conditional exports": the first condition for modules. */
function entryIn(exports: unknown): unknown {
  if (typeof exports !== 'object' || exports === null) return exports
  const of = exports as Record<string, unknown>
  return entryIn(of['.'] ?? of['browser'] ?? of['import'] ?? of['module'] ?? of['default'] ?? null)
}

function packageFolder(name: string): string | undefined {
  for (let folder = process.cwd(); ; folder = dirname(folder)) {
    const found = join(folder, 'node_modules', name)
    if (existsSync(join(found, 'package.json'))) return found
    if (dirname(folder) === folder) return undefined
  }
}

/** A module of a package by its name, such as `yard-parts/winch.js`. */
export function moduleOfPackage(name: string, from = process.cwd()): string | undefined {
  const [scope = '', ...rest] = name.split('/')
  const owner = scope.startsWith('@') ? `${scope}/${rest.shift() ?? ''}` : scope
  const folder = packageFolder(owner)
  const direct = folder === undefined ? undefined : join(folder, ...rest)
  if (direct !== undefined && rest.length > 0 && existsSync(direct)) return direct
  try {
    return createRequire(join(from, 'any.js')).resolve(name)
  } catch {
    return undefined
  }
}

const MOST_NAMED = 3

/** The modules of the same package that register elements, as one would name them. */
export function definersBeside(module: string): string[] {
  const folder = /^.*[\\/]node_modules[\\/](?:@[^\\/]+[\\/])?[^\\/]+/.exec(module)?.[0] ?? dirname(module)
  return globSync('**/*.{js,mjs}', { cwd: folder, absolute: true, ignore: ['**/node_modules/**'] })
    .filter(
      (file) =>
        resolve(file) !== resolve(module) && /customElements\s*\.\s*define\s*\(/.test(readFileSync(file, 'utf8')),
    )
    .sort()
    .slice(0, MOST_NAMED)
    .map((file) => moduleName(file, process.cwd()))
}

/** How a module is named in a configuration that stands in some folder: by its package, or relative to it. */
export function moduleName(module: string, folder: string): string {
  const inPackage = /[\\/]node_modules[\\/]((?!.*[\\/]node_modules[\\/]).*)$/.exec(module)?.[1]
  return inPackage?.replaceAll('\\', '/') ?? relative(folder, module).replaceAll('\\', '/')
}
