import { CaulkerError, messageOf } from 'caulker/inside/words'
import { scriptToJson, type Script } from 'caulker/inside/rehearse'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { shown } from '../node/shown.js'

/** Writes scripts into a folder, each a file, and says how many. */
export function writeScripts(scripts: readonly Script[], folder: string, name: string): string {
  try {
    mkdirSync(folder, { recursive: true })
    for (const [at, script] of scripts.entries())
      writeFileSync(
        join(folder, `${name}-${at + 1}.script.json`),
        `${JSON.stringify({ $schema: './node_modules/caulker/schema/script-1.json', ...scriptToJson(script) }, null, 2)}\n`,
      )
  } catch (thrown) {
    throw new CaulkerError('bad-argument', `${folder}: scripts cannot be written there (${messageOf(thrown)})`)
  }
  return `${scripts.length} ${scripts.length === 1 ? 'script' : 'scripts'} written to ${shown(folder)}`
}
