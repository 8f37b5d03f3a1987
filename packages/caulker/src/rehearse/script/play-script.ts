import { equal, printed } from '../../contract/index.js'
import type { Wiring } from '../../machine/index.js'
import { CaulkerError, hint, messageOf } from '../../words/index.js'
import { rowOf, type RehearsedRow } from '../explore/ledger.js'
import { walkOver } from '../explore/walk.js'
import { happensIn, invariants, ownInvariant, type Passage } from '../invariants/index.js'
import { moveText, nameIn } from '../play/move.js'
import { nameOfWiring } from '../play/name.js'
import { playOf, type Play } from '../play/play.js'
import { keyed, shownIn } from '../play/sight.js'
import { withHosts } from './hosts.js'
import { isExpectation, type Expectation, type Script, type ScriptStep } from './model.js'

/** What came of a script. */
export interface PlayedScript {
  readonly title: string
  readonly of: string
  /** Step by step what the owner held, the components said and a person saw. */
  readonly ledger: readonly RehearsedRow[]
  /** The invariants that broke on the way, each where it did first. */
  readonly leaks: readonly { readonly invariant: string; readonly says: string; readonly step: number }[]
  /** The first step that was not as expected; nothing where all were. */
  readonly wrong: WrongStep | undefined
}

export interface WrongStep {
  /** Counted from 1. */
  readonly step: number
  readonly says: string
  readonly expected: unknown
  readonly found: unknown
}

const LOSSES = ['failure-keeps-typed', 'answer-yields', 'screens-keep-typed']

/**
 * Plays a script over ideal components, without a DOM, up to the first step that is not as expected.
 *
 * Throws a {@link CaulkerError} `bad-script` for a step that cannot be done or judged: a name that does not exist, a call that nobody waits for.
 *
 * @param initial where some cells start instead of at their initial values
 * @example
 * ```ts
 * import { contract, playScript, screen, script, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
 * })
 * const played = playScript(slip, script('A turn', slip, [{ edit: 'winch.turns', to: 1 }, { holds: 'turns', as: 2 }]))
 * console.assert(played.wrong?.step === 2 && played.wrong.found === 1)
 * ```
 */
export function playScript(
  wiring: Wiring,
  script: Script,
  { initial = {} }: { readonly initial?: Readonly<Record<string, unknown>> } = {},
): PlayedScript {
  const name = nameOfWiring(wiring)
  if (script.of !== name)
    throw new CaulkerError(
      'bad-script',
      `script '${script.title}' is of '${script.of}', and was to be played on '${name}'`,
    )
  const play = playOf(wiring, initial)
  const walk = walkOver(play, () => [])
  const sent: { operation: string; given: unknown }[] = []
  const leaks: PlayedScript['leaks'][number][] = []
  const watching = [...invariants, ...play.plan.rules.map(ownInvariant)]
  const lost = () => leaks.filter(({ invariant }) => LOSSES.includes(invariant)).map(({ says }) => says)
  const known = new Set<string>()
  let calls: Passage['happened']['calls'] = []
  const look = (passage: Passage, step: number) => {
    calls = passage.happened.calls
    for (const { source, operation, given } of calls) sent.push({ operation: `${source}.${operation}`, given })
    for (const one of watching)
      if (happensIn(one, passage))
        for (const { says, subject } of one.judge(passage)) {
          const key = `${one.id} ${subject}`
          if (!known.has(key)) leaks.push({ invariant: one.id, says, step })
          known.add(key)
        }
  }

  let node = walk.root({ edits: Infinity, failures: Infinity, part: -1 })
  walk.mount(node, (passage) => look(passage, 0))
  const ledger = [rowOf(play, 'in the beginning', undefined, node.kept, { sent: calls })]
  for (const [at, step] of withHosts(script).steps.entries()) {
    const place = `script '${script.title}', step ${at + 1}`
    if (isExpectation(step)) {
      const wrong = guarded(place, () => judge(play, step, sent, lost()))
      if (wrong === undefined) continue
      ledger.push(rowOf(play, `expected: ${wrong.says}`, node.kept, node.kept, aboutOf(play, step)))
      return { title: script.title, of: name, ledger, leaks, wrong: { step: at + 1, ...wrong } }
    }
    const before = node.kept
    node = guarded(place, () => walk.keep(walk.go(node, step, (passage) => look(passage, at + 1))))
    ledger.push(rowOf(play, moveText(step), before, node.kept, { ...aboutOf(play, step), sent: calls }))
  }
  return { title: script.title, of: name, ledger, leaks, wrong: undefined }
}

function guarded<T>(place: string, work: () => T): T {
  try {
    return work()
  } catch (thrown) {
    throw new CaulkerError('bad-script', `${place}: ${messageOf(thrown)}`)
  }
}

/** What a step is about is shown in its row, whether it changed or not. */
function aboutOf({ stage }: Play, step: ScriptStep): { cells?: number[]; fittings?: string[] } {
  if ('edit' in step) return { fittings: [nameIn(step.edit).fitting] }
  if ('shows' in step) return { fittings: [nameIn(step.shows).fitting] }
  const cell = 'holds' in step ? stage.machine.cells.findIndex(({ name }) => name === step.holds) : -1
  return cell < 0 ? {} : { cells: [cell] }
}

type Judged = Omit<WrongStep, 'step'> | undefined

function judge(
  { stage }: Play,
  step: Expectation,
  sent: readonly { operation: string; given: unknown }[],
  losses: readonly string[],
): Judged {
  const { driver } = stage
  const compared = (what: string, expected: unknown, found: unknown, isSame = equal(expected, found)): Judged =>
    isSame ? undefined : { says: `${what} ${printed(expected, 60)}, and it is ${printed(found, 60)}`, expected, found }
  if ('shows' in step) {
    const { fitting, name } = nameIn(step.shows)
    const part = stage.part(fitting, step.row)
    if (part === undefined)
      throw new Error(`screen '${driver.front()}' has no fitting '${fitting}'${hint(fitting, stage.parts().keys())}`)
    const names = [...Object.keys(part.fitting.contract.properties), ...Object.keys(part.fitting.contract.values)]
    if (!names.includes(name)) throw new Error(`'${fitting}' shows nothing of the name '${name}'${hint(name, names)}`)
    if (!driver.isShown(fitting)) return compared(`${step.shows} shows`, step.as, 'nothing: it is not rendered')
    return compared(`${step.shows} shows`, step.as, shownIn(stage.keep(), keyed(fitting, step.row), name))
  }
  if ('holds' in step) return compared(`${step.holds} holds`, step.as, driver.read(step.holds))
  if ('on' in step) {
    const screens = stage.machine.screens.map(({ name }) => name)
    if (!screens.includes(step.on)) throw new Error(`there is no screen '${step.on}'${hint(step.on, screens)}`)
    return compared('the person is on', step.on, driver.front())
  }
  if ('says' in step)
    return compared(`beside ${step.beside ?? 'the screen'} it says`, step.says, driver.problem(step.beside))
  if ('lost' in step)
    return losses.length === 0
      ? undefined
      : { says: `nothing is lost, and ${losses[0]}`, expected: 'nothing lost', found: losses[0] }
  const operations = stage.machine.sites.map(({ name }) => name)
  if (!operations.includes(step.sent)) throw new Error(`nothing sends '${step.sent}'${hint(step.sent, operations)}`)
  const all = sent.filter(({ operation }) => operation === step.sent)
  if (step.times !== undefined) {
    const wrong = compared(`${step.sent} was sent so many times:`, step.times, all.length)
    if (wrong !== undefined) return wrong
  }
  if (step.with === undefined)
    return step.times === undefined ? compared(`${step.sent} was sent:`, true, all.length > 0) : undefined
  const last = all.at(-1)?.given
  return compared(`${step.sent} was sent`, step.with, last, all.length > 0 && isPart(step.with, last))
}

/** Whether the members that are named are as they are named. */
function isPart(named: unknown, whole: unknown): boolean {
  if (typeof named !== 'object' || named === null || Array.isArray(named)) return equal(named, whole)
  return (
    typeof whole === 'object' &&
    whole !== null &&
    Object.entries(named).every(([key, value]) => equal(value, (whole as Record<string, unknown>)[key]))
  )
}
