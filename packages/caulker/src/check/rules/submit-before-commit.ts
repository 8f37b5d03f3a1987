import { leak, screenRule, type Leak } from './rule.js'
import type { ScreenView } from '../reading/screen-view.js'
import { cellsGiven, sendings } from '../reading/sends.js'

/** A value that reports when its field is left, sent by a call that does not wait for that. */
export const submitBeforeCommit = screenRule({
  id: 'submit-before-commit',
  level: 'error',
  title: 'What is sent may be older than what is typed',
  why: 'The field reports when it is left. Enter, a shortcut or a quick press sends before that, and the last thing typed is not in it.',
  mend: 'Send it with submit: every field commits before anything is sent.',
  played: 'sent-is-shown',
  leaking: `
import { call, contract, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String(), reports: 'commit' } } })
const send = contract('send-button', { summary: 'A button', events: { press: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name, send },
  sources: { office },
  actions: ({ cells, sources }) => ({ book: [call(sources.office.book, { name: cells.name })] }),
  bind: ({ cells, actions }) => ({ name: { name: twoWay(cells.name) }, send: { on: { press: actions.book } } }),
})`,
  mended: `
import { contract, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String(), reports: 'commit' } } })
const send = contract('send-button', { summary: 'A button', events: { press: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name, send },
  sources: { office },
  actions: () => ({ book: [submit()] }),
  bind: ({ cells, actions }) => ({ name: { name: twoWay(cells.name) }, send: { on: { press: actions.book } } }),
  submit: { sends: ['name'], to: 'office.book' },
})`,
  *find(view) {
    const late = lateValues(view)
    const said = new Set<string>()
    for (const sending of sendings(view)) {
      // Who enters a screen has typed nothing on it yet.
      if (sending.how !== 'call' || sending.operation.effect === 'reads' || sending.at[0] === 'enters') continue
      for (const cell of cellsGiven(view, sending)) {
        const fields = (late.get(cell) ?? []).filter(({ event }) => !isOwnReport(sending.at, event))
        for (const { name } of fields) {
          const found = sentTooEarly(sending.at, cell, name, `${sending.ref.source}.${sending.ref.name}`)
          if (!said.has(found.says)) yield found
          said.add(found.says)
        }
      }
    }
  },
})

/** By cell: the values bound to it that report only when an edit ends. */
function lateValues({ fittings }: ScreenView): Map<string, { name: string; event: string }[]> {
  const late = new Map<string, { name: string; event: string }[]>()
  for (const fitting of fittings)
    for (const [value, binding] of fitting.boundValues())
      if (binding.kind === 'two-way' && value.reports === 'commit')
        late.set(binding.source.name, [
          ...(late.get(binding.source.name) ?? []),
          { name: `${fitting.name}.${value.name}`, event: `${fitting.name}.${value.event}` },
        ])
  return late
}

/** A call that the report itself sets off comes after it. */
function isOwnReport(at: readonly string[], event: string): boolean {
  return at[0] === 'bind' && `${at[1]}.${at[3]}` === event
}

function sentTooEarly(at: readonly string[], cell: string, field: string, operation: string): Leak {
  return leak(at, `'${operation}' is sent '${cell}', and '${field}' reports it only when the field is left`)
}
