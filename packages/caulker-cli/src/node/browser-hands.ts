import type { CDPSession, Page } from 'playwright-core'
import type { HandAct } from 'caulker/inside/probe'

/** Lends a page the browser's own mouse, keyboard, clipboard and input method. */
export async function lendHands(page: Page): Promise<void> {
  const context = page.context()
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  const session = await context.newCDPSession(page)
  await page.exposeFunction('caulkerHands', async (acts: readonly HandAct[]) => {
    for (const act of acts) await make(page, session, act)
  })
}

async function make(page: Page, session: CDPSession, act: HandAct): Promise<void> {
  const { keyboard, mouse } = page
  if ('key' in act) return keyboard.press(act.key)
  if ('strike' in act) return keyboard.type(act.strike)
  if ('compose' in act) return compose(session, act.compose)
  if ('paste' in act) return paste(page, act.paste)
  if ('click' in act) return mouse.click(...(act.click as [number, number]))
  const [from, ...path] = act.drag
  if (from === undefined) return
  await mouse.move(...(from as [number, number]))
  await mouse.down()
  for (const to of path) await mouse.move(...(to as [number, number]), { steps: 4 })
  await mouse.up()
}

/** Letter by letter under the input method; the last comes with the commit, which else would tell of the same text once more. */
async function compose(session: CDPSession, text: string): Promise<void> {
  for (let length = 1; length < text.length; length++)
    await session.send('Input.imeSetComposition', {
      text: text.slice(0, length),
      selectionStart: length,
      selectionEnd: length,
    })
  await session.send('Input.insertText', { text })
}

let pasted: Promise<void> = Promise.resolve()

/** There is one clipboard for all pages: what one puts there, it takes out before the next. */
function paste(page: Page, text: string): Promise<void> {
  const made = pasted.then(async () => {
    await page.evaluate((words) => navigator.clipboard.writeText(words), text)
    await page.keyboard.press('ControlOrMeta+V')
  })
  pasted = made.catch(() => undefined)
  return made
}
