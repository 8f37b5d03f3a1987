import { fileURLToPath } from 'node:url'
import { build, type Rollup } from 'vite'
import { troubleOf, type Trouble } from './errors.js'
import type { ProbeJob } from './probe-job.js'

/** The modules of all jobs, bundled for a page. */
export interface Bundle {
  readonly files: ReadonlyMap<string, { readonly body: string | Buffer; readonly type: string }>
  entryOf(job: ProbeJob): { readonly path: string } | { readonly trouble: Trouble }
}

const PAGE = fileURLToPath(new URL('./browser-page.js', import.meta.url))
const TYPES: Readonly<Record<string, string>> = {
  js: 'text/javascript',
  css: 'text/css',
  svg: 'image/svg+xml',
  png: 'image/png',
  json: 'application/json',
}

/** Bundles all sets of modules in one go; where one cannot be read, each by itself, so that it spoils no other. */
export async function bundleFor(jobs: readonly ProbeJob[]): Promise<Bundle> {
  const sets: ModuleSet[] = [...new Map(jobs.map((job) => [keyOf(job), job]))].map(([key, job], at) => ({
    key,
    job,
    name: `set-${at}`,
  }))
  const files = new Map<string, BundledFile>()
  const entries = new Map<string, { path: string } | { trouble: Trouble }>()
  const add = async (some: readonly ModuleSet[], folder: string) => {
    for (const { path, ...file } of await bundled(some, folder)) files.set(path, file)
    for (const { key, name } of some) entries.set(key, { path: `/${folder}/${name}.js` })
  }
  try {
    await add(sets, 'all')
  } catch {
    for (const one of sets) {
      try {
        await add([one], one.name)
      } catch (thrown) {
        entries.set(one.key, { trouble: troubleOf(one.job.file, thrown) })
      }
    }
  }
  return {
    files,
    entryOf: (job) =>
      entries.get(keyOf(job)) ?? { trouble: { file: job.file, place: undefined, says: 'was not bundled' } },
  }
}

/** Modules that are loaded together, in one page. */
interface ModuleSet {
  readonly key: string
  readonly name: string
  readonly job: ProbeJob
}

interface BundledFile {
  readonly body: string | Buffer
  readonly type: string
}

/** The contract file comes first, where there is one. */
export function modulesOf({ file, defines, adopts }: ProbeJob): string[] {
  return adopts === undefined ? [file, ...defines] : [...defines]
}

function keyOf(job: ProbeJob): string {
  return modulesOf(job).join('\n')
}

/** A contract file is no module: the page is given what it says. */
function importOf(module: string): string {
  if (!module.endsWith('.json')) return `() => import(${JSON.stringify(module)})`
  return `async () => ({ contract: contractFromJson((await import(${JSON.stringify(module)})).default) })`
}

const ENTRY = 'virtual:caulker/'
/** The library, as whole as Node loads it: in a few files, and one copy for a user's modules and the probe. */
const OWN = /^caulker(?:\/|$)/
const ownModule = (name: string) => fileURLToPath(import.meta.resolve(name))

function entryCode(modules: readonly string[]): string {
  return [
    `import { runJob } from ${JSON.stringify(PAGE)}`,
    `import { contractFromJson } from 'caulker'`,
    `const modules = [${modules.map(importOf).join(', ')}]`,
    'export const run = (job, beat) => runJob(job, modules, beat)',
  ].join('\n')
}

async function bundled(
  sets: readonly ModuleSet[],
  folder: string,
): Promise<readonly (BundledFile & { readonly path: string })[]> {
  const codes = new Map(sets.map(({ name, job }) => [`\0${ENTRY}${name}`, entryCode(modulesOf(job))]))
  const output = (await build({
    configFile: false,
    logLevel: 'silent',
    publicDir: false,
    plugins: [
      {
        name: 'caulker-entry',
        enforce: 'pre',
        resolveId: (id) => (id.startsWith(ENTRY) ? `\0${id}` : OWN.test(id) ? ownModule(id) : undefined),
        load: (id) => codes.get(id),
      },
    ],
    build: {
      write: false,
      minify: false,
      target: 'esnext',
      modulePreload: false,
      rollupOptions: {
        input: Object.fromEntries(sets.map(({ name }) => [name, `${ENTRY}${name}`])),
        preserveEntrySignatures: 'strict',
        // A module that only defines an element exports nothing, and is wanted all the same.
        treeshake: false,
        output: {
          entryFileNames: `${folder}/[name].js`,
          chunkFileNames: `${folder}/[name]-[hash].js`,
          assetFileNames: `${folder}/[name]-[hash][extname]`,
        },
      },
    },
  })) as Rollup.RollupOutput | Rollup.RollupOutput[]
  return [output].flat().flatMap((one) => one.output.map(fileOf))
}

function fileOf(file: Rollup.OutputChunk | Rollup.OutputAsset): BundledFile & { readonly path: string } {
  const body =
    file.type === 'chunk' ? file.code : typeof file.source === 'string' ? file.source : Buffer.from(file.source)
  return {
    path: `/${file.fileName}`,
    body,
    type: TYPES[file.fileName.split('.').pop() ?? ''] ?? 'application/octet-stream',
  }
}
