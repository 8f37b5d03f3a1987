import { carries } from './carried.js'
import { equal, schemaJson, typeText, type TSchema } from '../data/types.js'
import { isWithin } from '../data/compatible.js'
import { clause, flagged, optional, silent, typeChange, upChange, usually, words, type Said } from './entry.js'
import { choice, dataType, flag, names, namesOf, text } from './kind.js'

const summary = optional<string>({ says: 'What it is for, in one sentence.', kind: text, changed: words })
const quietSummary = { ...summary, changed: silent }
const typeJson = (key: string) => (of: Readonly<Record<string, unknown>>) =>
  of[key] === undefined ? undefined : schemaJson(of[key] as TSchema)
const orNothing = (type: TSchema | undefined) => (type === undefined ? 'nothing' : typeText(type))

export const EVENT = {
  payload: optional<TSchema>({
    says: 'The data type of its detail; nothing where it carries none.',
    kind: dataType,
    changed(old, now, name) {
      if (old === undefined) return []
      const wide = now ?? ({} as TSchema)
      if (isWithin(wide, old).answer === 'unknown') return [['major', `${name} carries another type now`]]
      return upChange('may carry', old, wide, name)
    },
    json: typeJson('payload'),
  }),
  carries,
  bubbles: usually(false, {
    says: 'Whether it bubbles.',
    kind: flag,
    changed: flagged('bubbles now', 'no longer bubbles'),
  }),
  composed: usually(false, {
    says: 'Whether it leaves shadow trees.',
    kind: flag,
    changed: flagged('is composed now', 'is no longer composed'),
  }),
  cancelable: usually(false, {
    says: 'Whether its owner may cancel it.',
    kind: flag,
    changed: flagged('is cancelable now', 'is no longer cancelable'),
  }),
  mustHear: usually(false, {
    says: 'Whether an owner that does not hear it loses something.',
    kind: flag,
    changed: flagged('must be heard now', 'need not be heard any more', 'major', 'minor'),
    sheet: () => 'must be heard',
  }),
  summary: quietSummary,
}

export const COMMAND = {
  takes: optional<TSchema>({
    says: 'The data type of its one argument; without it the command takes none.',
    kind: dataType,
    changed(old, now, name) {
      const weight = typeChange(old, now)
      return weight === undefined
        ? []
        : [[weight, `what ${name} takes is ${orNothing(now)}, and was ${orNothing(old)}`]]
    },
    json: typeJson('takes'),
    sheet: (type) => `takes ${typeText(type)}`,
  }),
  gives: optional<TSchema>({
    says: 'The data type of what it gives back, at once or later.',
    kind: dataType,
    changed(old, now, name) {
      const weight = typeChange(now, old)
      return weight === undefined
        ? []
        : [[weight, `what ${name} gives is ${orNothing(now)}, and was ${orNothing(old)}`]]
    },
    json: typeJson('gives'),
    sheet: (type) => `gives ${typeText(type)}`,
  }),
  effect: optional<'reset' | 'focus' | 'check'>({
    says: 'What it does that Caulker knows: brings all back, takes the focus, or shows what is wrong.',
    kind: choice('reset', 'focus', 'check'),
    changed: (old, now, name) => [['major', `the effect of ${name} is ${now ?? 'none'}, and was ${old ?? 'none'}`]],
  }),
  reports: usually(true, {
    says: 'Whether what it changes is reported; where it is not, who called it knows.',
    kind: flag,
    changed: (_, now, name): readonly Said[] => [
      ['major', `${name} ${now ? 'reports' : 'no longer reports'} what it changes`],
    ],
    sheet: () => 'reports nothing',
  }),
  summary: quietSummary,
}

export const READING = {
  type: clause<TSchema>({
    says: 'The data type of what can be read.',
    kind: dataType,
    usual: () => ({}) as TSchema,
    changed(old, now, name) {
      const weight = typeChange(now, old)
      return weight === undefined ? [] : [[weight, `${name} reads as ${typeText(now)}, and did as ${typeText(old)}`]]
    },
    json: typeJson('type'),
  }),
  from: clause<readonly string[]>({
    says: 'The properties and values that it is computed from.',
    kind: namesOf('given'),
    usual: () => [],
    changed: silent,
    sheet: (from) => `from ${from.join(', ')}`,
  }),
  summary: quietSummary,
}

export const SLOT = {
  holds: optional<readonly string[]>({
    says: 'The tags that may be in it, #text for text; anything where it is left out.',
    kind: names,
    changed(old, now, name) {
      const gone = (old ?? []).filter((tag) => now !== undefined && !now.includes(tag))
      if (gone.length > 0 || (old === undefined && now !== undefined))
        return [['major', `the slot ${name} no longer holds ${gone.length > 0 ? gone.join(', ') : 'just anything'}`]]
      return equal(old, now) ? [] : [['minor', `the slot ${name} holds more`]]
    },
  }),
  summary: quietSummary,
}
