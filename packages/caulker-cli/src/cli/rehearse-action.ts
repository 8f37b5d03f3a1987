import { CaulkerError, hint, messageOf } from 'caulker/inside/words'
import { everyInvariant, scriptToJson, type Bounds, type Script } from 'caulker/inside/rehearse'
import { playedText, rehearseText, reportJson, type RehearsedWiring, type RehearseReport } from 'caulker/inside/report'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { EXIT } from '../node/exit.js'
import { shown } from '../node/shown.js'
import type { Doing } from '../tasks/task.js'
import { createTaskThread, type TaskThread } from '../tasks/thread.js'
import { deliver, interruptible, progressLine, terminalWidth, wantsColour } from './output.js'
import { rehearseJunit } from './rehearse-junit.js'
import type { RehearseOptions } from './rehearse-options.js'

export async function runRehearse(
  paths: readonly string[],
  options: RehearseOptions,
  exit: (code: number) => void,
): Promise<void> {
  if (options.explain !== undefined) {
    process.stdout.write(explainedInvariant(options.explain))
    return exit(EXIT.sound)
  }
  const line = progressLine()
  const thread = createTaskThread(options.patience, (doing) => line.say(doingText(doing)))
  try {
    exit(
      options.script !== undefined || options.play !== undefined
        ? await playAll(thread, paths, options)
        : await exploreAll(thread, paths, options, () => line.clear()),
    )
  } finally {
    line.clear()
    await thread.end()
  }
}

/** Every screen and journey, one after the other; ended, it tells what was found so far. */
async function exploreAll(
  thread: TaskThread,
  paths: readonly string[],
  options: RehearseOptions,
  clear: () => void,
): Promise<number> {
  const asked = { paths, only: options.only }
  const { names, troubles } = await thread.run('rehearsePlan', asked)
  const ended = new SharedArrayBuffer(4)
  const { signal, done } = interruptible()
  signal.addEventListener('abort', () => Atomics.store(new Int32Array(ended), 0, 1))
  const wirings: RehearsedWiring[] = []
  const scripts: Script[] = []
  const covers: { name: string; scripts: readonly Script[]; passed: number; all: number }[] = []
  for (const name of names) {
    if (signal.aborted) break
    const answer = await thread.run('exploreOne', {
      ...asked,
      name,
      bounds: boundsOf(options),
      ended,
      replay: 'npx caulker rehearse',
      covers: options.cover !== undefined,
    })
    wirings.push(answer.wiring)
    scripts.push(...answer.scripts)
    if (answer.cover !== undefined) covers.push({ name, ...answer.cover })
  }
  done()
  const left = names.filter((name) => wirings.every((wiring) => wiring.name !== name))
  const report: RehearseReport = {
    kind: 'rehearse',
    version: 1,
    wirings,
    troubles,
    ...(left.length > 0 ? { left } : {}),
  }
  clear()
  const colour = options.output === undefined && wantsColour()
  const text = rehearseText(report, { colour, width: terminalWidth() })
  const printed = { text: () => text, json: () => reportJson(report), junit: () => rehearseJunit(report) }[
    options.format
  ]()
  deliver(printed, text, options.output)
  if (options.saveScripts !== undefined) say(writeScripts(scripts, options.saveScripts, 'leak'))
  if (options.cover !== undefined)
    for (const { name, scripts: all, passed, all: every } of covers)
      say(`${writeScripts(all, options.cover, name)}; they pass over ${passed} of ${every} transitions of ${name}`)
  if (troubles.length > 0 || left.length > 0 || wirings.length === 0 || wirings.some((one) => one.ended === 'stopped'))
    return EXIT.unjudged
  return wirings.some(({ leaks }) => leaks.length > 0) ? EXIT.leaks : EXIT.sound
}

async function playAll(thread: TaskThread, paths: readonly string[], options: RehearseOptions): Promise<number> {
  const played = await thread.run('playScripts', {
    paths,
    only: options.only,
    files: options.script ?? [],
    trail: options.play,
  })
  const colour = options.output === undefined && wantsColour()
  const text = played.map((one) => playedText(one, { colour, width: terminalWidth() })).join('\n')
  deliver(
    options.format === 'json' ? `${JSON.stringify({ kind: 'played', version: 1, scripts: played }, null, 2)}\n` : text,
    text,
    options.output,
  )
  return played.some(({ wrong, leaks }) => wrong !== undefined || leaks.length > 0) ? EXIT.leaks : EXIT.sound
}

function boundsOf({ edits, failures, pending, moves, states }: RehearseOptions): Partial<Bounds> {
  const given = { edits, failures, pending, moves, states }
  return Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined))
}

/** Beside the report, never in it. */
function say(text: string): void {
  process.stderr.write(`${text}\n`)
}

function writeScripts(scripts: readonly Script[], folder: string, name: string): string {
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

function doingText({ what, name, states, left, depth, leaks }: Doing): string {
  if (what !== 'rehearse' || states === undefined) return name === undefined ? 'reading' : `rehearsing ${name}`
  return `rehearsing ${name}: ${states} states, ${left} to go on from, ${depth} moves deep, ${leaks} ${leaks === 1 ? 'leak' : 'leaks'}`
}

function explainedInvariant(id: string): string {
  const found = everyInvariant.find((one) => one.id === id)
  if (found === undefined)
    throw new CaulkerError(
      'bad-argument',
      `--explain ${id}: there is no such invariant${hint(
        id,
        everyInvariant.map((one) => one.id),
      )}`,
    )
  return `${found.id}: ${found.title}\n\n${found.why}\n\nTo mend: ${found.mend}\n`
}
