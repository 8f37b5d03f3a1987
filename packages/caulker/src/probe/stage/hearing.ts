import { equal, eventNames, pointerParts, valueAt, valueClauses, type EventClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { hearConsole, snapshot, type SentEvent } from './around.js'
import { OWNED } from './owner.js'
import type { HeardThen } from './played.js'
import { formValuesOf, noteFault, readOf, rootOf, type Scene } from './scene.js'

/** More reports than this in one trail are a flood. */
export const MOST_REPORTS = 300

/** Takes a report as the owner does: it is noted as it was then, and goes into the cells unless the owner heeds nothing. */
export function hear(scene: Scene, event: string, payload: unknown, values?: Given): void {
  if (++scene.heardInAll > MOST_REPORTS) return
  const carried = valueClauses(scene.contract).filter((clause) => clause.event === event)
  const { plan, runner, since } = scene
  scene.owned.report(event, payload)
  const readings = Object.keys(scene.contract.readings).map((name) => [name, snapshot(readOf(scene, name))])
  const then = { readingsThen: Object.fromEntries(readings) as Given, isThere: rootOf(scene)?.isConnected === true }
  if (carried.length === 0) {
    // What asks before a value changes is heard while that stands as it was.
    const asking = valueClauses(scene.contract).find(({ vetoEvent }) => vetoEvent === event)
    const readThen = asking && snapshot(readOf(scene, asking.name))
    since.heard.push({ event, value: undefined, payload, readThen, knownThen: undefined, ...then })
    return
  }
  const noted = carried.map(({ name }): HeardThen => {
    const known = runner.state()[plan.bound.find((bound) => bound.name === name)?.known ?? -1]
    const reported = carried.length === 1 ? payload : values?.[name]
    return { event, value: name, payload: reported, readThen: readOf(scene, name), knownThen: known, ...then }
  })
  // One event may report several values: those that it only carries along are no reports of their own.
  const news = noted.filter((one) => !equal(one.payload, one.knownThen))
  since.heard.push(...(news.length > 0 ? news : noted.slice(0, 1)))
  if (scene.trail.setting !== 'unheeded') runner.hear(OWNED, event, payload, values)
}

/** Listens to what goes wrong, is said or is submitted on the page; gives a way to stop. */
export function listenAround(scene: Scene): () => void {
  const { view, container, contract } = scene
  const note = (event: Event) => {
    const { type, bubbles, composed, cancelable } = event
    if (event.target !== rootOf(scene)) return
    scene.since.sent.push({ event: type, bubbles, composed, cancelable, along: alongWith(scene, event) })
    if (scene.trail.setting === 'answering') promiseAnswer(scene, event)
  }
  for (const name of eventNames(contract)) container.addEventListener(name, note, true)
  const onError = (event: ErrorEvent) => {
    noteFault(scene, event.error ?? event.message)
    event.preventDefault()
  }
  const onRejection = (event: PromiseRejectionEvent) => {
    noteFault(scene, event.reason)
    event.preventDefault()
  }
  const stopSubmit = (event: SubmitEvent) => {
    if (isOfDialog(event)) return
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

/** HTML Standard, section 4.10.22.3: such a form is sent nowhere; it closes the dialog that it stands in. */
export function isOfDialog({ target, submitter }: SubmitEvent): boolean {
  const method = submitter?.getAttribute('formmethod') ?? (target as Element).getAttribute('method')
  return method?.toLowerCase() === 'dialog'
}

/** What an event carries of other names. */
function alongWith(scene: Scene, event: Event): SentEvent['along'] {
  const { contract } = scene
  const clauses = [
    ...valueClauses(contract).filter((value) => value.event === event.type),
    ...(Object.hasOwn(contract.events, event.type) ? [contract.events[event.type] as EventClause] : []),
  ]
  return clauses.flatMap(({ carries }) =>
    Object.entries(carries).map(([place, name]) => ({
      name,
      value: snapshot(valueAt(event, pointerParts(place) ?? [])),
      readThen: snapshot(readOf(scene, name)),
    })),
  )
}

/** An owner that hands over a promise, where the event takes one, and keeps it later. */
function promiseAnswer({ contract, answers }: Scene, event: Event): void {
  for (const draft of Object.values(contract.drafts)) {
    const parts = draft.answerAt === undefined ? undefined : pointerParts(draft.answerAt)
    const take: unknown = event.type === draft.event && parts !== undefined ? valueAt(event, parts) : undefined
    if (typeof take !== 'function') continue
    const promised = new Promise<void>((resolve, reject) =>
      answers.push({ give: resolve, fail: () => reject(new Error('the office is closed')) }),
    )
    promised.catch(() => undefined)
    ;(take as (answer: Promise<void>) => void)(promised)
  }
}

/** What it sends from its own element by itself; where it sends through something else, nothing is seen of it. */
export function watchStrays(scene: Scene): void {
  const element = rootOf(scene)
  if (element === undefined) return
  const declared = eventNames(scene.contract)
  const noteInside = (event: Event) => {
    const isFromInside = event.composedPath()[0] !== element
    if (!event.isTrusted && isFromInside && !declared.includes(event.type)) scene.since.fromInside.push(event.type)
  }
  for (const name of ['input', 'change']) element.addEventListener(name, noteInside)
  const { dispatchEvent } = element
  const { CustomEvent } = scene.view
  element.dispatchEvent = (event: Event) => {
    const isOwn = event instanceof CustomEvent || event.type === 'input' || event.type === 'change'
    if (isOwn && !declared.includes(event.type)) scene.since.strays.push(event.type)
    return dispatchEvent.call(element, event)
  }
}
