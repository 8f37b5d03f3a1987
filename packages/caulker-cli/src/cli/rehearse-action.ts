import { CaulkerError, hint } from 'caulker/inside/words'
import { everyInvariant } from 'caulker/inside/rehearse'
import {
  liveText,
  playedText,
  rehearseText,
  reportJson,
  type PlayReport,
  type RehearseReport,
} from 'caulker/inside/report'
import { EXIT } from '../node/exit.js'
import { createTaskThread, type TaskThread } from '../tasks/thread.js'
import { deliver, interruptible, progressLine, terminalWidth, wantsColour, type Progress } from './output.js'
import { exploreInLanes, sayDoing } from './rehearse-lanes.js'
import { playJunit, rehearseJunit } from './rehearse-junit.js'
import { hasParted, isLive, playLive } from './rehearse-live.js'
import type { RehearseOptions } from './rehearse-options.js'
import { writeScripts } from './write-scripts.js'

export async function runRehearse(
  paths: readonly string[],
  options: RehearseOptions,
  exit: (code: number) => void,
): Promise<void> {
  if (options.explain !== undefined) {
    process.stdout.write(explainedInvariant(options.explain))
    return exit(EXIT.sound)
  }
  if (options.walks !== undefined && !isLive(options))
    throw new CaulkerError(
      'bad-argument',
      '--walks: random walks go over a page of live components; add --live or --browser',
    )
  if (options.walks !== undefined && (options.script ?? options.play) !== undefined)
    throw new CaulkerError(
      'bad-argument',
      '--walks: random walks go beside an exploration; leave out --script and --play',
    )
  const line = progressLine()
  const thread = createTaskThread(options.patience, sayDoing(line))
  try {
    exit(
      options.script !== undefined || options.play !== undefined
        ? await playAll(thread, paths, options)
        : await exploreAll(thread, paths, options, line),
    )
  } finally {
    line.clear()
    await thread.end()
  }
}

/** Every screen and journey; ended, it tells what was found so far. */
async function exploreAll(
  thread: TaskThread,
  paths: readonly string[],
  options: RehearseOptions,
  line: Progress,
): Promise<number> {
  const asked = { paths, only: options.only }
  // Also while the project is read: what was not begun is left.
  const { signal, done } = interruptible()
  const plan = thread.run('rehearsePlan', asked)
  const explored = plan.then(({ names }) => exploreInLanes(thread, asked, names, options, line, signal))
  const { answers, stuck } = await explored.finally(done)
  const { names, troubles } = await plan
  const wirings = answers.map(({ wiring }) => wiring)
  const covers = answers.flatMap(({ wiring, cover }) => (cover === undefined ? [] : [{ name: wiring.name, ...cover }]))
  const walks = answers.map((one) => ({ scripts: one.walks }))
  const live = isLive(options)
    ? await playLive(
        thread,
        asked,
        { files: [], scripts: [...covers, ...walks].flatMap((one) => one.scripts) },
        options,
      )
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
  line.clear()
  const colour = options.output === undefined && wantsColour()
  const shape = { colour, width: terminalWidth() }
  const text = rehearseText(report, shape) + (live === undefined ? '' : `\n${liveText(live.played, shape)}`)
  const printed = { text: () => text, json: () => reportJson(report), junit: () => rehearseJunit(report) }
  deliver(printed[options.format](), text, options.output)
  if (options.saveScripts !== undefined)
    say(
      writeScripts(
        answers.flatMap(({ scripts }) => scripts),
        options.saveScripts,
        'leak',
      ),
    )
  if (options.cover !== undefined)
    for (const { name, scripts: all, passed, all: every } of covers)
      say(`${writeScripts(all, options.cover, name)}; they pass over ${passed} of ${every} transitions of ${name}`)
  return codeOf(report, hasParted(live))
}

function codeOf({ troubles, left, wirings }: RehearseReport, isParted: boolean): number {
  const isCut = left !== undefined || wirings.length === 0 || wirings.some(({ ended }) => ended === 'stopped')
  if (troubles.length > 0 || isCut) return EXIT.unjudged
  return isParted || wirings.some(({ leaks }) => leaks.length > 0) ? EXIT.leaks : EXIT.sound
}

async function playAll(thread: TaskThread, paths: readonly string[], options: RehearseOptions): Promise<number> {
  const played = await thread.run('playScripts', {
    paths,
    only: options.only,
    files: options.script ?? [],
    trail: options.play,
  })
  const live = isLive(options)
    ? await playLive(
        thread,
        { paths, only: options.only },
        { files: options.script ?? [], scripts: [], trail: options.play },
        options,
      )
    : undefined
  const colour = options.output === undefined && wantsColour()
  const shape = { colour, width: terminalWidth() }
  const text = [
    ...played.map((one) => playedText(one, shape)),
    ...(live === undefined ? [] : [liveText(live.played, shape)]),
  ].join('\n')
  const report: PlayReport = {
    kind: 'play',
    version: 1,
    scripts: played,
    troubles: live?.troubles ?? [],
    ...(live === undefined ? {} : { live: live.played }),
  }
  const printed = { text: () => text, json: () => reportJson(report), junit: () => playJunit(report) }
  deliver(printed[options.format](), text, options.output)
  if (live !== undefined && live.troubles.length > 0) {
    say(live.troubles.map(({ file, says }) => `${file}: ${says}`).join('\n'))
    return EXIT.unjudged
  }
  return hasParted(live) || played.some(({ wrong, leaks }) => wrong !== undefined || leaks.length > 0)
    ? EXIT.leaks
    : EXIT.sound
}

/** Beside the report, never in it. */
function say(text: string): void {
  process.stderr.write(`${text}\n`)
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
