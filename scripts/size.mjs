import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { join, relative, resolve } from 'node:path'
import { gzipSync } from 'node:zlib'
import { build } from 'vite'

// npm run size: what an app ships that mounts one screen, minified and gzipped, and which parts of the library are in it.
const APPS = {
  'one screen': `
    import { contract, screen, twoWay } from 'caulker'
    import { mountScreen, nativeText } from 'caulker/dom'
    const text = { type: 'string' }
    const winch = contract('chain-winch', { values: { turns: { type: text, default: '' } } })
    mountScreen(screen('slip', {
      cells: { name: { type: text, initial: '' } },
      fittings: { field: nativeText, winch },
      bind: ({ cells }) => ({ field: { value: twoWay(cells.name) }, winch: { turns: twoWay(cells.name) } }),
    }), document.body)`,
  'a journey': `
    import { journey, screen } from 'caulker'
    import { mountJourney } from 'caulker/dom'
    mountJourney(journey('trip', { screens: { first: screen('first', { cells: {}, fittings: {}, bind: () => ({}) }) }, start: 'first' }), document.body)`,
  'an element': `
    import { contract, interior, twoWay } from 'caulker'
    import { elementFrom, nativeText } from 'caulker/dom'
    const field = contract('yard-name', { values: { name: { type: { type: 'string' }, default: '' } } })
    const inside = interior(field, { fittings: { input: nativeText }, bind: ({ face }) => ({ input: { value: twoWay(face.values.name) } }) })
    customElements.define('yard-name', elementFrom(inside, { markup: '<input data-fitting="input">' }))`,
}

/** Bundles an app, and says which modules are in it. */
export async function sizeOf(code) {
  const root = resolve('.')
  const folder = join(root, '.build/size')
  mkdirSync(folder, { recursive: true })
  writeFileSync(join(folder, 'app.js'), code)
  // A server that has run in this process before leaves it set for development.
  process.env.NODE_ENV = 'production'
  try {
    const { output } = await build({
      root,
      logLevel: 'silent',
      configFile: false,
      build: { write: false, minify: true, rollupOptions: { input: join(folder, 'app.js') } },
    })
    const [chunk] = output
    const modules = Object.entries(chunk.modules)
      .filter(([, { renderedLength }]) => renderedLength > 0)
      .map(([id]) => relative(root, id))
    return { bytes: gzipSync(chunk.code).length, modules }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

export { APPS }

if (process.argv[1]?.endsWith('size.mjs'))
  for (const [name, code] of Object.entries(APPS)) {
    const { bytes, modules } = await sizeOf(code)
    const folders = new Map()
    for (const id of modules) {
      const folder = id.replace(/^packages\/caulker\/dist\//, '').split('/')[0]
      folders.set(folder, [...(folders.get(folder) ?? []), id])
    }
    const parts = [...folders].map(([folder, all]) => `${folder} ${all.length}`).join(', ')
    console.log(`${name}: ${(bytes / 1000).toFixed(1)} KB minified and gzipped, ${modules.length} modules (${parts})`)
  }
