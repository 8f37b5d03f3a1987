import { fileURLToPath } from 'node:url'
import { build, type Rollup } from 'vite'
import { troubleOf, type Trouble } from './errors.js'
import { ENTRIES } from './load.js'
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

/** Bundles each set of modules by itself, so that one that cannot be read spoils no other. */
export async function bundleFor(jobs: readonly ProbeJob[]): Promise<Bundle> {
  const files = new Map<string, { body: string | Buffer; type: string }>()
  const entries = new Map<string, { path: string } | { trouble: Trouble }>()
  for (const job of jobs) {
    const key = keyOf(job)
    if (entries.has(key)) continue
    const folder = `set-${entries.size}`
    try {
      for (const { fileName, body } of await bundled(modulesOf(job), folder))
        files.set(`/${fileName}`, { body, type: TYPES[fileName.split('.').pop() ?? ''] ?? 'application/octet-stream' })
      entries.set(key, { path: `/${folder}/entry.js` })
    } catch (thrown) {
      entries.set(key, { trouble: troubleOf(job.file, thrown) })
    }
  }
  return {
    files,
    entryOf: (job) =>
      entries.get(keyOf(job)) ?? { trouble: { file: job.file, place: undefined, says: 'was not bundled' } },
  }
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

async function bundled(
  modules: readonly string[],
  folder: string,
): Promise<{ fileName: string; body: string | Buffer }[]> {
  const entry = 'virtual:caulker-entry'
  const code = [
    `import { runJob } from ${JSON.stringify(PAGE)}`,
    `import { contractFromJson } from 'caulker'`,
    `const modules = [${modules.map(importOf).join(', ')}]`,
    'export const run = (job, beat) => runJob(job, modules, beat)',
  ].join('\n')
  const output = (await build({
    configFile: false,
    logLevel: 'silent',
    publicDir: false,
    resolve: {
      alias: Object.entries(ENTRIES).map(([find, replacement]) => ({ find: new RegExp(`^${find}$`), replacement })),
    },
    plugins: [
      {
        name: 'caulker-entry',
        resolveId: (id) => (id === entry ? `\0${entry}` : undefined),
        load: (id) => (id === `\0${entry}` ? code : undefined),
      },
    ],
    build: {
      write: false,
      minify: false,
      target: 'esnext',
      modulePreload: false,
      rollupOptions: {
        input: { entry },
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
  return [output].flat().flatMap((one) =>
    one.output.map((file) => ({
      fileName: file.fileName,
      body:
        file.type === 'chunk' ? file.code : typeof file.source === 'string' ? file.source : Buffer.from(file.source),
    })),
  )
}
