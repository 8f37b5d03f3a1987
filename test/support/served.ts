import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { build, preview } from 'vite'

/** An example, built as in development and served: where it stands, and what ends it. A page of many modules takes longer to load. */
export async function served(example: string): Promise<{ url: string; close(): Promise<void> }> {
  const root = resolve('examples', example)
  const outDir = mkdtempSync(join(tmpdir(), 'caulker-page-'))
  const shared = { root, logLevel: 'silent', mode: 'development' } as const
  await build({ ...shared, build: { outDir, emptyOutDir: true, minify: false } })
  const server = await preview({ ...shared, build: { outDir }, preview: { host: '127.0.0.1', port: 0 } })
  const close = async () => {
    await server.close()
    rmSync(outDir, { recursive: true })
  }
  return { url: server.resolvedUrls!.local[0]!, close }
}
