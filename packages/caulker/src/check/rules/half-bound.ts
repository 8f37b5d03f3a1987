import { equal } from '../../contract/index.js'
import { leak, screenRule, writerText } from './rule.js'
import { isShared } from '../reading/screen-view.js'

/** A value whose edit is taken by a handler, and that does not follow the cell which took it. */
export const halfBound = screenRule({
  id: 'half-bound',
  level: 'error',
  title: 'An edit is taken, and a change from outside is not shown',
  why: 'Owner and component agree only until something else changes the cell: a load, a clear or another field. From then on the person sees an old value.',
  mend: 'Bind the value with twoWay and drop the handler.',
  played: 'shown-is-held',
  leaking: `
import { contract, payload, screen, set, Type } from 'caulker'
const note = contract('log-note', { values: { text: { type: Type.String(), default: '' } } })
const wipe = contract('wipe-button', { events: { press: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { note, wipe },
  actions: ({ cells }) => ({ take: [set(cells.text, payload())], wipe: [set(cells.text, '')] }),
  bind: ({ actions }) => ({ note: { on: { 'text-set': actions.take } }, wipe: { on: { press: actions.wipe } } }),
})`,
  mended: `
import { contract, screen, set, twoWay, Type } from 'caulker'
const note = contract('log-note', { values: { text: { type: Type.String(), default: '' } } })
const wipe = contract('wipe-button', { events: { press: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { note, wipe },
  actions: ({ cells }) => ({ wipe: [set(cells.text, '')] }),
  bind: ({ cells, actions }) => ({ note: { text: twoWay(cells.text) }, wipe: { on: { press: actions.wipe } } }),
})`,
  *find(view) {
    for (const fitting of view.fittings) {
      for (const value of Object.values(fitting.contract.values)) {
        const binding = fitting.bindings.get(value.name)
        const shown =
          binding === undefined || binding.kind === 'constant' ? new Set<string>() : view.cellsBehind(binding.source)
        const takers = fitting.takersOf(value)
        if (takers.length === 0 || takers.some((cell) => shown.has(cell.name)) || (binding && isShared(binding)))
          continue
        for (const cell of takers) {
          const handler = fitting.handlers.get(value.event)
          const others = view
            .writersOf(cell.name)
            .filter(
              (writer) => writer !== `actions.${handler?.name}` && writer !== `bind.${fitting.name}.on.${value.event}`,
            )
          const startsAlike = equal(view.cells.get(cell.name)?.initial, value.default)
          if (others.length === 0 && startsAlike) continue
          const unseen =
            others.length === 0
              ? `the initial value of '${cell.name}' is never shown`
              : `what ${others.map(writerText).join(' and ')} makes of '${cell.name}' is never shown`
          yield leak(
            ['bind', fitting.name, ...(binding === undefined ? [] : [value.name])],
            `the edits of '${fitting.name}.${value.name}' reach '${cell.name}', but ${unseen}`,
            {
              mend: `Bind ${value.name}: twoWay(cells.${cell.name}) on '${fitting.name}' and drop the handler of '${value.event}'.`,
            },
          )
        }
      }
    }
  },
})
