import { valueAt } from '../../contract/index.js'
import type { Reckoned } from '../../wiring/index.js'
import { leak, screenRule } from './rule.js'
import type { ScreenView } from '../reading/screen-view.js'
import { cellsGiven, sendings } from '../reading/sends.js'

/** A cell that the person fills in, and that the submit does not send. */
export const submitOmits = screenRule({
  id: 'submit-omits',
  level: 'error',
  title: 'A submit leaves out what was filled in',
  why: 'The person enters it, sees it on the screen and believes it sent; it is gone with the screen.',
  mend: 'Send it, or name it under leaves if it is not meant to be sent.',
  leaking: `
import { contract, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String(), note: Type.Optional(Type.String()) }) } })
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { send: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' }, note: { type: Type.String(), initial: '' } },
  fittings: { name: text, note: text },
  sources: { office },
  bind: ({ cells }) => ({ name: { text: twoWay(cells.name) }, note: { text: twoWay(cells.note), on: { send: [submit()] } } }),
  submit: { sends: ['name'], to: 'office.book' },
})`,
  mended: `
import { contract, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String(), note: Type.Optional(Type.String()) }) } })
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { send: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' }, note: { type: Type.String(), initial: '' } },
  fittings: { name: text, note: text },
  sources: { office },
  bind: ({ cells }) => ({ name: { text: twoWay(cells.name) }, note: { text: twoWay(cells.note), on: { send: [submit()] } } }),
  submit: { sends: ['name', 'note'], to: 'office.book' },
})`,
  *find(view) {
    const { submit, shown } = view.screen
    if (submit === undefined) return
    // What another call sends, what a journey holds and what only shows or hides other fields is not forgotten.
    const accounted = new Set([
      ...submit.leaves,
      // A tick that has to be given has served once it is there.
      ...Object.keys(submit.needs).filter((name) => valueAt(view.cells.get(name)?.type, ['type']) === 'boolean'),
      ...view.shared,
      // Where it is sent may be misspelt; what is sent is sent.
      ...Object.values(submit.sends).flatMap((name) => [
        ...view.cellsBehind(view.screen.reckoned[name] ?? ({ kind: 'cell', name } as const)),
      ]),
      ...sendings(view).flatMap((sending) => [...cellsGiven(view, sending)]),
      ...Object.values(shown).flatMap(({ source }) => [...view.cellsBehind(source)]),
    ])
    for (const cell of view.editedCells())
      if (view.cells.has(cell) && !accounted.has(cell))
        yield leak(['submit', 'sends'], `'${cell}' is filled in here, and the submit does not send it`, {
          mend: `Add '${cell}' to sends, or to leaves if it is not meant to be sent.`,
          // One that something else is computed from may have done its work on the screen.
          level: computedFrom(view).has(cell) ? 'warning' : 'error',
        })
  },
})

function computedFrom(view: ScreenView): Set<string> {
  const inputs = Object.values<Reckoned<unknown>>(view.screen.reckoned).flatMap((reckoned) => [...reckoned.inputs])
  return new Set(inputs.flatMap((source) => [...view.cellsBehind(source)]))
}
