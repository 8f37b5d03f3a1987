import { eventNames, valueClauses } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { hearConsole } from './around.js'
import { OWNED } from './owner.js'
import { formValuesOf, noteFault, readOf, rootOf, type Scene } from './scene.js'

/** More reports than this in one trail are a flood. */
export const MOST_REPORTS = 300

/** Takes a report as the owner does: it is noted as it was then, and goes into the cells unless the owner heeds nothing. */
export function hear(scene: Scene, event: string, payload: unknown, values?: Given): void {
  if (++scene.heardInAll > MOST_REPORTS) return
  const value = valueClauses(scene.contract).find((clause) => clause.event === event)
  const { plan, runner, since } = scene
  if (value === undefined) {
    since.heard.push({ event, value: undefined, payload, readThen: undefined, knownThen: undefined })
    return
  }
  const known = runner.state()[plan.bound.find((bound) => bound.name === value.name)?.known ?? -1]
  since.heard.push({ event, value: value.name, payload, readThen: readOf(scene, value.name), knownThen: known })
  if (scene.trail.setting !== 'unheeded') runner.hear(OWNED, event, payload, values)
}

/** Listens to what goes wrong, is said or is submitted on the page; gives a way to stop. */
export function listenAround(scene: Scene): () => void {
  const { view } = scene
  const onError = (event: ErrorEvent) => {
    noteFault(scene, event.error ?? event.message)
    event.preventDefault()
  }
  const onRejection = (event: PromiseRejectionEvent) => {
    noteFault(scene, event.reason)
    event.preventDefault()
  }
  const stopSubmit = (event: Event) => {
    event.preventDefault()
    scene.since.submits.push(formValuesOf(scene))
  }
  const hush = hearConsole(() => scene.since.said++)
  view.addEventListener('error', onError)
  view.addEventListener('unhandledrejection', onRejection)
  view.addEventListener('submit', stopSubmit)
  return () => {
    hush()
    view.removeEventListener('error', onError)
    view.removeEventListener('unhandledrejection', onRejection)
    view.removeEventListener('submit', stopSubmit)
  }
}

/** What it sends from its own element by itself; where it sends through something else, nothing is seen of it. */
export function watchStrays(scene: Scene): void {
  const element = rootOf(scene)
  if (element === undefined) return
  const declared = eventNames(scene.contract)
  const { dispatchEvent } = element
  const { CustomEvent } = scene.view
  element.dispatchEvent = (event: Event) => {
    const isOwn = event instanceof CustomEvent || event.type === 'input' || event.type === 'change'
    if (isOwn && !declared.includes(event.type)) scene.since.strays.push(event.type)
    return dispatchEvent.call(element, event)
  }
}
