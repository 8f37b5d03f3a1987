import { chromium, type Browser, type BrowserContext, type Page } from 'playwright-core'
import { CaulkerError, messageOf } from 'caulker/inside/contract'
import { bundleFor, modulesOf, type Bundle } from './browser-bundle.js'
import type { PageResult } from './browser-page.js'
import { lendHands } from './browser-hands.js'
import { CHROMIUM_FLAGS, findChromium } from './chromium.js'
import type { ProbeJob, ProbeOutcome } from './probe-job.js'

const PATIENCE = 8000
const WATCH_EVERY = 250
const MOST_HANGS = 3
const BLANK =
  '<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Caulker</title></head><body></body></html>'

/** Probes components in an installed Chromium, each in a page and an origin of its own that know no network. */
export async function probeInBrowser(
  jobs: readonly ProbeJob[],
  onDone: (outcome: ProbeOutcome) => void,
  { workers, endpoint }: { workers: number; endpoint: string | undefined },
): Promise<{ outcomes: readonly ProbeOutcome[]; ranIn: string }> {
  const bundled = bundleFor(jobs)
  const browser = await browserAt(endpoint)
  try {
    const outcomes: ProbeOutcome[] = []
    // One context is one window, and a window costs more than all else that a page needs: pages are kept apart by their origins.
    const context = await browser.newContext()
    await serve(context, await bundled)
    const waiting = jobs.map((job, at) => ({ job, at }))
    const lane = async () => {
      for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) {
        outcomes[next.at] = await probeOne(context, await bundled, next.job)
        onDone(outcomes[next.at] as ProbeOutcome)
      }
    }
    await Promise.all(Array.from({ length: Math.min(workers, jobs.length) }, lane))
    return { outcomes, ranIn: `Chromium ${browser.version()}` }
  } finally {
    await browser.close()
  }
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

async function probeOne(context: BrowserContext, bundle: Bundle, job: ProbeJob): Promise<ProbeOutcome> {
  const entry = bundle.entryOf(job)
  if ('trouble' in entry) return { job, trouble: entry.trouble }
  const hung: string[] = []
  for (;;) {
    const ended = await runPage(context, entry.path, { ...job, hung })
    if ('report' in ended) return { job, report: ended.report }
    if ('adopted' in ended) return { job, adopted: ended.adopted }
    if ('failed' in ended)
      return {
        job,
        trouble: { file: modulesOf(job)[ended.module] ?? job.file, place: undefined, says: ended.failed },
      }
    if (ended.at === undefined || hung.length === MOST_HANGS)
      return {
        job,
        trouble: {
          file: job.file,
          place: undefined,
          says: `<${job.tag}> ${ended.how} ${ended.at === undefined ? 'while its module was loaded' : `at ${hung.length + 1} different steps, the last of them: ${ended.at}`}`,
        },
      }
    hung.push(ended.at)
  }
}

type Ended = PageResult | { readonly how: string; readonly at: string | undefined }

async function runPage(
  context: BrowserContext,
  entry: string,
  { tag, seed, clauses, gestures, trusted, hung, adopts }: ProbeJob,
): Promise<Ended> {
  const page = await context.newPage()
  let at: string | undefined
  let since = Date.now()
  let watch: NodeJS.Timeout | undefined
  try {
    page.on('dialog', (dialog) => void dialog.dismiss())
    page.on('popup', (popup) => void popup.close())
    await listenForBeats(page, (step) => {
      at = step
      since = Date.now()
    })
    if (trusted === true) await lendHands(page)
    await page.goto(freshOrigin())
    const silence = new Promise<Ended>((resolve) => {
      watch = setInterval(
        () =>
          Date.now() - since > PATIENCE &&
          resolve({ how: 'never comes back (an endless loop, or more than 8 seconds of work)', at }),
        WATCH_EVERY,
      )
    })
    return await Promise.race([
      silence,
      started(page, entry, { tag, seed, clauses, gestures, trusted, hung, adopts }, () => at),
    ])
  } finally {
    clearInterval(watch)
    await Promise.race([page.close(), new Promise((resolve) => setTimeout(resolve, 2000).unref())])
  }
}

async function started(page: Page, entry: string, job: object, at: () => string | undefined): Promise<Ended> {
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
    return { how: 'leaves the page or breaks it off', at: at() }
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
