import { CaulkerError, hint, messageOf } from 'caulker/inside/words'
import { everyInvariant, scriptToJson, type Bounds, type Script } from 'caulker/inside/rehearse'
import {
  liveText,
  playedText,
  rehearseText,
  reportJson,
  type RehearsedWiring,
  type RehearseReport,
  type TroubleReport,
} from 'caulker/inside/report'
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { EXIT } from '../node/exit.js'
import type { ProbeJob } from '../node/probe-job.js'
import { shown } from '../node/shown.js'
import { troubleReport } from '../node/trouble-report.js'
import type { RehearseAsked } from '../tasks/rehearse-task.js'
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
  const stuck: (TroubleReport & { readonly name: string })[] = []
  const scripts: Script[] = []
  const covers: { name: string; scripts: readonly Script[]; passed: number; all: number }[] = []
  for (const name of names) {
    if (signal.aborted) break
    const answer = await tried(() =>
      thread.run('exploreOne', {
        ...asked,
        name,
        bounds: boundsOf(options),
        ended,
        replay: 'npx caulker rehearse',
        covers: options.cover !== undefined || isLive(options),
      }),
    )
    if ('trouble' in answer) {
      stuck.push({ name, ...answer.trouble })
      continue
    }
    wirings.push(answer.wiring)
    scripts.push(...answer.scripts)
    if (answer.cover !== undefined) covers.push({ name, ...answer.cover })
  }
  done()
  const live = isLive(options)
    ? await playLive(thread, asked, { files: [], scripts: covers.flatMap((one) => one.scripts) }, options)
    : undefined
  const left = names.filter((name) => [...wirings, ...stuck].every((one) => one.name !== name))
  const report: RehearseReport = {
    kind: 'rehearse',
    version: 1,
    wirings,
    troubles: [...troubles, ...stuck.map(({ file, says }) => ({ file, says })), ...(live?.troubles ?? [])],
    ...(left.length > 0 ? { left } : {}),
    ...(live === undefined ? {} : { live: live.played }),
  }
  clear()
  const colour = options.output === undefined && wantsColour()
  const shape = { colour, width: terminalWidth() }
  const text = rehearseText(report, shape) + (live === undefined ? '' : `\n${liveText(live.played, shape)}`)
  const printed = { text: () => text, json: () => reportJson(report), junit: () => rehearseJunit(report) }[
    options.format
  ]()
  deliver(printed, text, options.output)
  if (options.saveScripts !== undefined) say(writeScripts(scripts, options.saveScripts, 'leak'))
  if (options.cover !== undefined)
    for (const { name, scripts: all, passed, all: every } of covers)
      say(`${writeScripts(all, options.cover, name)}; they pass over ${passed} of ${every} transitions of ${name}`)
  if (
    report.troubles.length > 0 ||
    left.length > 0 ||
    wirings.length === 0 ||
    wirings.some((one) => one.ended === 'stopped')
  )
    return EXIT.unjudged
  return wirings.some(({ leaks }) => leaks.length > 0) || hasParted(live) ? EXIT.leaks : EXIT.sound
}

async function playAll(thread: TaskThread, paths: readonly string[], options: RehearseOptions): Promise<number> {
  const played = await thread.run('playScripts', {
    paths,
    only: options.only,
    files: options.script ?? [],
    trail: options.play,
  })
  const live = isLive(options)
    ? await playLive(thread, { paths, only: options.only }, { files: options.script ?? [], scripts: [] }, options)
    : undefined
  const colour = options.output === undefined && wantsColour()
  const shape = { colour, width: terminalWidth() }
  const text = [
    ...played.map((one) => playedText(one, shape)),
    ...(live === undefined ? [] : [liveText(live.played, shape)]),
  ].join('\n')
  deliver(
    options.format === 'json'
      ? `${JSON.stringify({ kind: 'played', version: 1, scripts: played, ...(live === undefined ? {} : { live: live.played }) }, null, 2)}\n`
      : text,
    text,
    options.output,
  )
  if (live !== undefined && live.troubles.length > 0) {
    say(live.troubles.map(({ file, says }) => `${file}: ${says}`).join('\n'))
    return EXIT.unjudged
  }
  return hasParted(live) || played.some(({ wrong, leaks }) => wrong !== undefined || leaks.length > 0)
    ? EXIT.leaks
    : EXIT.sound
}

/** A wiring that never comes back spoils no other. */
async function tried<R>(run: () => Promise<R>): Promise<R | { readonly trouble: TroubleReport }> {
  try {
    return await run()
  } catch (thrown) {
    if (!(thrown instanceof CaulkerError) || thrown.code !== 'bad-file') throw thrown
    const [file = '', ...says] = thrown.message.split(': ')
    return { trouble: { file, says: says.join(': ') } }
  }
}

interface Live {
  readonly played: NonNullable<RehearseReport['live']>
  readonly troubles: readonly TroubleReport[]
}

function isLive({ live, browser }: RehearseOptions): boolean {
  return live === true || browser === true
}

function hasParted(live: Live | undefined): boolean {
  return live?.played.scripts.some(({ parted }) => parted !== undefined) === true
}

/** Scripts on a page of live components, in an embedded DOM or in a browser. */
async function playLive(
  thread: TaskThread,
  asked: RehearseAsked,
  what: { readonly files: readonly string[]; readonly scripts: readonly Script[] },
  { browser, patience }: RehearseOptions,
): Promise<Live> {
  const plans = await thread.run('livePlan', { ...asked, ...what })
  const jobs = plans.map(({ of, file, defines, scripts }): ProbeJob => ({
    file,
    tag: of,
    defines,
    seed: 1,
    clauses: undefined,
    gestures: [],
    hung: [],
    ...(patience === undefined ? {} : { patience }),
    plays: { of, scripts },
  }))
  const nothing = () => undefined
  const { outcomes, ranIn } =
    browser === true
      ? await (await import('../node/browser.js')).probeInBrowser(jobs, nothing, { workers: 2, endpoint: undefined })
      : {
          outcomes: await (await import('../node/embedded.js')).probeEmbedded(jobs, 2, nothing),
          ranIn: 'an embedded DOM',
        }
  return {
    played: { ranIn, scripts: outcomes.flatMap((one) => ('played' in one ? one.played : [])) },
    troubles: outcomes.flatMap((one) => ('trouble' in one ? [troubleReport(one.trouble)] : [])),
  }
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
