import { readablesIn } from '../reading/given.js'
import { cellsGiven, sendings } from '../reading/sends.js'
import { sequencesOf } from '../reading/sequences.js'
import { isTyped, wipedCells } from '../reading/wiped.js'
import { leak, screenRule } from './rule.js'

/** A success that wipes what was entered for another sending. */
export const clearsUnsent = screenRule({
  id: 'clears-unsent',
  level: 'warning',
  title: 'A success wipes what it has not sent',
  why: 'What the person entered for something else is gone when the first is through, and was sent nowhere.',
  mend: 'Clear what was sent.',
  leaking: `
import { call, clear, contract, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'updates', takes: Type.Object({ text: Type.String() }) } })
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { deck: { type: Type.String(), initial: '' }, mast: { type: Type.String(), initial: '' } },
  sources: { office },
  fittings: { deck: note, mast: note },
  actions: ({ cells, sources }) => ({
    deck: [call(sources.office.note, { text: cells.deck }, { then: [clear(cells.mast)] })],
    mast: [call(sources.office.note, { text: cells.mast }, { then: [clear(cells.mast)] })],
  }),
  bind: ({ cells, actions }) => ({
    deck: { text: twoWay(cells.deck), on: { done: actions.deck } },
    mast: { text: twoWay(cells.mast), on: { done: actions.mast } },
  }),
})`,
  mended: `
import { call, clear, contract, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'updates', takes: Type.Object({ text: Type.String() }) } })
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { deck: { type: Type.String(), initial: '' }, mast: { type: Type.String(), initial: '' } },
  sources: { office },
  fittings: { deck: note, mast: note },
  actions: ({ cells, sources }) => ({
    deck: [call(sources.office.note, { text: cells.deck }, { then: [clear(cells.deck)] })],
    mast: [call(sources.office.note, { text: cells.mast }, { then: [clear(cells.mast)] })],
  }),
  bind: ({ cells, actions }) => ({
    deck: { text: twoWay(cells.deck), on: { done: actions.deck } },
    mast: { text: twoWay(cells.mast), on: { done: actions.mast } },
  }),
})`,
  *find(view) {
    const sent = sendings(view).filter(({ operation }) => operation.effect !== 'reads')
    for (const { at, action } of view.actions)
      for (const steps of sequencesOf(action.steps))
        for (const step of steps) {
          if (step.step !== 'call' || view.operation(step.operation)?.effect === 'reads') continue
          const given = new Set(readablesIn(step.given).flatMap((one) => [...view.cellsBehind(one)]))
          if (![...given].some((cell) => isTyped(view, cell))) continue
          for (const cell of step.then.flatMap((after) => wipedCells(view, after)))
            if (!given.has(cell) && isTyped(view, cell) && sent.some((one) => cellsGiven(view, one).has(cell)))
              yield leak(
                at,
                `'${step.operation.source}.${step.operation.name}' was not sent '${cell}', and its success wipes what was entered there`,
                { mend: `Leave '${cell}' alone, or send it as well.` },
              )
        }
  },
})
