import { allSteps, type AnyOperation, type Load, type Step, type Steps } from '../../wiring/index.js'
import { givenOf } from './given.js'
import type { CallSite, Given, PlannedStep, SubmitPlan } from './machine.js'
import type { Part } from './part.js'

/** The steps of an action, with cells and fittings as numbers; a step that names something unknown is left out. */
export function planSteps(part: Part, steps: Steps): PlannedStep[] {
  return steps.flatMap((one) => planStep(part, one) ?? [])
}

function planStep(part: Part, one: Step): PlannedStep | undefined {
  const { building, screen } = part
  const given = (value: unknown) => givenOf(value, part.slotOf)
  if (one.step === 'set' || one.step === 'clear') {
    const cell = part.cells.get(one.cell.name)
    if (cell === undefined) return undefined
    const value: Given =
      one.step === 'set' ? given(one.value) : { from: 'constant', value: building.clauses[cell]?.initial }
    return {
      step: 'set',
      cell,
      member: one.cell.row === undefined ? undefined : one.cell.member,
      value,
      isClear: one.step === 'clear',
    }
  }
  if (one.step === 'run') {
    const fitting = part.fittings.get(one.fitting.name)
    return fitting === undefined ? undefined : { step: 'run', fitting, command: one.command, args: one.args.map(given) }
  }
  if (one.step === 'call') {
    const site = addSite(part, 'call', one.operation, given(one.given), one.into?.name, one.then, one.fails)
    return site === undefined ? undefined : { step: 'call', site }
  }
  if (one.step === 'refresh') {
    const load = screen.loads[one.cell.name]
    const [site] = load === undefined ? [] : planLoad(part, one.cell.name, load)
    return site === undefined ? undefined : { step: 'refresh', site }
  }
  if (one.step === 'save' || one.step === 'discard') {
    const drafts = draftsOf(part, one.fitting.name)
    if (one.step === 'discard') return { step: 'discard', drafts }
    const site =
      one.to === undefined
        ? -1
        : addSite(
            part,
            'save',
            one.to,
            given(one.given ?? copiesOf(part, drafts)),
            undefined,
            one.then,
            one.fails,
            drafts,
          )
    return site === undefined ? undefined : { step: 'save', drafts, site }
  }
  if (one.step === 'go')
    return {
      step: 'go',
      to: building.screens.indexOf(one.to),
      name: one.to,
      when: one.when === undefined ? undefined : given(one.when),
      otherwise: one.otherwise,
    }
  if (one.step === 'announce')
    return {
      step: 'announce',
      topic: screen.topics[one.topic.name]?.name ?? one.topic.name,
      value: given(one.value),
    }
  if (one.step === 'report') return { step: 'report', event: one.event.name, value: given(one.value) }
  return { step: one.step }
}

/** What fills a cell: one site for each, however often it is refreshed. */
export function planLoad(part: Part, cell: string, { operation, given }: Load<unknown>): number[] {
  const into = part.cells.get(cell)
  const before = part.building.sites.findIndex(
    (site) => site.kind === 'load' && site.screen === part.at && site.into === into,
  )
  if (before >= 0) return [before]
  const made = addSite(part, 'load', operation, givenOf(given, part.slotOf), cell, [], [])
  return made === undefined ? [] : [made]
}

export function planSubmit(part: Part): SubmitPlan | undefined {
  const { submit } = part.screen
  if (submit === undefined) return undefined
  const [source, name] = submit.to.split('.') as [string, string]
  const readables = Object.entries(submit.sends).flatMap(([member, of]): [string, number][] => {
    const slot = part.cells.get(of) ?? part.slotOf({ kind: 'reckoned', name: of } as never)
    return slot === undefined ? [] : [[member, slot]]
  })
  const given: Given = {
    from: 'object',
    members: readables.map(([member, slot]) => [member, { from: 'slot', slot }] as const),
  }
  const site = addSite(part, 'submit', { kind: 'operation', source, name }, given, undefined, submit.then, submit.fails)
  return site === undefined
    ? undefined
    : {
        site,
        sends: new Map(readables),
        heldBy: Object.entries(submit.heldBy).flatMap(([name, by]): [number, number][] => {
          const [cell, slot] = [
            part.cells.get(name),
            part.cells.get(by) ?? part.slotOf({ kind: 'reckoned', name: by } as never),
          ]
          return cell === undefined || slot === undefined ? [] : [[cell, slot]]
        }),
        needs: Object.entries(submit.needs).flatMap(([name, text]): [number, string][] => {
          const cell = part.cells.get(name)
          return cell === undefined ? [] : [[cell, text]]
        }),
      }
}

function addSite(
  part: Part,
  kind: CallSite['kind'],
  { source, name }: AnyOperation,
  given: Given,
  into: string | undefined,
  then: Steps,
  fails: Steps,
  drafts: readonly number[] = [],
): number | undefined {
  const { building, screen, cells } = part
  const operation = screen.sources[source]?.operations[name]
  if (operation === undefined) return undefined
  const target = into === undefined ? -1 : (cells.get(into) ?? -1)
  const written = [...allSteps(then), ...allSteps(fails)].flatMap((one) =>
    one.step === 'set' || one.step === 'clear' ? (cells.get(one.cell.name) ?? []) : [],
  )
  const copied = drafts.flatMap((draft) => building.drafts[draft]?.cell ?? [])
  const at = building.sites.length
  const site = {
    kind,
    screen: part.at,
    source,
    operation,
    name: `${source}.${name}`,
    given,
    into: target,
    writes: [...new Set([...copied, ...(target < 0 ? [] : [target]), ...written])],
    then: [] as readonly PlannedStep[],
    fails: [] as readonly PlannedStep[],
  }
  building.sites.push(site)
  site.then = planSteps(part, then)
  site.fails = planSteps(part, fails)
  return at
}

function draftsOf(part: Part, fitting: string): number[] {
  return [...part.drafts].flatMap(([name, at]) => (name.startsWith(`${fitting}.`) ? [at] : []))
}

/** What is sent where nothing is said: each cell by its name. */
function copiesOf(part: Part, drafts: readonly number[]): object {
  const names = [...part.cells].filter(([, cell]) => drafts.some((at) => part.building.drafts[at]?.cell === cell))
  return Object.fromEntries(names.map(([name]) => [name, { kind: 'cell', name }]))
}
