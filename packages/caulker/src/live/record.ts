import { equal } from '../contract/index.js'
import { driverOf } from '../dom/index.js'
import type { Driver, Input, PendingCall } from '../machine/index.js'
import { withoutHosts, type Move, type Script, type ScriptStep } from '../rehearse/index.js'

/** What is done at a mounted screen or journey, as steps of a script. */
export interface Recorder {
  /** The script so far, ready to be played or written to a JSON file. */
  script(title: string): Script
  /** Expects at this point that a cell holds what it holds now. */
  expectNow(cell: string): void
  /** Nothing more is recorded. */
  stop(): void
}

/**
 * Writes down what a person, the owner and the sources do at a mounted screen or journey from now on, as a script that can be played again.
 *
 * Throws a {@link CaulkerError} `bad-argument` for what was not mounted by `mountScreen` or `mountJourney`.
 *
 * @example
 * ```ts
 * import { playScript, screen, twoWay, Type } from 'caulker'
 * import { mountScreen, nativeText } from 'caulker/dom'
 * import { recorder } from 'caulker/inspector'
 * document.body.innerHTML = '<label>Vessel <input data-fitting="vessel"></label>'
 * const slip = screen('slipway', {
 *   cells: { vessel: { type: Type.String(), initial: '' } },
 *   fittings: { vessel: nativeText },
 *   bind: ({ cells }) => ({ vessel: { value: twoWay(cells.vessel) } }),
 * })
 * const recording = recorder(mountScreen(slip, document.body))
 * const field = document.querySelector('input')
 * Object.assign(field, { value: 'Heron' }).dispatchEvent(new Event('input', { bubbles: true }))
 * const script = recording.script('She is named')
 * console.assert(JSON.stringify(script.steps) === '[{"edit":"vessel.value","to":"Heron"}]')
 * console.assert(playScript(slip, script).wrong === undefined)
 * ```
 */
export function recorder(mounted: object): Recorder {
  const driver = driverOf(mounted)
  const steps: ScriptStep[] = []
  const stop = driver.onInput((input) => {
    for (const move of movesOf(driver, input)) add(steps, move)
  })
  return {
    script: (title) => withoutHosts({ kind: 'script', title, of: driver.machine.name, steps }),
    expectNow: (cell) => void steps.push({ holds: cell, as: driver.read(cell) }),
    stop,
  }
}

/** A text that is typed letter by letter is one edit; a field that was only passed through is not left. */
function add(steps: ScriptStep[], move: Move): void {
  const last = steps.at(-1)
  if (last !== undefined && 'edit' in last && 'edit' in move && last.edit === move.edit && last.row === move.row)
    steps.pop()
  if ('leave' in move) {
    const isEdited = last !== undefined && 'edit' in last && last.edit.startsWith(`${move.leave}.`)
    if (!isEdited) return
  }
  steps.push(move)
}

function movesOf(driver: Driver, input: Input): Move[] {
  const { machine } = driver
  const row = 'row' in input && input.row !== undefined ? { row: input.row } : {}
  switch (input.kind) {
    case 'report': {
      const { name } = machine.fittings[input.fitting] as { name: string }
      const values = Object.entries(input.values)
      if (values.length > 0) return values.map(([value, to]) => ({ edit: `${name}.${value}`, to, ...row }))
      const isPress = input.event === 'press'
      return [{ press: isPress ? name : `${name}.${input.event}`, ...carried(input.payload, isPress), ...row }]
    }
    case 'leave':
      return [{ leave: machine.fittings[input.fitting]?.name ?? '', ...row }]
    case 'set':
      return [{ set: Object.fromEntries(input.changes.map(([cell, value]) => [nameOf(driver, cell), value])) }]
    case 'submit':
    case 'reset':
      return [{ form: input.kind }]
    case 'travel':
      return input.at === driver.way().at ? [] : [{ travel: input.at < driver.way().at ? 'back' : 'forward' }]
    case 'answer':
      return answerOf(driver, input)
    default:
      return []
  }
}

/** What an event carries, where a file can hold it. */
function carried(payload: unknown, isPress: boolean): { with?: unknown } {
  if (isPress || payload === null || payload === undefined) return {}
  try {
    return equal(JSON.parse(JSON.stringify(payload)), payload) ? { with: payload } : {}
  } catch {
    return {}
  }
}

/** A cell by the name that the screen in front gives it. */
function nameOf({ machine, cellNames, index }: Driver, cell: number): string {
  return cellNames().find((name) => index('cell', name) === cell) ?? machine.cells[cell]?.name ?? ''
}

function answerOf({ machine, state }: Driver, { id, answer }: Extract<Input, { kind: 'answer' }>): Move[] {
  const calls = state()[machine.slots.calls] as readonly PendingCall[]
  const call = calls.find((one) => one.id === id)
  const operation = (one: PendingCall) => machine.sites[one.site]?.name ?? ''
  if (call === undefined) return []
  const name = operation(call)
  const before = calls.filter((one) => !one.isExpired && !one.isWaiting && operation(one) === name).indexOf(call)
  const which = before > 0 ? { which: before } : {}
  if ('given' in answer)
    return call.isExpired ? [{ late: name, given: answer.given }] : [{ answer: name, given: answer.given, ...which }]
  if (answer.isOverdue === true) return [{ never: name, ...which }]
  const problems = Object.keys(answer.problems ?? {}).length > 0 ? { problems: answer.problems ?? {} } : {}
  return [{ fail: name, because: answer.failed, ...problems, ...which }]
}
