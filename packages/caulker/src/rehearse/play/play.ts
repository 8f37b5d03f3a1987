import { CaulkerError, hint } from '../../words/index.js'
import { clauseOf, eventNames, isValue, type TSchema } from '../../contract/index.js'
import type { PendingCall, PlannedStep, Wiring } from '../../machine/index.js'
import { isPersons, nameIn, type Move } from './move.js'
import { ownRulesOf } from './own-rules.js'
import { planOf, type Plan } from './plan.js'
import { isMarked, isThere, keyed } from './sight.js'
import { stageOf, type Happened, type Kept, type Part, type Stage } from './stage.js'

/** A wiring that is played move by move; each move runs until all that follows from it has settled. */
export interface Play {
  readonly plan: Plan
  readonly stage: Stage
  /** The field that a person is in, where what is typed there is not finished; by fitting and row. */
  focus(): string | undefined
  /** What stands now, until the next move. */
  look(): KeptPlay
  keep(): KeptPlay
  bring(kept: KeptPlay): void
  perform(move: Move): Played
}

export interface KeptPlay extends Kept {
  readonly focus: string | undefined
}

/** What one move has done. */
export interface Played {
  readonly happened: Happened
  /** The field that was left, and what stood then, just before the rest of the move; nothing where none was. */
  readonly left: string | undefined
  readonly middle: Kept | undefined
  /** The steps that the move set off. */
  readonly ran: readonly PlannedStep[]
  /** The call that was answered. */
  readonly answered: PendingCall | undefined
}

export function playOf(wiring: Wiring, initial: Readonly<Record<string, unknown>> = {}): Play {
  const stage = stageOf(wiring, initial)
  const { machine, driver } = stage
  const plan = planOf(machine, ownRulesOf(wiring, machine))
  let focus: string | undefined

  /** A person goes elsewhere: the field in which they typed is left. */
  function leave(): string | undefined {
    const left = focus
    focus = undefined
    const part = left === undefined ? undefined : stage.parts().get(left)
    if (part === undefined) return undefined
    void part.commit()
    driver.leave(part.fitting.name)
    return left
  }

  function edit({ edit, to, row }: Extract<Move, { edit: string }>): void {
    const { fitting, name } = nameIn(edit)
    const part = visible(fitting, row)
    const clause = clauseOf(part.fitting.contract, name)
    if (clause === undefined || !isValue(clause))
      throw unknown(`'${fitting}' has no value`, name, Object.keys(part.fitting.contract.values))
    const isFree = isTyped(clause.type)
    driver.edit(fitting)
    part.edit(name, to, isFree && clause.reports === 'edit')
    focus = keyed(fitting, row)
    // What is chosen is finished with the choice; what is typed, once it is left.
    if (!isFree || !isUnfinished(part)) leave()
  }

  function isUnfinished(part: Part): boolean {
    return part.component.isPending(part.state) || isMarked({ slots: driver.state() }, machine, part.index)
  }

  function visible(fitting: string, row: string | undefined): Part {
    const part = stage.part(fitting, row)
    if (part === undefined)
      throw unknown(`screen '${driver.front()}' has no fitting`, keyed(fitting, row), [...stage.parts().keys()])
    if (!isSeen(part))
      throw new CaulkerError('bad-argument', `'${fitting}' is not shown now, so nothing can be done there`)
    return part
  }

  /** The call of an operation that waits, counted from the oldest. */
  function waiting(operation: string, which = 0, isExpired = false): PendingCall {
    const calls = driver.state()[machine.slots.calls] as readonly PendingCall[]
    const named = (call: PendingCall) => machine.sites[call.site]?.name ?? ''
    const all = calls.filter((call) => !call.isWaiting && call.isExpired === isExpired)
    const found = all.filter((call) => named(call) === operation)[which]
    if (found !== undefined) return found
    throw unknown(`no call waits for an answer of`, operation, all.map(named))
  }

  function perform(move: Move): Played {
    stage.takeHappened()
    const isAway = isPersons(move) && !isAt(move, focus)
    const left = isAway ? leave() : undefined
    const middle = left === undefined ? undefined : stage.keep()
    const follows = stepsOf(move)
    const answered =
      'answer' in move
        ? waiting(move.answer, move.which)
        : 'fail' in move
          ? waiting(move.fail, move.which)
          : 'never' in move
            ? waiting(move.never, move.which)
            : 'late' in move
              ? waiting(move.late, 0, true)
              : undefined
    // What stood there may be gone with what was left: then nothing more is done.
    if (left === undefined || isStillThere(move)) carryOut(move, answered)
    const part = focus === undefined ? undefined : stage.parts().get(focus)
    // What was taken away or hidden, or is finished by what followed, is not being typed in any more.
    if (part === undefined || !isSeen(part) || !isUnfinished(part)) focus = undefined
    const happened = stage.takeHappened()
    const heard = happened.reports.flatMap(({ fitting, event }) => fitting.hears.get(event)?.steps ?? [])
    return { happened, left, middle, ran: [...heard, ...follows], answered }
  }

  function isStillThere(move: Move): boolean {
    const at = 'edit' in move ? move.edit : 'press' in move ? move.press : undefined
    if (at === undefined) return true
    const part = stage.part(nameIn(at).fitting, 'row' in move ? move.row : undefined)
    return part !== undefined && isSeen(part)
  }

  function isSeen({ fitting }: Part): boolean {
    return isThere({ slots: driver.state(), parts: new Map() }, fitting)
  }

  function carryOut(move: Move, answered: PendingCall | undefined): void {
    if ('edit' in move) return edit(move)
    if ('leave' in move) {
      const { fitting } = visible(nameIn(move.leave).fitting, move.row)
      focus = keyed(fitting.name, move.row)
      return void leave()
    }
    if ('press' in move) {
      const { fitting, name } = nameIn(move.press)
      const part = visible(fitting, move.row)
      const known = [...eventNames(part.fitting.contract)]
      if (!known.includes(name)) throw unknown(`'${fitting}' has no event`, name, known)
      return driver.hear(fitting, name, move.with ?? null, {}, move.row)
    }
    if ('travel' in move) {
      const { entries, at } = driver.way()
      const to = at + (move.travel === 'back' ? -1 : 1)
      if (to < 0 || to >= entries.length)
        throw new CaulkerError('bad-argument', `there is no screen to go ${move.travel} to`)
      return driver.travel(to)
    }
    if ('form' in move) return move.form === 'submit' ? driver.submit() : driver.reset(true)
    if ('set' in move) return void driver.setAll(move.set)
    if ('pass' in move) return stage.parts().forEach((part) => part.pass(move.pass))
    const id = (answered as PendingCall).id
    if ('fail' in move) return driver.answer(id, { failed: move.because, problems: move.problems ?? {} })
    if ('never' in move) return driver.answer(id, { failed: 'There was no answer in time', isOverdue: true })
    driver.answer(id, { given: move.given })
  }

  /** The steps that a person or a source sets off, besides what the reports of components do. */
  function stepsOf(move: Move): readonly PlannedStep[] {
    if ('press' in move) {
      const { fitting, name } = nameIn(move.press)
      return stage.part(fitting, move.row)?.fitting.hears.get(name)?.steps ?? []
    }
    if ('answer' in move) return machine.sites[waiting(move.answer, move.which).site]?.then ?? []
    if ('fail' in move) return machine.sites[waiting(move.fail, move.which).site]?.fails ?? []
    if ('never' in move) return machine.sites[waiting(move.never, move.which).site]?.fails ?? []
    return []
  }

  const withFocus = ({ slots, parts }: Kept): KeptPlay => ({ slots, parts, focus })

  return {
    plan,
    stage,
    focus: () => focus,
    look: () => withFocus(stage.look()),
    keep: () => withFocus(stage.keep()),
    bring(kept) {
      stage.bring(kept)
      focus = kept.focus
    },
    perform,
  }
}

/** Whether a text or a number is typed letter by letter, and not chosen out of a few. */
function isTyped(type: TSchema): boolean {
  const { type: kind, anyOf } = type as { type?: string | readonly string[]; anyOf?: readonly TSchema[] }
  if ('enum' in type || 'const' in type) return false
  if (anyOf !== undefined) return anyOf.some(isTyped)
  return [kind].flat().some((one) => one === 'string' || one === 'number' || one === 'integer')
}

function isAt(move: Move, focus: string | undefined): boolean {
  if ('edit' in move) return keyed(nameIn(move.edit).fitting, move.row) === focus
  if ('leave' in move) return keyed(nameIn(move.leave).fitting, move.row) === focus
  return 'press' in move && keyed(nameIn(move.press).fitting, move.row) === focus
}

function unknown(what: string, name: string, names: Iterable<string>): CaulkerError {
  return new CaulkerError('unknown-name', `${what} '${name}'${hint(name, names)}`)
}
