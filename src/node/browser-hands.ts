import type { Page } from 'playwright-core'
import type { HandAct } from '../probe/index.js'

/** Lends a page the browser's own mouse and keyboard. */
export async function lendHands(page: Page): Promise<void> {
  await page.exposeFunction('caulkerHands', async (acts: readonly HandAct[]) => {
    for (const act of acts) await make(page, act)
  })
}

async function make({ keyboard, mouse }: Page, act: HandAct): Promise<void> {
  if ('key' in act) return keyboard.press(act.key)
  if ('strike' in act) return keyboard.type(act.strike)
  if ('click' in act) return mouse.click(...(act.click as [number, number]))
  const [from, ...path] = act.drag
  if (from === undefined) return
  await mouse.move(...(from as [number, number]))
  await mouse.down()
  for (const to of path) await mouse.move(...(to as [number, number]), { steps: 4 })
  await mouse.up()
}
