import { expect } from 'chai'
import { chromium } from 'playwright-core'
import { build, type Rollup } from 'vite'
import { CHROMIUM_FLAGS, findChromium } from '../packages/caulker-cli/dist/node/chromium.js'
import { journeyRows } from './conformance/journey-rows.js'
import { pageRows } from './conformance/page-rows.js'
import { rows } from './conformance/rows.js'

describe('what happens when something changes, in Chromium', () => {
  let wrong: Record<string, string>

  before(async () => {
    const made = (await build({
      logLevel: 'silent',
      configFile: false,
      build: { write: false, minify: false, rollupOptions: { input: '.build/conformance/in-page.js' } },
    })) as Rollup.RollupOutput
    const browser = await chromium.launch({ executablePath: findChromium(), args: CHROMIUM_FLAGS })
    try {
      const page = await browser.newPage()
      await page.route('**/*', (route) =>
        route.fulfill({ contentType: 'text/html', body: '<!doctype html><title>Yard</title><body></body>' }),
      )
      await page.goto('http://yard.test/')
      await page.addScriptTag({ type: 'module', content: made.output[0].code })
      await page.waitForFunction(() => 'playAll' in window)
      wrong = await page.evaluate(() => (window as never as { playAll(): Promise<Record<string, string>> }).playAll())
    } finally {
      await browser.close()
    }
  })

  for (const { at } of [...rows, ...journeyRows, ...pageRows])
    it(`${at} holds over elements`, () => expect(wrong[at]).to.equal(undefined))
})
