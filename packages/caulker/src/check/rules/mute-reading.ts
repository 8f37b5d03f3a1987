import { designRule, leak } from './rule.js'

/** A reading of a contract that the interior behind it never fills. */
export const muteReading = designRule({
  id: 'mute-reading',
  level: 'error',
  title: 'A reading is declared, and nothing inside says what it is',
  why: 'Owners read it, as the contract says they may, and get undefined.',
  mend: 'Write under readings what it is, or drop it from the contract.',
  leaking: `
import { contract, interior, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } } })
const name = contract('vessel-name', {
  summary: 'A name',
  values: { name: { type: Type.String() } },
  readings: { letters: { type: Type.Integer(), from: ['name'] } },
})
export const inside = interior(name, { fittings: { text }, bind: ({ face }) => ({ text: { text: twoWay(face.values.name) } }) })`,
  mended: `
import { contract, interior, reckon, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } } })
const name = contract('vessel-name', {
  summary: 'A name',
  values: { name: { type: Type.String() } },
  readings: { letters: { type: Type.Integer(), from: ['name'] } },
})
export const inside = interior(name, {
  fittings: { text },
  reckoned: ({ face }) => ({ letters: reckon([face.values.name], (name) => name?.length ?? 0) }),
  readings: ({ reckoned }) => ({ letters: reckoned.letters }),
  bind: ({ face }) => ({ text: { text: twoWay(face.values.name) } }),
})`,
  *find({ interiors }) {
    for (const { interior, view } of interiors) {
      const { tag, readings } = interior.contract
      for (const name of Object.keys(readings))
        if (view.screen.readings[name] === undefined)
          yield {
            ...leak(['readings', name], `the interior of '${tag}' never says what its reading '${name}' is`),
            of: { name: `${tag} inside`, written: view.screen },
          }
    }
  },
})
