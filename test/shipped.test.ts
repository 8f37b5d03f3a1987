import { expect } from 'chai'
import { contract, oneWay, screen, twoWay, Type } from 'caulker'
import { mountScreen } from 'caulker/dom'
import { watchTypes } from 'caulker/inside/machine'
import { openWindow } from './support/window.js'

const { APPS, sizeOf } = (await import(`${process.cwd()}/scripts/size.mjs`)) as {
  APPS: Record<string, string>
  sizeOf(code: string): Promise<{ bytes: number; modules: string[] }>
}

describe('what an app ships', () => {
  for (const [name, code] of Object.entries(APPS))
    it(`has for ${name} no check, probe, report, command, builder or look at types in it`, async () => {
      const { modules } = await sizeOf(code)
      const folders = new Set(modules.map((id) => id.replace('packages/caulker/dist/', '').split('/')[0]))
      expect([...folders]).to.include.members(['contract', 'wiring', 'machine', 'dom'])
      expect(
        [...folders].filter(
          (folder) => !['.build', 'node_modules', 'words', 'contract', 'wiring', 'machine', 'dom'].includes(folder!),
        ),
      ).to.eql([])
      expect(
        modules.filter((id) => /typebox|parse5|fast-check|dom-development|natives\/(?:date|radios|file)\.js/.test(id)),
      ).to.eql([])
    })

  it('says while one develops, once for each place, what goes down or comes up off its type', async () => {
    const { view, close } = openWindow()
    const said: string[] = []
    const before = console.error
    console.error = (message: string) => said.push(message)
    try {
      await import(`${process.cwd()}/packages/caulker/dist/node/dom-development.js`)
      const winch = contract('yard-winch', {
        properties: { load: { type: Type.Number(), default: 0 } },
        values: { turns: { type: Type.Integer(), default: 0 } },
      })
      view.customElements.define('yard-winch', class extends view.HTMLElement {})
      view.document.body.innerHTML = '<yard-winch data-fitting="winch"></yard-winch>'
      const slip = screen('slip', {
        cells: { load: { type: Type.Unknown(), initial: 1 as unknown }, turns: { type: Type.Integer(), initial: 0 } },
        fittings: { winch },
        bind: ({ cells }) => ({ winch: { load: oneWay(cells.load) as never, turns: twoWay(cells.turns) } }),
      })
      const mounted = mountScreen(slip, view.document.body)
      for (const load of ['heavy', 'heavier']) mounted.set('load', load)
      for (const value of ['four', 'five'])
        view.document
          .querySelector('yard-winch')!
          .dispatchEvent(new view.CustomEvent('turns-set', { detail: { value } }))
      mounted.remove()
    } finally {
      console.error = before
      watchTypes(() => undefined)
      close()
    }
    expect(said).to.eql([
      `slip / winch: 'load' of <yard-winch> is told "heavy", and its type is number`,
      `slip / winch: <yard-winch> reports "four" by 'turns-set', and its type is integer`,
    ])
  })
})
