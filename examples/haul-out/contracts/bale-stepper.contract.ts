import { contract, Type } from 'caulker'

/** What every stepper of the yard promises, under the tag of the one that keeps it. */
export const baleStepperPromise = <const T extends `${string}-${string}`>(tag: T) =>
  contract(tag, {
    summary: 'Bales of oakum to draw from the store',
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      fewest: { type: Type.Integer(), default: 0 },
      most: { type: Type.Integer(), default: 40 },
      stride: { type: Type.Integer({ minimum: 1 }), default: 1 },
    },
    values: {
      bales: {
        type: Type.Integer(),
        default: 0,
        reports: 'commit',
        bounds: { least: 'fewest', most: 'most' },
        step: 'stride',
        outside: 'clamp',
      },
    },
    events: {
      'limit-met': {
        payload: Type.Object({ limit: Type.Enum(['fewest', 'most']) }),
        summary: 'A person tried to go beyond a bound',
      },
    },
    commands: { reset: { effect: 'reset' }, focus: { effect: 'focus' } },
    form: { value: 'bales' },
  })

export const baleStepper = baleStepperPromise('bale-stepper')
