import { CaulkerError, messageOf } from 'caulker/inside/words'
import { createRequire } from 'node:module'
import type { Browser, BrowserContext, Page } from 'playwright-core'
import { bundleFor, modulesOf, type Bundle } from './browser-bundle.js'
import type { PageResult } from './browser-page.js'
import { lendHands } from './browser-hands.js'
import { CHROMIUM_FLAGS, findChromium } from './chromium.js'
import { never, patienceOf, probeInLanes, tryUntilDone, type Tried } from './hangs.js'
import { createPatience, type Patience } from './patience.js'
import type { ProbeJob, ProbeOutcome } from './probe-job.js'

// Imported, its one large file would be read twice: once for the names that it exports.
const { chromium } = createRequire(import.meta.url)('playwright-core') as typeof import('playwright-core')

const WATCH_EVERY = 250
const BLANK =
  '<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Caulker</title></head><body></body></html>'

/** Half a day ahead of Greenwich: who takes a calendar day for a moment is a day off there. */
const EAST = 'Pacific/Auckland'

/** Probes components in an installed Chromium, each in a page and an origin of its own that know no network. */
export async function probeInBrowser(
  jobs: readonly ProbeJob[],
  onDone: (outcome: ProbeOutcome) => void,
  { workers, endpoint, signal }: { workers: number; endpoint: string | undefined; signal?: AbortSignal | undefined },
): Promise<{ outcomes: readonly ProbeOutcome[]; ranIn: string }> {
  const bundled = bundleFor(jobs)
  const browser = await browserAt(endpoint)
  try {
    // One context is one window, and a window costs more than all else that a page needs: pages are kept apart by their origins.
    const context = await browser.newContext({ timezoneId: EAST })
    const bundle = await bundled
    await serve(context, bundle)
    const used = await processorTime(browser)
    let busy = 0
    const lane = async (job: ProbeJob) => {
      const entry = bundle.entryOf(job)
      if ('trouble' in entry) return { job, trouble: entry.trouble }
      busy++
      try {
        return await tryUntilDone(job, (one) =>
          runPage(context, entry.path, one, () => createPatience(patienceOf(job), () => busy, used.seconds)),
        )
      } finally {
        busy--
      }
    }
    const outcomes = await probeInLanes(jobs, workers, lane, { onDone, signal }).finally(used.end)
    return { outcomes, ranIn: `Chromium ${browser.version()}` }
  } finally {
    await browser.close()
  }
}

const LOOK_EVERY = 500

/** How much processor time all processes of a browser have used, looked up now and then. */
async function processorTime(browser: Browser): Promise<{ seconds(): number; end(): void }> {
  const session = await browser.newBrowserCDPSession()
  let seconds = 0
  const look = async () => {
    const { processInfo } = await session.send('SystemInfo.getProcessInfo')
    const now = processInfo.reduce((sum, { cpuTime }) => sum + cpuTime, 0)
    // A process that has ended takes its time with it; what was used stays used.
    seconds = Math.max(seconds, now)
  }
  await look()
  const timer = setInterval(() => void look().catch(() => undefined), LOOK_EVERY)
  return { seconds: () => seconds, end: () => clearInterval(timer) }
}

async function browserAt(endpoint: string | undefined): Promise<Browser> {
  if (endpoint === undefined) return chromium.launch({ executablePath: findChromium(), args: CHROMIUM_FLAGS })
  try {
    return await chromium.connectOverCDP(endpoint)
  } catch (thrown) {
    throw new CaulkerError(
      'bad-argument',
      `--endpoint ${endpoint}: no browser answers there (${messageOf(thrown).split(' Call log')[0] ?? ''})`,
    )
  }
}

async function runPage(
  context: BrowserContext,
  entry: string,
  job: ProbeJob,
  patienceOf: () => Patience,
): Promise<Tried> {
  const { tag, seed, moves, clauses, gestures, trusted, broken, adopts, plays } = job
  const page = await context.newPage()
  const patience = patienceOf()
  let at: string | undefined
  let watch: NodeJS.Timeout | undefined
  try {
    page.on('dialog', (dialog) => void dialog.dismiss())
    page.on('popup', (popup) => void popup.close())
    await listenForBeats(page, (step) => {
      at = step
      patience.begin()
    })
    if (trusted === true) await lendHands(page)
    await page.goto(freshOrigin())
    patience.begin()
    const silence = new Promise<Tried>((resolve) => {
      watch = setInterval(() => patience.isOver() && resolve(never(job, at)), WATCH_EVERY)
    })
    const given = { tag, seed, moves, clauses, gestures, trusted, broken, adopts, plays }
    const run = started(page, entry, given).then((result): Tried => {
      if (result === undefined) return { how: 'leaves the page or breaks it off', says: 'it leaves the page', at }
      if ('report' in result) return { outcome: { job, report: result.report } }
      if ('played' in result) return { outcome: { job, played: result.played } }
      if ('adopted' in result) return { outcome: { job, adopted: result.adopted } }
      const file = modulesOf(job)[result.module] ?? job.file
      return { outcome: { job, trouble: { file, place: undefined, says: result.failed } } }
    })
    return await Promise.race([silence, run])
  } finally {
    clearInterval(watch)
    await Promise.race([page.close(), new Promise((resolve) => setTimeout(resolve, 2000).unref())])
  }
}

/** Nothing where the page was left before it could answer. */
async function started(page: Page, entry: string, job: object): Promise<PageResult | undefined> {
  try {
    return await page.evaluate(
      async ([path, given]) => {
        const { run } = (await import(path as string)) as {
          run(job: unknown, beat: (step: string) => void): Promise<PageResult>
        }
        return run(given, (globalThis as never as { caulkerBeat(step: string): void }).caulkerBeat)
      },
      [entry, job] as const,
    )
  } catch {
    return undefined
  }
}

/** A binding without an answer: it costs little, and what it says gets out even of a page that falls into an endless loop right after. */
async function listenForBeats(page: Page, onBeat: (step: string) => void): Promise<void> {
  const session = await page.context().newCDPSession(page)
  await session.send('Runtime.enable')
  await session.send('Runtime.addBinding', { name: 'caulkerBeat' })
  session.on('Runtime.bindingCalled', ({ payload }) => onBeat(payload))
}

let pages = 0

/** Another site for each page: nothing is stored in common, and the browser gives each a process of its own. */
function freshOrigin(): string {
  return `https://probe-${++pages}.test`
}

const OWN_HOST = /^probe-\d+\.test$/

/** Everything comes from memory, and nothing from a network. */
async function serve(context: BrowserContext, bundle: Bundle): Promise<void> {
  await context.route('**/*', (route) => {
    const { hostname, pathname } = new URL(route.request().url())
    if (!OWN_HOST.test(hostname)) return route.abort()
    const file = bundle.files.get(pathname)
    if (file !== undefined) return route.fulfill({ body: file.body, contentType: file.type })
    return pathname === '/' ? route.fulfill({ body: BLANK, contentType: 'text/html' }) : route.abort()
  })
}
