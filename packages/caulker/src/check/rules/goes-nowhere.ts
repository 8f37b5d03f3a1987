import { accepts, printed, samplesOf, valueAt, type TSchema } from '../../contract/index.js'
import { allSteps, isPayload, type AnySource, type CellClause, type Reckoned } from '../../wiring/index.js'
import { givenReadables, isReadable } from '../reading/given.js'
import { isHeldOutside, sharedBy, type ScreenView } from '../reading/screen-view.js'
import { sendings, type Sending } from '../reading/sends.js'
import { leak, screenRule, type Leak } from './rule.js'

/** A field beside others that are sent, of which nothing is made. */
export const goesNowhere = screenRule({
  id: 'goes-nowhere',
  level: 'warning',
  title: 'What is entered goes nowhere',
  why: 'The person fills it in with the rest and sends; it is neither sent nor kept, nothing else shows it, and it is gone with the screen.',
  mend: 'Send it, keep it (keeps) or share one of the journey with it; or take the field away.',
  leaking: `
import { call, contract, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'creates', takes: Type.Object({ text: Type.String(), by: Type.String() }) } })
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' }, by: { type: Type.String(), initial: '' } },
  sources: { office },
  fittings: { note, by: note },
  actions: ({ cells, sources }) => ({ keep: [call(sources.office.note, { text: cells.text, by: 'the mate' })] }),
  bind: ({ cells, actions }) => ({ note: { text: twoWay(cells.text), on: { done: actions.keep } }, by: { text: twoWay(cells.by), on: { done: actions.keep } } }),
})`,
  mended: `
import { call, contract, screen, source, twoWay, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'creates', takes: Type.Object({ text: Type.String(), by: Type.String() }) } })
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' }, by: { type: Type.String(), initial: '' } },
  sources: { office },
  fittings: { note, by: note },
  actions: ({ cells, sources }) => ({ keep: [call(sources.office.note, { text: cells.text, by: cells.by })] }),
  bind: ({ cells, actions }) => ({ note: { text: twoWay(cells.text), on: { done: actions.keep } }, by: { text: twoWay(cells.by), on: { done: actions.keep } } }),
})`,
  *find(view) {
    yield* keptHere(view)
    const { screen, shared, cells } = view
    // Of a submit another rule says what it omits.
    if (screen.submit !== undefined) return
    const changing = sendings(view).filter(({ operation, how }) => operation.effect !== 'reads' && how !== 'load')
    if (changing.length === 0) return
    const used = new Set([...usedElsewhere(view), ...draftedCells(view)])
    for (const name of view.editedCells()) {
      const cell = cells.get(name)
      const isFlag = valueAt(cell?.type, ['type']) === 'boolean'
      if (cell === undefined || cell.face !== undefined || cell.after.length > 0 || isFlag) continue
      const isKept = shared.has(name) || screen.keeps.includes(name) || screen.loads[name] !== undefined
      if (used.has(name) || isKept) continue
      const meant = changing.find((sending) => writtenDown(sending, cell) !== undefined)
      if (meant !== undefined)
        yield leak(
          ['cells', name],
          `'${name}' is filled in here, and nothing is given it: '${meant.ref.source}.${meant.ref.name}' is sent ${printed(meant.members[writtenDown(meant, cell) ?? ''])} each time`,
        )
    }
  },
})

/** What was loaded is edited here, its source could take it back, and nothing gives it anything. */
function* keptHere(view: ScreenView): Iterable<Leak> {
  const { screen } = view
  const used = usedElsewhere(view)
  const sent = new Set(Object.values(screen.submit?.sends ?? {}))
  for (const name of view.editedCells()) {
    const loaded = screen.loads[name]?.operation.source
    const isUsed = used.has(name) || sent.has(name) || screen.keeps.includes(name) || isHandedOn(view, name)
    if (loaded === undefined || isUsed || isHeldOutside(view, name) || (view.cells.get(name)?.after ?? []).length > 0)
      continue
    const sources: Readonly<Record<string, AnySource>> = screen.sources
    const taking = Object.entries(sources[loaded]?.operations ?? {}).find(([, { effect }]) => effect === 'updates')
    if (taking !== undefined)
      yield leak(['cells', name], `'${name}' is loaded from '${loaded}' and edited here, and nothing gives it back`, {
        mend: `Send it, with submit or with a call of '${loaded}.${taking[0]}'.`,
      })
  }
}

function draftedCells({ fittings }: ScreenView): string[] {
  return fittings.flatMap(({ bindings }) =>
    [...bindings.values()].flatMap((binding) => (binding.kind === 'draft' ? [binding.source.name] : [])),
  )
}

/** Whether a draft of it is sent where it is saved, or what its field reports is handed on. */
function isHandedOn({ actions, fittings }: ScreenView, cell: string): boolean {
  const fields = fittings.filter((fitting) => sharedBy(fitting).includes(cell))
  const isSaved = actions.some(({ all }) =>
    all.some(
      (step) => step.step === 'save' && step.to !== undefined && fields.some(({ name }) => name === step.fitting.name),
    ),
  )
  const heard = fields.flatMap(({ handlers }) => [...handlers.values()].flatMap(({ steps }) => [...allSteps(steps)]))
  return isSaved || heard.some(({ step }) => step === 'call' || step === 'announce' || step === 'report')
}

/** The member of what is sent that is the same each time, and might be what is entered. */
function writtenDown({ members, operation }: Sending, { name: cell, type }: CellClause): string | undefined {
  const samples = samplesOf(type)
  const names = Object.keys(members)
  return [...names.filter((name) => name === cell), ...names].find((name) => {
    const takes = valueAt(operation.takes, ['properties', name]) as TSchema | undefined
    const isConstant = !isReadable(members[name]) && !isPayload(members[name])
    return isConstant && takes !== undefined && samples.length > 0 && samples.every((sample) => accepts(takes, sample))
  })
}

/** The cells that anything but the field in which they are edited depends on. */
function usedElsewhere({ screen, fittings, actions, cellsBehind }: ScreenView): Set<string> {
  const bound = fittings.flatMap(({ bindings }) =>
    [...bindings.values()].flatMap((binding): unknown[] => (binding.kind === 'one-way' ? [binding.source] : [])),
  )
  const sources: readonly unknown[] = [
    ...bound,
    ...Object.values<Reckoned<unknown>>(screen.reckoned).flatMap(({ inputs }): readonly unknown[] => inputs ?? []),
    ...Object.values(screen.rows).map(({ source }): unknown => source),
    ...Object.values(screen.shown).map(({ source }) => source),
    ...Object.values(screen.loads).flatMap(({ given }) => Object.values((given ?? {}) as object).concat([given])),
    ...actions.flatMap(({ all }) => all.flatMap(givenReadables)),
  ]
  // Two fields of one cell show each other what is entered.
  const shownTwice = fittings
    .flatMap(({ bindings }) =>
      [...bindings.values()].flatMap((one) => (one.kind === 'two-way' ? [one.source.name] : [])),
    )
    .filter((name, at, all) => all.indexOf(name) !== at)
  return new Set([...sources.filter(isReadable).flatMap((one) => [...cellsBehind(one)]), ...shownTwice])
}
