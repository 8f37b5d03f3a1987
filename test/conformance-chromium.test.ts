import { expect } from 'chai'
import { chromium, type Browser, type Page } from 'playwright-core'
import { build, type Rollup } from 'vite'
import { CHROMIUM_FLAGS, findChromium } from '../packages/caulker-cli/dist/node/chromium.js'
import { journeyRows } from './conformance/journey-rows.js'
import { pageRows } from './conformance/page-rows.js'
import { rows } from './conformance/rows.js'

describe('what happens when something changes, in Chromium', () => {
  let wrong: Record<string, string>
  let browser: Browser
  let page: Page

  before(async () => {
    const made = (await build({
      logLevel: 'silent',
      configFile: false,
      build: { write: false, minify: false, rollupOptions: { input: '.build/conformance/in-page.js' } },
    })) as Rollup.RollupOutput
    browser = await chromium.launch({ executablePath: findChromium(), args: CHROMIUM_FLAGS })
    page = await browser.newPage()
    await page.route('**/*', (route) =>
      route.fulfill({ contentType: 'text/html', body: '<!doctype html><title>Yard</title><body></body>' }),
    )
    await page.goto('http://yard.test/')
    await page.addScriptTag({ type: 'module', content: made.output[0].code })
    await page.waitForFunction(() => 'playAll' in window)
    wrong = await page.evaluate(() => (window as never as { playAll(): Promise<Record<string, string>> }).playAll())
  })
  after(() => browser.close())

  for (const { at } of [...rows, ...journeyRows, ...pageRows])
    it(`${at} holds over elements`, () => expect(wrong[at]).to.equal(undefined))

  it('comes to the same as over ideal components, whatever the wiring and what is done to it', async () => {
    const partings = () => (window as never as { partings(...seeds: number[]): Promise<string[]> }).partings(200, 300)
    expect(await page.evaluate(partings)).to.eql([])
  })

  const sent = async (beside: string) => {
    await page.evaluate((inForm) => {
      document.body.innerHTML = `<form><yard-name name="vessel"></yard-name>${inForm}</form>`
      const sent: unknown[] = []
      document.querySelector('form')!.addEventListener('submit', (event) => {
        event.preventDefault()
        sent.push([...new FormData(event.target as HTMLFormElement).values()].join())
      })
      Object.assign(window, { sent })
      document.querySelector<HTMLElement>('yard-name')!.focus()
    }, beside)
    await page.keyboard.type(' Heron')
    await page.keyboard.press('Enter')
    return page.evaluate(() => (window as never as { sent: string[] }).sent)
  }
  for (const [what, beside, heard] of [
    ['through its button', '<button type="button">Not this</button><button>Send</button>', ['Heron']],
    ['without one, where nothing else is to be filled', '', ['Heron']],
    ['not through a button that is disabled', '<button disabled>Send</button>', []],
    ['not at all beside another line and without a button', '<input name="mast">', []],
  ] as const)
    it(`submits the form around an element by Enter inside it, once and with what was just typed: ${what}`, async () =>
      expect(await sent(beside)).to.eql(heard))
})
