import { carriedSteps } from '../reading/carried.js'
import { readablesIn } from '../reading/given.js'
import { leak, screenRule } from './rule.js'
import type { ScreenView } from '../reading/screen-view.js'

/** A save that writes more than its own field, or two drafts of one cell. */
export const draftOverwrites = screenRule({
  id: 'draft-overwrites',
  level: 'error',
  title: 'Saving one field undoes another',
  why: 'Each draft is a copy from when its edit began. A save that writes other fields too brings their old values back over what was saved in between.',
  mend: 'Let each save write its own field only, with the key of the record.',
  played: 'draft-writes-alone',
  leaking: `
import { contract, draft, save, screen, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { bow: note, stern: note },
  actions: ({ fittings }) => ({ bow: [save(fittings.bow)], stern: [save(fittings.stern)] }),
  bind: ({ cells, actions }) => ({
    bow: { text: draft(cells.text), on: { done: actions.bow } },
    stern: { text: draft(cells.text), on: { done: actions.stern } },
  }),
})`,
  mended: `
import { contract, draft, save, screen, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { bow: { type: Type.String(), initial: '' }, stern: { type: Type.String(), initial: '' } },
  fittings: { bow: note, stern: note },
  actions: ({ fittings }) => ({ bow: [save(fittings.bow)], stern: [save(fittings.stern)] }),
  bind: ({ cells, actions }) => ({
    bow: { text: draft(cells.bow), on: { done: actions.bow } },
    stern: { text: draft(cells.stern), on: { done: actions.stern } },
  }),
})`,
  *find(view) {
    const drafts = draftsOf(view)
    if (drafts.length === 0) return
    const seen = new Map<string, (typeof drafts)[number]>()
    for (const one of drafts) {
      const other = seen.get(one.cell)
      if (other === undefined) seen.set(one.cell, one)
      else
        yield leak(
          ['bind', one.fitting, one.name],
          `'${other.fitting}.${other.name}' and '${one.fitting}.${one.name}' edit two drafts of '${one.cell}': the later save undoes the earlier`,
          { mend: 'Give each a cell of its own, or bind both with twoWay.' },
        )
    }
    for (const { at, step } of carriedSteps(view)) {
      if (step.step !== 'save') continue
      const given = new Set(readablesIn(step.given).flatMap((source) => [...view.cellsBehind(source)]))
      for (const { fitting, cell } of drafts)
        if (fitting !== step.fitting.name && given.has(cell))
          yield leak(
            at,
            `saving '${step.fitting.name}' sends '${cell}' too, of which '${fitting}' may hold a newer draft`,
            {
              mend: `Leave '${cell}' out of what saving '${step.fitting.name}' sends.`,
            },
          )
    }
  },
})

function draftsOf({ fittings }: ScreenView): { fitting: string; name: string; cell: string }[] {
  return fittings.flatMap((fitting) =>
    [...fitting.bindings].flatMap(([name, binding]) =>
      binding.kind === 'draft' && binding.source.row === undefined
        ? [{ fitting: fitting.name, name, cell: binding.source.name }]
        : [],
    ),
  )
}
