import { expect } from 'chai'
import { readFileSync } from 'node:fs'
import { dirname, relative, resolve } from 'node:path'
import { globSync } from 'tinyglobby'

/** Each floor imports only floors below it. */
const BELOW: Record<string, string[]> = {
  contract: [],
  wiring: ['contract'],
  engine: ['contract', 'wiring'],
  check: ['contract', 'wiring', 'engine'],
  ideal: ['contract', 'wiring', 'engine'],
  page: ['contract', 'check'],
  dom: ['contract', 'wiring', 'engine', 'ideal'],
  probe: ['contract', 'wiring', 'engine', 'ideal', 'dom'],
  report: ['contract', 'check', 'page', 'probe'],
  node: ['contract', 'wiring', 'engine', 'check', 'ideal', 'dom', 'probe', 'page'],
  cli: ['contract', 'check', 'page', 'probe', 'report', 'node'],
}
const CORE = ['contract', 'wiring', 'engine', 'check', 'ideal']

describe('the floors of the house', () => {
  for (const file of globSync('src/*/**/*.ts')) {
    const [, floor = ''] = file.split('/')
    const text = readFileSync(file, 'utf8').replace(/\/\*[^]*?\*\/|\/\/.*/g, '')
    const imported = [...text.matchAll(/from '([^']+)'/g)].map((found) => found[1]!)
    it(`${file} imports only what is below it`, () => {
      const floors = imported
        .filter((name) => name.startsWith('.'))
        .map((name) => relative('src', resolve(dirname(file), name)).split('/')[0]!)
      expect(floors.filter((name) => name !== floor && !BELOW[floor]!.includes(name))).to.eql([])
      if (floor !== 'node' && floor !== 'cli') expect(imported.filter((name) => name.startsWith('node:'))).to.eql([])
      if (CORE.includes(floor)) expect(text).not.to.match(/\b(?:document|window|console|process)\./)
    })
  }
})
