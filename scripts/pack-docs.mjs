import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

// Before the library is packed: the guide and the reference go with it, without pictures.
const root = new URL('../', import.meta.url)
const target = new URL('packages/caulker/docs/', root)
rmSync(target, { recursive: true, force: true })
mkdirSync(target, { recursive: true })
const PAGES = [
  ...['guide.md', 'check-what-you-have.md', 'adopted.md', 'corpus.md', 'semantics.md'],
  ...['sources.md', 'drafts.md', 'submit-and-reset.md', 'journeys.md', 'interiors.md'],
]
for (const page of [...PAGES, 'reference.md'])
  cpSync(fileURLToPath(new URL(`docs/${page}`, root)), fileURLToPath(new URL(page, target)))
for (const page of PAGES) {
  const file = new URL(page, target)
  writeFileSync(file, readFileSync(file, 'utf8').replace(/^!\[[^\]]*\]\(screenshots[^)]*\)\n/gm, ''))
}
