import { valueClauses, type CommandClause } from '../../contract/index.js'
import { allSteps, type Reckoned, type Steps } from '../../wiring/index.js'
import type { Subject } from '../reading/design-view.js'
import { designRule, leak, type Leak } from './rule.js'
import { clauseIn, type ScreenView } from '../reading/screen-view.js'

/** Steps that set off what sets them off, or a reckoned cell that is computed from itself. */
export const circularWiring = designRule({
  id: 'circular-wiring',
  level: 'error',
  title: 'A wiring goes round in a circle',
  why: 'Each turn sets off the next: what was just entered is reset by its own report, or the circle runs until the engine stops it and the last edit is lost.',
  mend: 'Break the circle: let one of the steps set a cell instead, which tells silently.',
  leaking: `
import { contract, run, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } }, commands: { reset: { effect: 'reset' } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 3 } },
  fittings: { winch },
  actions: ({ fittings }) => ({ again: [run(fittings.winch, 'reset')] }),
  bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { 'turns-set': actions.again } } }),
})`,
  mended: `
import { clear, contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } }, events: { jammed: {} }, commands: { reset: { effect: 'reset' } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 3 } },
  fittings: { winch },
  actions: ({ cells }) => ({ again: [clear(cells.turns)] }),
  bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { jammed: actions.again } } }),
})`,
  *find(design) {
    const views = [...design.screens, ...design.interiors.map(({ view }) => view)]
    for (const view of views) yield* reckonedCircles(view)
    const edges = views.flatMap(edgesOf)
    for (const circle of circlesIn(edges)) {
      const [first] = circle as [Edge]
      yield {
        ...leak(
          first.at,
          `${circle.map(({ from }) => nodeText(from)).join(' sets off ')} sets off ${nodeText(first.from)} again`,
        ),
        of: first.of,
      }
    }
  },
})

/** One event or topic whose steps set off another. */
interface Edge {
  readonly from: string
  readonly to: string
  readonly at: readonly string[]
  readonly of: Subject
}

function edgesOf(view: ScreenView): Edge[] {
  const of = { name: view.screen.name, written: view.screen }
  const heard: [string, readonly string[], Steps][] = [
    ...view.fittings.flatMap(({ name, handlers }) =>
      [...handlers].map(([event, { steps }]): [string, readonly string[], Steps] => [
        `${of.name} / ${name}.${event}`,
        ['bind', name, 'on', event],
        steps,
      ]),
    ),
    ...Object.entries(view.screen.hears).map(([name, { steps }]): [string, readonly string[], Steps] => [
      topicNode(view, name),
      ['hears', name],
      steps,
    ]),
  ]
  return heard.flatMap(([from, at, steps]) => setOffBy(view, steps).map((to) => ({ from, to, at, of })))
}

/** The reports of a command that resets, and the topics that are announced. */
function setOffBy(view: ScreenView, steps: Steps): string[] {
  return [...allSteps(steps)].flatMap((step) => {
    if (step.step === 'announce') return [topicNode(view, step.topic.name)]
    const fitting = step.step === 'run' ? view.fittings.find((one) => one.name === step.fitting.name) : undefined
    const command = step.step === 'run' ? clauseIn<CommandClause>(fitting?.contract.commands, step.command) : undefined
    if (fitting === undefined || command?.effect !== 'reset' || !command.reports) return []
    return valueClauses(fitting.contract).map(({ event }) => `${view.screen.name} / ${fitting.name}.${event}`)
  })
}

/** A topic is one thing on all screens, whatever each calls it. */
function topicNode({ screen }: ScreenView, name: string): string {
  return `topic ${clauseIn(screen.topics, name)?.name ?? name}`
}

function nodeText(node: string): string {
  return `'${node.replace(/^.* \/ /, '')}'`
}

function circlesIn(edges: readonly Edge[]): Edge[][] {
  const from = new Map<string, Edge[]>()
  for (const edge of edges) from.set(edge.from, [...(from.get(edge.from) ?? []), edge])
  const done = new Set<string>()
  const circles: Edge[][] = []
  const visit = (node: string, path: readonly Edge[]): void => {
    const back = path.findIndex((edge) => edge.from === node)
    if (back >= 0) return void circles.push(path.slice(back))
    if (done.has(node)) return
    for (const edge of from.get(node) ?? []) visit(edge.to, [...path, edge])
    done.add(node)
  }
  for (const node of from.keys()) visit(node, [])
  return circles
}

function* reckonedCircles({ screen }: ScreenView): Iterable<Leak & { of: Subject }> {
  const named = screen.reckoned as Record<string, Reckoned<unknown>>
  const inputsOf = (name: string) =>
    (named[name]?.inputs ?? []).filter(({ kind }) => kind === 'reckoned').map((one) => one.name)
  for (const start of Object.keys(named)) {
    const seen = new Set<string>()
    const reaches = (name: string): boolean => {
      for (const input of inputsOf(name)) {
        if (input === start) return true
        if (!seen.has(input) && seen.add(input) && reaches(input)) return true
      }
      return false
    }
    if (reaches(start))
      yield {
        ...leak(['reckoned', start], `'${start}' is computed from itself, so it never has a value`, {
          mend: 'Compute it from cells, or hold it in a cell of its own.',
        }),
        of: { name: screen.name, written: screen },
      }
  }
}
