import { valueClauses } from '../../contract/index.js'
import { pictureOf } from '../sight/picture.js'
import { caretIn, hasFocusIn, idsIn, snapshot, type Around } from './around.js'
import { MOST_REPORTS } from './hearing.js'
import type { HeardThen, Row } from './played.js'
import { formOf, formValuesOf, nothingYet, readOf, rootOf, type Scene } from './scene.js'
import { settle } from './settle.js'
import { isPlaced } from './slots.js'
import { isGesture, type Move } from './trail.js'

/** Lets the scene settle, and writes down what its owner, the component and a person's eye have then. */
export async function rowAfter(scene: Scene, move: Move | undefined, impossible: string | undefined): Promise<Row> {
  const { contract, plan, runner } = scene
  const within =
    isGesture(move) && scene.trail.hasty !== true
      ? Math.max(0, ...valueClauses(contract).map((clause) => clause.within))
      : 0
  const settled = await settle(scene, within)
  const names = plan.cells.map(({ name }) => name)
  const held = names.map((name) => [name, snapshot(runner.read(name))] as const)
  const row: Omit<Row, 'fault' | 'heard' | 'spoils'> = {
    move,
    held: Object.fromEntries(held.filter(([, value]) => value !== undefined)),
    known: Object.fromEntries(plan.bound.map((bound) => [bound.name, runner.state()[bound.known]])),
    read: Object.fromEntries(names.map((name) => [name, snapshot(readOf(scene, name))])),
    readings: Object.fromEntries(Object.keys(contract.readings).map((name) => [name, snapshot(readOf(scene, name))])),
    ...(scene.since.gave === undefined ? {} : { gave: snapshot(scene.since.gave.value) }),
    around: aroundOf(scene),
    picture: settled.picture,
    impossible,
    unsettled: scene.heardInAll > MOST_REPORTS ? 'flood' : settled.isQuiet ? undefined : 'restless',
  }
  // Reading it may have gone wrong as well.
  const { heard, fault, spoils } = scene.since
  scene.since = nothingYet()
  // What is looked at later is what was true then.
  return { ...row, heard: heard.map(asItWas), fault, spoils }
}

function asItWas(heard: HeardThen): HeardThen {
  const { payload, readThen, knownThen } = heard
  return { ...heard, payload: snapshot(payload), readThen: snapshot(readThen), knownThen: snapshot(knownThen) }
}

function aroundOf(scene: Scene): Around {
  const { owned, place, plan, fills, twin, since } = scene
  const root = rootOf(scene)
  return {
    strays: since.strays,
    fromInside: since.fromInside,
    sent: since.sent,
    said: since.said,
    mutated: [
      ...owned.changed(),
      ...owned.resent(),
      ...since.heard.flatMap(({ event, payload }) => (owned.hasChanged(payload) ? [`the payload of ${event}`] : [])),
    ],
    formValues: formValuesOf(scene),
    submits: since.submits,
    isValid: isValid(formOf(scene)),
    twin: twin && {
      read: Object.fromEntries(plan.cells.map(({ name }) => [name, snapshot(readOf(scene, name, twin.mounted))])),
      picture: pictureOf(twin.place),
      sharedIds: idsIn(twin.place).filter((id) => idsIn(place).includes(id)),
    },
    unplaced: fills.filter((node) => !isPlaced(node, root)).length,
    hasFocus: hasFocusIn(place),
    caret: caretIn(place),
    attributes: Object.fromEntries([...(root?.attributes ?? [])].map(({ name, value }) => [name, value])),
  }
}

/** Looked at without a word: checkValidity() sends an event at which components show what is wrong (HTML, section 4.10.21.2). */
function isValid(form: HTMLFormElement | null | undefined): boolean | undefined {
  if (form === null || form === undefined) return undefined
  const isWrong = ({ willValidate, validity }: Partial<HTMLInputElement>) =>
    willValidate === true && validity?.valid === false
  return !form.matches(':invalid') && !([...form.elements] as Partial<HTMLInputElement>[]).some(isWrong)
}
