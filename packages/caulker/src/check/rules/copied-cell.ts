import { equal, printed } from '../../contract/index.js'
import { isPayload, type Steps } from '../../wiring/index.js'
import { isReadable } from '../reading/given.js'
import { clauseIn, editedBy, isShared, type ScreenView } from '../reading/screen-view.js'
import { sendings } from '../reading/sends.js'
import { leak, screenRule, type Leak } from './rule.js'

/** Two cells that take the same report: two copies of one truth. */
export const copiedCell = screenRule({
  id: 'copied-cell',
  level: 'warning',
  title: 'Two cells hold one truth',
  why: 'They are equal until something sets only one of them; from then on two parts of the screen show different values, and both look right.',
  mend: 'Keep one cell, and bind both places to it.',
  played: 'copy-follows',
  leaking: `
import { contract, oneWay, payload, screen, set, Type } from 'caulker'
const pick = contract('berth-pick', { properties: { now: { type: Type.String() }, also: { type: Type.String() } }, events: { picked: { payload: Type.String() } } })
export const plan = screen('plan', {
  cells: { berth: { type: Type.String(), initial: '' }, shown: { type: Type.String(), initial: '' } },
  fittings: { pick },
  bind: ({ cells }) => ({ pick: { now: oneWay(cells.berth), also: oneWay(cells.shown), on: { picked: [set(cells.berth, payload()), set(cells.shown, payload())] } } }),
})`,
  mended: `
import { contract, oneWay, payload, screen, set, Type } from 'caulker'
const pick = contract('berth-pick', { properties: { now: { type: Type.String() }, also: { type: Type.String() } }, events: { picked: { payload: Type.String() } } })
export const plan = screen('plan', {
  cells: { berth: { type: Type.String(), initial: '' } },
  fittings: { pick },
  bind: ({ cells }) => ({ pick: { now: oneWay(cells.berth), also: oneWay(cells.berth), on: { picked: [set(cells.berth, payload())] } } }),
})`,
  *find(view) {
    for (const { at, action } of view.actions)
      for (const takers of takersByPart(action.steps))
        if (takers.length > 1)
          yield leak(
            at,
            `${takers.map((name) => `'${name}'`).join(' and ')} take the same ${at[0] === 'bind' ? 'report' : 'answer'}`,
          )
    for (const fitting of view.fittings)
      for (const [value, binding] of fitting.boundValues())
        for (const taker of fitting.takersOf(value))
          if (isShared(binding) && taker.name !== binding.source.name)
            yield leak(
              ['bind', fitting.name, value.name],
              `'${binding.source.name}' and '${taker.name}' take the same report of '${fitting.name}.${value.name}'`,
            )
  },
  *findAcross({ journey, screens }) {
    const isOwn = (screen: string, cell: string) => !Object.hasOwn(journey.shares[screen] ?? {}, cell)
    const seen = new Set<string>()
    for (const [from, edited] of screens)
      for (const cell of [...edited.cells.keys()])
        for (const [to, other] of screens) {
          const sharing = [from, to].find((name) => !isOwn(name, cell))
          const apart = [from, to].find((name) => isOwn(name, cell))
          if (from === to || apart === undefined) continue
          const how = copyOf(edited, other, cell)
          const key = [from, to].sort().join()
          if (how === undefined || (how.isMutual && (sharing !== undefined || seen.has(`${key} ${cell}`)))) continue
          seen.add(`${key} ${cell}`)
          yield leak(
            ['screens', sharing === undefined ? to : apart],
            `'${cell}' is ${how.here} on '${from}' and ${how.there} on '${to}', and ${sharing === undefined ? 'each' : `'${apart}'`} holds its own`,
            {
              mend:
                sharing === undefined
                  ? `Lift it: give the journey a cell '${cell}', and share it with both.`
                  : `Share it with '${apart}' as well.`,
            },
          )
        }
    yield* announcedCopies(screens, isOwn)
  },
})

/** The cells that take one and the same part of what was reported or answered, by that part. */
function takersByPart(steps: Steps): string[][] {
  const takers = new Map<string, Set<string>>()
  for (const step of steps)
    if (step.step === 'set' && isPayload(step.value))
      takers.set(step.value.at, new Set([...(takers.get(step.value.at) ?? []), step.cell.name]))
  return [...takers.values()].map((names) => [...names])
}

/** How a cell of the same name and type is one truth on two screens, each with its own. */
function copyOf(
  from: ScreenView,
  to: ScreenView,
  cell: string,
): { here: string; there: string; isMutual: boolean } | undefined {
  const [here, there] = [from.cells.get(cell), to.cells.get(cell)]
  if (here === undefined || there === undefined || !equal(here.type, there.type)) return undefined
  const isEdited = from.editedCells().has(cell)
  const isSetHere = isEdited || isTakenHere(from, cell)
  if (isSetHere && to.readCells().has(cell) && to.writersOf(cell).length === 0)
    return { here: isEdited ? 'edited' : 'set', there: 'shown', isMutual: false }
  return isEdited && to.editedCells().has(cell) && isOneRecord(from, to, cell)
    ? { here: 'edited', there: 'edited', isMutual: true }
    : undefined
}

/** Whether a report or an answer is put into it. */
function isTakenHere({ actions, screen }: ScreenView, cell: string): boolean {
  return (
    Object.hasOwn(screen.loads, cell) ||
    actions.some(({ all }) =>
      all.some(
        (step) =>
          (step.step === 'set' && step.cell.name === cell && isPayload(step.value)) ||
          (step.step === 'call' && step.into?.name === cell),
      ),
    )
  )
}

/** Whether both load it with the same operation, or send it to the same member of a source. */
function isOneRecord(from: ScreenView, to: ScreenView, cell: string): boolean {
  const places = (view: ScreenView) => {
    const load = view.screen.loads[cell]
    return [
      ...(load === undefined ? [] : [`load ${load.operation.source}.${load.operation.name} ${printed(load.given)}`]),
      ...sendings(view).flatMap(({ ref, members }) =>
        Object.entries(members)
          .filter(([, given]) => isReadable(given) && view.cellsBehind(given).has(cell))
          .map(([member]) => `${ref.source} ${member}`),
      ),
    ]
  }
  const here = places(from)
  return places(to).some((place) => here.includes(place))
}

/** What one screen holds and announces, and another keeps for itself when it hears it. */
function* announcedCopies(
  screens: ReadonlyMap<string, ScreenView>,
  isOwn: (screen: string, cell: string) => boolean,
): Iterable<Leak> {
  for (const [from, speaker] of screens)
    for (const { topic, cell } of announced(speaker).filter(({ cell }) => isOwn(from, cell)))
      for (const [to, hearer] of screens)
        for (const [name, { steps }] of Object.entries(hearer.screen.hears))
          for (const step of from === to || clauseIn(hearer.screen.topics, name)?.name !== topic ? [] : steps)
            if (
              step.step === 'set' &&
              isPayload(step.value) &&
              isOwn(to, step.cell.name) &&
              hearer.readCells().has(step.cell.name)
            )
              yield leak(
                ['screens', to],
                `'${to}' keeps in '${step.cell.name}' what '${from}' holds in '${cell}' and announces with '${topic}'`,
                { mend: `Lift it: give the journey a cell, and share it as '${cell}' and as '${step.cell.name}'.` },
              )
}

/** The topics that hand on what a cell of the screen holds. */
function announced(view: ScreenView): { topic: string; cell: string }[] {
  return view.actions.flatMap((placed) =>
    placed.all.flatMap((step) => {
      if (step.step !== 'announce') return []
      const topic = clauseIn(view.screen.topics, step.topic.name)?.name ?? step.topic.name
      if (isReadable(step.value)) return [...view.cellsBehind(step.value)].map((cell) => ({ topic, cell }))
      if (!isPayload(step.value)) return []
      return view
        .triggersOf(placed)
        .flatMap(({ fitting, event }) => editedBy(fitting, event).map((cell) => ({ topic, cell })))
    }),
  )
}
