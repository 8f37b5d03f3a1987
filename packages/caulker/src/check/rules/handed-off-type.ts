import { accepts, printed, typeText, type CommandClause, type TSchema } from '../../contract/index.js'
import { isPayload, type Step } from '../../wiring/index.js'
import { carriedSteps, typeAt } from '../reading/carried.js'
import { isReadable } from '../reading/given.js'
import { clauseIn, type ScreenView } from '../reading/screen-view.js'
import { compared } from './compared.js'
import { leak, screenRule, type Leak } from './rule.js'

/** A step that hands on what its target does not take. */
export const handedOffType = screenRule({
  id: 'handed-off-type',
  level: 'error',
  title: 'A step hands on what its target does not take',
  why: 'The cell refuses it, the command throws or the topic carries what nobody expects: the step has no effect, or the wrong one.',
  mend: 'Hand on what the target takes, or put a reckoned cell between them that converts.',
  leaking: `
import { contract, payload, screen, set, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Object({ feet: Type.String() }) } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: [set(cells.turns, payload('/feet') as never)] } } }),
})`,
  mended: `
import { contract, payload, screen, set, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Object({ feet: Type.Integer() }) } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns), on: { slipped: [set(cells.turns, payload('/feet') as never)] } } }),
})`,
  *find(view) {
    for (const { at, step, carried, bare } of carriedSteps(view)) {
      const target = bare === undefined ? undefined : takesPayload(step)
      if (target !== undefined)
        yield leak(at, `${bare}, and ${target} is to take what it carries`, {
          mend: 'Hand on a cell or a constant; or say what is carried, under payload of the event or gives of the operation.',
        })
      else yield* stepMismatch(view, at, step, carried)
    }
  },
})

/** What a step hands the payload to. */
function takesPayload(step: Step): string | undefined {
  if (step.step === 'set') return isPayload(step.value) ? `the cell '${step.cell.name}'` : undefined
  if (step.step === 'announce') return isPayload(step.value) ? `the topic '${step.topic.name}'` : undefined
  if (step.step !== 'run') return undefined
  return step.args.some(isPayload) ? `'${step.fitting.name}.${step.command}'` : undefined
}

/** What a step sets, announces, reports or hands to a command, against what is there to take it. */
function* stepMismatch(
  view: ScreenView,
  at: readonly string[],
  step: Step,
  carried: TSchema | undefined,
): Iterable<Leak> {
  if (step.step === 'set') {
    const takes = view.typeOf(step.cell)
    if (isPayload(step.value) || isReadable(step.value))
      yield* handed(view, at, step.value, takes, `the cell '${step.cell.name}'`, carried)
    else if (takes !== undefined && step.value !== undefined && !accepts(takes, step.value))
      yield leak(
        at,
        `sets '${step.cell.name}' to ${printed(step.value)}, and the type of '${step.cell.name}' is ${typeText(takes)}`,
        { mend: `Set '${step.cell.name}' to a value of its type.` },
      )
  }
  const topic = step.step === 'announce' ? view.screen.topics[step.topic.name]?.payload : undefined
  if (step.step === 'announce' && step.value === undefined && topic !== undefined)
    yield leak(at, `the topic '${step.topic.name}' carries ${typeText(topic)}, and is given nothing`, {
      mend: 'Give it what it carries.',
    })
  else if (step.step === 'announce')
    yield* handed(view, at, step.value, topic, `the topic '${step.topic.name}'`, carried)
  if (step.step === 'run') {
    const command = clauseIn<CommandClause>(view.screen.fittings[step.fitting.name]?.commands, step.command)
    if (command === undefined) return
    const target = `'${step.fitting.name}.${step.command}'`
    if (command.takes === undefined && step.args.length > 0)
      yield leak(at, `${target} takes nothing, and is given ${printed(step.args[0])}`, { mend: 'Leave it out.' })
    else if (command.takes !== undefined && step.args.length === 0)
      yield leak(at, `${target} takes ${typeText(command.takes)}, and is given nothing`, {
        mend: 'Give it what it takes.',
      })
    else yield* handed(view, at, step.args[0], command.takes, target, carried)
  }
}

/** A constant, a cell or a payload that is handed to something with a type. */
function* handed(
  view: ScreenView,
  at: readonly string[],
  value: unknown,
  takes: TSchema | undefined,
  target: string,
  carried: TSchema | undefined,
): Iterable<Leak> {
  if (takes === undefined || value === undefined) return
  if (isPayload(value)) {
    const part = typeAt(carried, value.at)
    const where = value.at === '' ? 'what is heard' : `what is heard, at ${value.at},`
    if (part !== undefined)
      yield* compared(
        at,
        part,
        takes,
        (witness) => `${where} may be ${witness}, and ${target} takes ${typeText(takes)}`,
      )
    else if (hasMembers(carried))
      yield leak(at, `what is heard carries nothing at ${value.at}, and ${target} takes ${typeText(takes)}`, {
        mend: `It carries ${typeText(carried as TSchema)}; point into it, or leave the pointer out.`,
      })
  } else if (isReadable(value)) {
    const held = view.typeOf(value)
    if (held !== undefined)
      yield* compared(
        at,
        held,
        takes,
        (witness) => `'${value.name}' may hold ${witness}, and ${target} takes ${typeText(takes)}`,
      )
  } else if (!accepts(takes, value))
    yield leak(at, `${target} takes ${typeText(takes)}, and is given ${printed(value)}`, {
      mend: 'Give it a value of its type.',
    })
}

function hasMembers(type: TSchema | undefined): boolean {
  return type !== undefined && 'properties' in type
}
