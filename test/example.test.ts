import { expect } from 'chai'
import { chromium, type Browser, type Page } from 'playwright-core'
import { createServer, type ViteDevServer } from 'vite'
import { CHROMIUM_FLAGS, findChromium } from '../packages/caulker-cli/dist/node/chromium.js'

describe('the boatyard page', () => {
  let server: ViteDevServer
  let browser: Browser
  let page: Page

  before(async () => {
    server = await createServer({
      root: 'examples/haul-out',
      logLevel: 'silent',
      server: { host: '127.0.0.1', port: 0 },
    })
    await server.listen()
    browser = await chromium.launch({ executablePath: findChromium(), args: CHROMIUM_FLAGS })
    page = await browser.newPage()
  })
  after(async () => {
    await browser.close()
    await server.close()
  })
  beforeEach(async () => {
    await page.goto(server.resolvedUrls!.local[0]!)
    await page.waitForSelector('#sides tr')
  })

  const sides = () =>
    page.$$eval('#sides tr', (rows) =>
      Object.fromEntries(
        rows.map((row) => [row.children[0]!.textContent, [row.children[1]!.textContent, row.children[2]!.textContent]]),
      ),
    )

  it('works by keyboard alone: typing, Tab, Enter on a button, a number beyond the bound', async () => {
    await page.keyboard.press('Tab')
    await page.keyboard.press('Control+A')
    await page.keyboard.type('Heron')
    expect((await sides())['vessel']).to.eql(['"Heron"', '"Heron"'])
    await page.keyboard.press('Tab')
    await page.keyboard.press('Enter')
    expect((await sides())['bales']).to.eql(['9', '9'])
    await page.keyboard.press('Tab')
    await page.keyboard.press('Control+A')
    await page.keyboard.type('99')
    await page.keyboard.press('Enter')
    expect(await sides()).to.deep.include({ bales: ['24', '24'], total: ['444', '444'] })
    expect(await page.textContent('price-tag')).to.equal('Total for Heron: 444.00 marks')
  })

  it('works by mouse: a photo is chosen, removed and chosen again, and everything starts again', async () => {
    const photo = { name: 'hull.png', mimeType: 'image/png', buffer: Buffer.from('hull') }
    for (const [act, line] of [
      ['choose', 'hull.png, 4 bytes'],
      ['remove', 'No photo yet'],
      ['choose', 'hull.png, 4 bytes'],
    ] as const) {
      if (act === 'choose') await page.setInputFiles('input[type=file]', photo)
      else await page.click('survey-photo button')
      expect(await page.textContent('survey-photo .chosen span')).to.equal(line)
    }
    await page.fill('textarea', 'A soft plank')
    await page.click('text=No oakum')
    expect(await sides()).to.deep.include({ bales: ['0', '0'], note: ['"A soft plank"', '"A soft plank"'] })
    await page.click('text=Start again')
    expect(await sides()).to.eql({
      vessel: ['"Bittern"', '"Bittern"'],
      bales: ['10', '10'],
      photo: ['null', 'null'],
      note: ['""', '""'],
      total: ['185', '185'],
    })
  })
})
