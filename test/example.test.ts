import { expect } from 'chai'
import { chromium, type Browser, type Page } from 'playwright-core'
import { createServer } from 'vite'
import { CHROMIUM_FLAGS, findChromium } from '../packages/caulker-cli/dist/node/chromium.js'
import { served } from './support/served.js'

describe('the journey of the boatyard', () => {
  let server: Awaited<ReturnType<typeof served>>
  let browser: Browser
  let page: Page
  const wrong: string[] = []

  before(async () => {
    server = await served('haul-out')
    browser = await chromium.launch({ executablePath: findChromium(), args: CHROMIUM_FLAGS })
  })
  after(async () => {
    await browser.close()
    await server.close()
  })
  beforeEach(async () => {
    page = await browser.newPage()
    page.setDefaultTimeout(30_000)
    wrong.length = 0
    page.on('console', (message) => message.type() === 'error' && wrong.push(message.text()))
    page.on('pageerror', ({ message }) => wrong.push(message))
    await page.goto(server.url)
    await page.waitForSelector('#inspector tr')
  })
  afterEach(async () => {
    expect(await page.$$eval('#inspector .differs', (rows) => rows.map(({ textContent }) => textContent))).to.eql([])
    await page.close()
    expect(wrong).to.eql([])
  })

  const press = (name: string) => page.click(`button:text("${name}")`)
  const front = () => page.evaluate(() => location.hash)
  const heading = () => page.textContent('#journey h1')
  const at = (label: string) => page.getByLabel(label)
  const text = (fitting: string) => page.textContent(`#journey section [data-fitting="${fitting}"]`)

  async function toReview() {
    await at('Vessel').fill('Heron')
    await press('On to the work order')
    await page.check('input[value="Slip 2"]')
    await press('On to the review')
  }

  it('is walked to its end by keyboard alone, and a screen reader is taken along', async () => {
    const { keyboard } = page
    await at('Vessel').focus()
    await keyboard.type('Heron')
    await keyboard.press('Tab')
    await keyboard.type('34')
    await keyboard.press('Tab')
    await keyboard.press('Space')
    for (
      let presses = 0;
      presses < 6 && (await page.evaluate(() => document.activeElement?.textContent)) !== 'On to the work order';
      presses++
    )
      await keyboard.press('Tab')
    await keyboard.press('Enter')
    expect([await front(), await page.title()]).to.eql(['#work-order', 'Marrow Creek Boatyard: the work order'])
    expect(await page.evaluate(() => document.activeElement?.textContent)).to.equal('The work order')
    await keyboard.press('Tab')
    await keyboard.press('Enter')
    await page.focus('input[value="Slip 1"]')
    await keyboard.press('Space')
    expect(await text('total')).to.equal('Total for Heron: 214.50 marks')
    await page.focus('button:text("On to the review")')
    await keyboard.press('Enter')
    expect(await text('summary')).to.equal('Heron, 34 feet, oak; 9 bales of oakum, pitch at 60 to 75 °C; Slip 1')
    await at('Who is at the quay').focus()
    await keyboard.type('Ines')
    await keyboard.press('Tab')
    await keyboard.press('Enter')
    await at('Who is at the quay').focus()
    await keyboard.press('Enter')
    await page.waitForSelector('text=Your order: MC-101')
    expect(await heading()).to.equal('She is booked')
  })

  it('loses nothing where booking fails, and says what is wrong', async () => {
    await toReview()
    await page.selectOption('#next', 'fails')
    await press('Book the haul-out')
    await page.waitForSelector('text=Nothing is lost: try again.')
    expect(await text('summary')).to.include('Heron')
    await page.selectOption('#next', 'berth-taken')
    await press('Book the haul-out')
    await page.waitForSelector('text=Taken since this morning')
    await press('Book the haul-out')
    await page.waitForSelector('text=Your order: MC-101')
  })

  it('goes back and forward, and is where it was after a reload', async () => {
    await toReview()
    await page.goBack()
    await page.waitForFunction(() => location.hash === '#work-order')
    expect([await heading(), await page.isChecked('input[value="Slip 2"]')]).to.eql(['The work order', true])
    await page.goBack()
    await page.waitForFunction(() => location.hash === '#vessel')
    expect(await at('Vessel').inputValue()).to.equal('Heron')
    await page.goForward()
    await page.waitForFunction(() => location.hash === '#work-order')
    await page.reload()
    await page.waitForSelector('#inspector tr')
    expect([await heading(), await page.isChecked('input[value="Slip 2"]')]).to.eql(['The work order', true])
    expect(await text('total')).to.include('Total for Heron')
  })

  it('closes the way on until she has a name, and says why', async () => {
    await press('On to the work order')
    expect([await heading(), await text('problem')]).to.eql(['The vessel', 'Give her a name first'])
    await at('Length in feet').fill('200')
    await page.keyboard.press('Tab')
    await page.waitForSelector('text=The slip takes vessels of 8 to 90 feet')
    expect(await at('Length in feet').getAttribute('aria-invalid')).to.equal('true')
    await at('Length in feet').fill('34')
    await page.waitForFunction(() => document.querySelector('[aria-invalid]') === null)
  })

  it('brings a page back, and leaves alone what is not on it', async () => {
    await at('Vessel').fill('Heron')
    await press('On to the work order')
    await press('No oakum')
    await page.check('input[value="Slip 2"]')
    await page.fill('input[type=date] >> nth=0', '2031-05-14')
    await press('Start this page again')
    expect(await page.isChecked('input[value="Slip 2"]')).to.equal(false)
    expect(await page.inputValue('input[type=date] >> nth=0')).to.equal('')
    expect(await text('total')).to.equal('Total for Heron: 233.00 marks')
  })

  it('keeps one draft and forgets another, and does not leave with one that is open', async () => {
    await toReview()
    await at('Note').fill('A soft plank')
    await at('Who is at the quay').fill('Ines')
    await press('Book the haul-out')
    await page.waitForSelector('text=Save or forget this first')
    await press('Back to the work order')
    expect(await heading()).to.equal('The review')
    await press('Keep the name')
    await page.click('button:text("Forget it") >> nth=0')
    expect([await at('Note').inputValue(), await at('Who is at the quay').inputValue()]).to.eql(['', 'Ines'])
    await press('Book the haul-out')
    await page.waitForSelector('text=Your order: MC-101')
  })

  it('sends once where Book is pressed twice', async () => {
    await toReview()
    await page.selectOption('#delay', '1500')
    await press('Book the haul-out')
    await page.click('[data-fitting="book"]')
    expect(await page.$$eval('#inspector li', (lines) => lines.length)).to.equal(1)
    await page.waitForSelector('text=Your order: MC-101')
  })

  for (const width of [1280, 768, 360])
    it(`has nothing run out of the page at ${width} pixels`, async () => {
      await page.setViewportSize({ width, height: 800 })
      for (const next of ['On to the work order', 'On to the review', '']) {
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).to.equal(width)
        if (next === 'On to the work order') await at('Vessel').fill('Heron')
        if (next !== '') await press(next)
      }
    })
})

describe('the leaks to watch', () => {
  it('can be seen: what snaps back, what is not told, what is said twice', async () => {
    const server = await createServer({ root: 'examples/bilge', logLevel: 'silent', server: { port: 0 } })
    await server.listen()
    const browser = await chromium.launch({ executablePath: findChromium(), args: CHROMIUM_FLAGS })
    try {
      const page = await browser.newPage()
      await page.goto(`${server.resolvedUrls!.local[0]!}watch.html`)
      await page.waitForSelector('#shed-sides tbody tr')
      await page.locator('bale-stepper input').fill('12')
      await page.keyboard.press('Tab')
      expect(await page.locator('bale-stepper input').inputValue()).to.equal('10')
      await page.getByLabel('Note').fill('a soft plank')
      await page.click('#order button:text("Start again")')
      expect(await page.getByLabel('Note').inputValue()).to.equal('a soft plank')
      await page.locator('twice-text input').fill('He')
      await page.keyboard.press('Tab')
      await page.waitForFunction(() => document.querySelector('#heard')?.textContent === 'text-set He, text-set He')
    } finally {
      await browser.close()
      await server.close()
    }
  })
})
