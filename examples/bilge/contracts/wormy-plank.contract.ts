import { contract, Type } from 'caulker'

/** A contract that was never read again: nearly every line of it leaks by itself. */
export const wormyPlank = contract('wormy-plank', {
  required: ['wood'],
  properties: {
    wood: { type: Type.String(), default: 'oak' },
    title: { type: Type.String(), default: '' },
    caulked: { type: Type.Boolean(), default: true },
    feet: { type: Type.Integer(), default: 4 },
    thickness: { type: Type.Number(), default: 2 },
  },
  values: {
    seams: { type: Type.Integer(), default: 9, bounds: { least: 12, most: 'feet' } },
    mark: { type: Type.Integer({ minimum: 1 }), event: 'input' },
  },
  events: { splitOpen: { mustHear: true }, 'thickness-changed': { payload: Type.Number() } },
  commands: { setSeams: {}, drill: { gives: { type: 'boolen' } as never } },
  waives: { 'resets-fully': '' },
})
