import { spawn } from 'node:child_process'
import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'

export interface Ran {
  code: number | null
  out: string
  err: string
}

export const CLI = 'packages/caulker-cli/bin/caulker.js'

/** Runs the command line as a user would, from the repository. */
export function caulker(...args: string[]): Promise<Ran> {
  return run(process.execPath, [CLI, ...args])
}

export function run(program: string, args: string[], cwd = process.cwd()): Promise<Ran> {
  return new Promise((resolve) => {
    const child = spawn(program, args, { cwd, env: { ...process.env, NO_COLOR: '1' } })
    const ran: Ran = { code: null, out: '', err: '' }
    child.stdout.on('data', (text: Buffer) => (ran.out += text.toString()))
    child.stderr.on('data', (text: Buffer) => (ran.err += text.toString()))
    child.on('close', (code) => resolve({ ...ran, code }))
  })
}

const folders: string[] = []

/** A folder of its own with some files in it, gone when the tests end. */
export function folderWith(files: Record<string, string>): string {
  const folder = mkdtempSync(join(tmpdir(), 'caulker-'))
  if (folders.push(folder) === 1)
    process.once('exit', () => folders.forEach((one) => rmSync(one, { recursive: true, force: true })))
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, name)), { recursive: true })
    writeFileSync(join(folder, name), text)
  }
  return folder
}
