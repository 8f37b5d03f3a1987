import { rmSync } from 'node:fs'

// What was compiled from files that have moved since would be packed, tested and measured with the rest.
for (const folder of ['packages/caulker/dist', 'packages/caulker-cli/dist', '.build'])
  rmSync(folder, { recursive: true, force: true })
