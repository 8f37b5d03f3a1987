import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { contractFileSchema } from 'caulker/inside/contract'
import { scriptFileSchema } from 'caulker/inside/rehearse'
import { reportSchema } from 'caulker/report'

// npm run schemas: writes the published schemas from what reads and writes contracts and reports.
for (const [name, schema] of Object.entries({
  'contract-1': contractFileSchema,
  'report-1': reportSchema,
  'script-1': scriptFileSchema,
}))
  writeFileSync(
    fileURLToPath(new URL(`../packages/caulker/schema/${name}.json`, import.meta.url)),
    `${JSON.stringify(schema, null, 2)}\n`,
  )
