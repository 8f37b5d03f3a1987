import { designRule, leak } from './rule.js'

/** A reading that is computed from something else than its contract says. */
export const astrayReading = designRule({
  id: 'astray-reading',
  level: 'warning',
  title: 'A reading does not follow what the contract says it does',
  why: 'Owners read it again when what it is computed from has changed: it then is what it was, or changes when nobody looks.',
  mend: 'Compute it from what stands under from, or say there what it is computed from.',
  leaking: `
import { contract, interior, reckon, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } } })
const name = contract('vessel-name', {
  summary: 'A name',
  values: { name: { type: Type.String(), default: '' }, home: { type: Type.String(), default: '' } },
  readings: { letters: { type: Type.Integer(), from: ['name'] } },
})
export const inside = interior(name, {
  fittings: { text, home: text },
  reckoned: ({ face }) => ({ letters: reckon([face.values.home], (home) => home.length) }),
  readings: ({ reckoned }) => ({ letters: reckoned.letters }),
  bind: ({ face }) => ({ text: { text: twoWay(face.values.name) }, home: { text: twoWay(face.values.home) } }),
})`,
  mended: `
import { contract, interior, reckon, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } } })
const name = contract('vessel-name', {
  summary: 'A name',
  values: { name: { type: Type.String(), default: '' }, home: { type: Type.String(), default: '' } },
  readings: { letters: { type: Type.Integer(), from: ['name'] } },
})
export const inside = interior(name, {
  fittings: { text, home: text },
  reckoned: ({ face }) => ({ letters: reckon([face.values.name], (name) => name.length) }),
  readings: ({ reckoned }) => ({ letters: reckoned.letters }),
  bind: ({ face }) => ({ text: { text: twoWay(face.values.name) }, home: { text: twoWay(face.values.home) } }),
})`,
  *find({ interiors }) {
    for (const { interior, view } of interiors) {
      const { tag, readings } = interior.contract
      for (const [name, { from }] of Object.entries(readings)) {
        const source = view.screen.readings[name]
        if (source === undefined || from.length === 0) continue
        const behind = [...view.cellsBehind(source)]
        const ofFace = behind.filter((cell) => view.cells.get(cell)?.face !== undefined)
        const others = ofFace.filter((cell) => !from.includes(cell))
        // A cell of its own may follow anything.
        const missing = behind.length > ofFace.length ? [] : from.filter((cell) => !ofFace.includes(cell))
        const says = [
          ...missing.map((cell) => `does not follow '${cell}'`),
          ...others.map((cell) => `follows '${cell}', which its contract does not say`),
        ]
        if (says.length > 0)
          yield {
            ...leak(['readings', name], `the reading '${name}' of '${tag}' ${says.join(', and ')}`),
            of: { name: `${tag} inside`, written: view.screen },
          }
      }
    }
  },
})
