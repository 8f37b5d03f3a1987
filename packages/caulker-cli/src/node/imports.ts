import { existsSync, readFileSync, statSync } from 'node:fs'
import { dirname, resolve } from 'node:path'

/** Which modules of a project import which, so that one change is read again where it matters, and nowhere else. */
export interface ImportGraph {
  /** Reads what a file imports, through any number of modules. */
  add(file: string): Promise<void>
  /** Every module that has to be read again when these files change: they themselves, and all that import them. */
  dependentsOf(changed: Iterable<string>): Set<string>
}

export function createImportGraph(): ImportGraph {
  const importsOf = new Map<string, readonly string[]>()

  async function add(file: string): Promise<void> {
    if (importsOf.has(file)) return
    importsOf.set(file, [])
    const imported = await importedBy(file)
    importsOf.set(file, imported)
    for (const one of imported) await add(one)
  }

  return {
    add,
    dependentsOf(changed) {
      const found = new Set(changed)
      for (let size = -1; size !== found.size;) {
        size = found.size
        for (const [file, imported] of importsOf) if (imported.some((one) => found.has(one))) found.add(file)
      }
      // What changed may import other modules now.
      for (const file of changed) importsOf.delete(file)
      return found
    },
  }
}

async function importedBy(file: string): Promise<string[]> {
  if (!/\.[cm]?[jt]s$/.test(file) || !existsSync(file)) return []
  const { parseSync } = await import('vite')
  const { staticImports, staticExports } = parseSync(file, readFileSync(file, 'utf8')).module
  const names = [
    ...staticImports.map((one) => one.moduleRequest.value),
    ...staticExports.flatMap((one) => one.entries.flatMap(({ moduleRequest }) => moduleRequest?.value ?? [])),
  ]
  return [...new Set(names)].filter((name) => name.startsWith('.')).flatMap((name) => resolved(file, name) ?? [])
}

/** A relative module by the name that it is imported with: `./berth.js` may be `berth.ts`. */
function resolved(from: string, name: string): string | undefined {
  const base = resolve(dirname(from), name)
  const candidates = [
    base,
    base.replace(/\.([cm]?)js$/, '.$1ts'),
    ...['.ts', '.js', '.mts', '.mjs', '/index.ts', '/index.js'].map((ending) => base + ending),
  ]
  return candidates.find((file) => existsSync(file) && statSync(file).isFile())
}
