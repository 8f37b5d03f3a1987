import { equal, valueClauses } from '../../contract/index.js'
import { restored } from './form-state.js'
import { fill } from './mounting.js'
import { OWNED } from './owner.js'
import { formOf, noteFault, readOf, rootOf, type Scene } from './scene.js'
import type { Call, Move } from './trail.js'

/** Makes one move of a trail; gives the reason where it cannot be made. */
export function make(scene: Scene, move: Move): string | undefined | Promise<string | undefined> {
  const { runner, place } = scene
  if ('gesture' in move) return scene.person.act(move.gesture)
  if ('tell' in move) runner.setAll(move.tell)
  else if ('command' in move) callCommand(scene, move)
  else if ('retell' in move) scene.mounted?.tell({ [move.retell]: runner.read(move.retell) })
  else if ('slot' in move) fill(scene, rootOf(scene), move)
  else if ('offType' in move) setOn(scene, move.offType, move.to)
  else if ('undeclared' in move) setOn(scene, move.undeclared, move.to)
  else if ('form' in move) {
    if (move.form === 'restore') return restored(rootOf(scene), scene.recorded)
    if (move.form === 'reset') formOf(scene)?.reset()
    else place.setAttribute('disabled', '')
  } else if ('attribute' in move) {
    if (move.text === null) rootOf(scene)?.removeAttribute(move.attribute)
    else rootOf(scene)?.setAttribute(move.attribute, move.text)
  } else if ('answer' in move) return answer(scene, move)
  else if ('writesInto' in move) return writeInto(scene.owned.last(move.writesInto))
  else if ('wait' in move) return pass(scene, move.wait)
  else {
    const element = rootOf(scene)
    if (element === undefined) return 'it is no element of its own'
    if (move.place === 'away') return void element.remove()
    place.appendChild(scene.options.document.createElement('div')).append(element)
  }
  return undefined
}

function setOn(scene: Scene, name: string, to: unknown): void {
  ;(rootOf(scene) as never as Record<string, unknown>)[name] = to
}

function answer({ answers }: Scene, { answer: how, to }: Extract<Move, { answer: unknown }>): string | undefined {
  const asked = answers[to]
  if (asked === undefined) return 'it never asked its owner for that answer'
  if (how === 'given') asked.give()
  else asked.fail()
  return undefined
}

/** Time passes in frames; where nothing waits for it, none has to. */
async function pass({ options: { frames } }: Scene, milliseconds: number): Promise<undefined> {
  const count = Math.ceil(milliseconds / frames.milliseconds)
  for (let frame = 0; frame < count && frames.isStill?.() !== true; frame++) await frames.next()
}

/** What a command changes without a report, whoever called it knows. */
function callCommand(scene: Scene, call: Call): void {
  const { contract, owned, runner } = scene
  const name = call.command
  const given = Object.hasOwn(call, 'takes') ? [owned.copy({ [`what ${name} takes`]: call.takes })] : []
  const result = scene.mounted?.command(name, ...given.flatMap(Object.values))
  const take = (value: unknown) => void (scene.since.gave = { value })
  if (isPromise(result)) result.then(take, (thrown: unknown) => noteFault(scene, thrown))
  else take(result)
  if (contract.commands[name]?.reports !== false) return
  for (const value of valueClauses(contract)) {
    const now = readOf(scene, value.name)
    if (now !== undefined && !equal(now, runner.read(value.name)))
      runner.hear(OWNED, value.event, now, { [value.name]: now })
  }
}

/** What was handed over is its owner's: lists lose their last entry, and members what they say. */
function writeInto(object: object | undefined): string | undefined {
  if (object === undefined || Object.isFrozen(object)) return 'it brought nothing that can be written into'
  for (const [key, member] of Object.entries(object))
    if (typeof member === 'object' && member !== null) writeInto(member as object)
    else if (!Array.isArray(object)) Reflect.set(object, key, null)
  if (Array.isArray(object)) object.pop()
  return undefined
}

function isPromise(value: unknown): value is Promise<unknown> {
  return typeof (value as { then?: unknown } | undefined)?.then === 'function'
}
