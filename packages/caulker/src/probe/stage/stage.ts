import { equal, eventNames, givenClauses, messageOf, valueClauses, type AnyContract } from '../../contract/index.js'
import { createRunner, type Runner } from '../../engine/index.js'
import { compile, oneWay, screen, twoWay, type Plan } from '../../wiring/index.js'
import type { Frames } from './frames.js'
import type { NamedGesture } from '../person/named-gesture.js'
import { personAt } from '../person/index.js'
import { trustedPersonAt, type Hands } from '../person/trusted.js'
import { caretIn, hearConsole, idsIn, ownObjects, snapshot, type Around } from './around.js'
import { guardOf } from './guard.js'
import { EMPTY_PICTURE, pictureOf, samePicture, type Picture } from '../sight/picture.js'
import { restored, stateOf, type FormState } from './form-state.js'
import { attributesFor, FORM_NAME, placeFor, reversed, undefinedElement } from './settings.js'
import { fillSlot, isPlaced } from './slots.js'
import { isGesture, type Call, type Fill, type Move, type Setting, type Trail } from './trail.js'
import type { Given, Mount, Mounted } from '../../mount/index.js'

/** What was heard at one step of a trail. */
export interface HeardThen {
  readonly event: string
  /** The two-way value that it reports, if it reports one. */
  readonly value: string | undefined
  readonly payload: unknown
  /** What the component said that its value was, at the moment of the report. */
  readonly readThen: unknown
  /** What owner and component had last agreed on. */
  readonly knownThen: unknown
}

/** The state after one step: what the owner holds, what the component says, what a person sees. */
export interface Row {
  /** Nothing for the mount itself. */
  readonly move: Move | undefined
  readonly heard: readonly HeardThen[]
  readonly held: Given
  /** What owner and component last agreed on: told inside the bounds, or heard. */
  readonly known: Given
  readonly read: Given
  /** What its readings say. */
  readonly readings: Given
  /** What the command gave that was called, once it was there. */
  readonly gave?: unknown
  readonly picture: Picture
  /** What else could be seen around it. */
  readonly around: Around
  /** What the component threw, if it threw. */
  readonly fault: string | undefined
  /** What it has replaced for all code on the page; it was put back. */
  readonly spoils: readonly string[]
  /** Why the move could not be made, if it could not. */
  readonly impossible: string | undefined
  /** Why what is seen here cannot be judged: it never settled, or reports came in a flood. */
  readonly unsettled: 'restless' | 'flood' | undefined
}

/** A trail as it was played: the mount, then one row a move; it ends early where the component threw. */
export interface Played {
  readonly trail: Trail
  readonly rows: readonly [Row, ...Row[]]
}

export interface StageOptions {
  readonly document: Document
  readonly frames: Frames
  readonly mountInto: (container: HTMLElement) => Mount
  /** What a person can do at the component as a whole, where it has no controls that can be found. */
  readonly gestures?: readonly NamedGesture[]
  /** Lets a person act through the browser's own input. */
  readonly hands?: Hands
  /** For a custom element that is there already. */
  readonly mountOn?: (element: Element) => Mount
  /** Is told of each step before it is made, so that one that never comes back can be named. */
  readonly onStep?: (trail: Trail, row: number) => void
  /** The steps that are known never to come back. */
  readonly hangs?: (trail: Trail, row: number) => boolean
}

const MOST_FRAMES = 90
const MOST_REPORTS = 300
const OWNED = 'it'
/** Settings in which the component is mounted as usual, and something else is different. */
const PLAIN_SETTINGS: readonly Setting[] = ['twin', 'vetoed', 'unheeded']

/** Plays trails on fresh mounts of one component, each in a place of its own. */
export interface Stage {
  play(trail: Trail): Promise<Played>
  /** Looks at the component once it stands there settled, freshly mounted. */
  look<T>(given: Given, moves: readonly Move[], at: (container: HTMLElement) => T): Promise<T | undefined>
}

export function stageFor(contract: AnyContract, options: StageOptions): Stage {
  const plans = { bounded: ownerOf(contract), unbounded: ownerOf(unbounded(contract)) }
  return {
    play: (trail) => play(contract, trail.unbounded === true ? plans.unbounded : plans.bounded, trail, options),
    async look(given, moves, at) {
      let seen: ReturnType<typeof at> | undefined
      await play(contract, plans.bounded, { given, moves }, options, (container) => (seen = at(container)))
      return seen
    },
  }
}

async function play(
  contract: AnyContract,
  plan: Plan,
  trail: Trail,
  options: StageOptions,
  atEnd?: (container: HTMLElement) => void,
): Promise<Played> {
  const { document, frames } = options
  frames.restart?.()
  const view = document.defaultView as Window & typeof globalThis
  const values = valueClauses(contract)
  const container = document.body.appendChild(document.createElement('div'))
  const place = placeFor(trail, container)
  // Beside a second one, a person acts at the first.
  const reach = trail.setting === 'twin' ? place : container
  const person = options.hands === undefined ? personAt(reach) : trustedPersonAt(reach, options.hands)
  const owned = ownObjects()
  let mounted: Mounted | undefined
  let twin: { mounted: Mounted; place: HTMLElement } | undefined
  let strays: string[] = []
  let said = 0
  let gave: { value: unknown } | undefined
  let submits: unknown[][] = []
  let heard: HeardThen[] = []
  let heardInAll = 0
  let fault: string | undefined
  let recorded: FormState | undefined
  const fills: Node[] = []
  const guard = guardOf(view)
  let spoils: string[] = []
  const putBack = () => (spoils = [...spoils, ...guard()])
  const noteFault = (thrown: unknown) => (fault ??= messageOf(thrown))
  const onError = (event: ErrorEvent) => {
    noteFault(event.error ?? event.message)
    event.preventDefault()
  }
  const onRejection = (event: PromiseRejectionEvent) => {
    noteFault(event.reason)
    event.preventDefault()
  }
  const stopSubmit = (event: Event) => {
    event.preventDefault()
    submits.push(formValues())
  }
  const formOf = () =>
    place.parentElement?.localName === 'form' ? (place.parentElement as HTMLFormElement) : undefined
  const formValues = (): unknown[] => {
    const form = formOf()
    return form === undefined ? [] : new view.FormData(form).getAll(FORM_NAME)
  }
  const hush = hearConsole(() => said++)
  view.addEventListener('error', onError)
  view.addEventListener('unhandledrejection', onRejection)
  view.addEventListener('submit', stopSubmit)

  const runner: Runner = createRunner(
    plan,
    {
      tell: (_, changes) => mounted?.tell(owned.copy(changes)),
      command: (_, name, args) => mounted?.command(name, ...args),
      read: (_, name) => mounted?.read(name),
      fault: ({ error }) => noteFault(error),
    },
    trail.given,
  )
  const knownSlot = (name: string) => runner.slots()[plan.bound.find((bound) => bound.name === name)?.known ?? -1]

  function hear(event: string, payload: unknown): void {
    if (++heardInAll > MOST_REPORTS) return
    const value = values.find((clause) => clause.event === event)
    if (value !== undefined)
      heard.push({ event, value: value.name, payload, readThen: readOne(value.name), knownThen: knownSlot(value.name) })
    else heard.push({ event, value: undefined, payload, readThen: undefined, knownThen: undefined })
    if (value !== undefined && trail.setting !== 'unheeded') runner.hear(OWNED, event, payload)
  }

  function readOne(name: string, from = mounted): unknown {
    try {
      return from?.read(name)
    } catch (thrown) {
      noteFault(thrown)
      return undefined
    }
  }

  async function rowAfter(move: Move | undefined, impossible: string | undefined): Promise<Row> {
    putBack()
    const settled = await settle(isGesture(move) ? Math.max(0, ...values.map((clause) => clause.within)) : 0)
    const row: Row = {
      move,
      heard,
      held: Object.fromEntries(
        plan.cells
          .map((cell) => [cell.name, snapshot(runner.read(cell.name))])
          .filter(([, value]) => value !== undefined),
      ),
      known: Object.fromEntries(plan.bound.map((bound) => [bound.name, runner.slots()[bound.known]])),
      read: Object.fromEntries(plan.cells.map((cell) => [cell.name, snapshot(readOne(cell.name))])),
      readings: Object.fromEntries(Object.keys(contract.readings).map((name) => [name, snapshot(readOne(name))])),
      ...(gave === undefined ? {} : { gave: snapshot(gave.value) }),
      around: around(heard),
      picture: settled.picture,
      fault,
      spoils,
      impossible,
      unsettled: heardInAll > MOST_REPORTS ? 'flood' : settled.isQuiet ? undefined : 'restless',
    }
    heard = []
    gave = undefined
    strays = []
    said = 0
    submits = []
    fault = undefined
    spoils = []
    return row
  }

  function around(reports: readonly HeardThen[]): Around {
    return {
      strays,
      said,
      mutated: [
        ...owned.changed(),
        ...reports.flatMap(({ event, payload }) => (owned.hasChanged(payload) ? [`the payload of ${event}`] : [])),
      ],
      formValues: formValues(),
      submits,
      isValid: formOf()?.checkValidity(),
      twin: twin && {
        read: Object.fromEntries(plan.cells.map(({ name }) => [name, snapshot(readOne(name, twin?.mounted))])),
        picture: pictureOf(twin.place),
        sharedIds: idsIn(twin.place).filter((id) => idsIn(place).includes(id)),
      },
      unplaced: fills.filter((node) => !isPlaced(node, root())).length,
      caret: caretIn(place),
      attributes: Object.fromEntries([...(root()?.attributes ?? [])].map(({ name, value }) => [name, value])),
    }
  }

  /** The element of the component, wherever it stands by now. */
  function root(): HTMLElement | undefined {
    return place.getElementsByTagName(contract.tag)[0] as HTMLElement | undefined
  }

  /** Whether nothing waits for time to pass, and one more turn brings nothing to wait for: then nothing can change by itself. */
  async function isStill(): Promise<boolean> {
    const reports = heardInAll
    if (frames.isStill?.() !== true) return false
    await frames.next()
    return frames.isStill() && heardInAll === reports
  }

  /** Two frames in which nothing that a person sees changes and nothing is reported; none, where nothing waits for time to pass. */
  async function settle(within: number): Promise<{ picture: Picture; isQuiet: boolean }> {
    const quietFrames = 2 + Math.ceil(within / frames.milliseconds)
    let picture = EMPTY_PICTURE
    let reports = heardInAll
    for (let frame = 0, quiet = 0; frame < MOST_FRAMES + quietFrames; frame++) {
      await frames.next()
      if (frame === 0 && (await isStill())) return { picture: pictureOf(place), isQuiet: true }
      finishAnimations(document)
      const now = pictureOf(place)
      quiet = frame > 0 && samePicture(now, picture) && heardInAll === reports ? quiet + 1 : 0
      picture = now
      reports = heardInAll
      if (quiet >= quietFrames) return { picture, isQuiet: true }
      if (heardInAll > MOST_REPORTS) break
    }
    return { picture, isQuiet: false }
  }

  function begin(row: number): void {
    if (options.hangs?.(trail, row) === true) throw new Error('it does not come back: an endless loop')
    options.onStep?.(trail, row)
  }

  function make(move: Move): string | undefined | Promise<string | undefined> {
    if ('gesture' in move) return person.act(move.gesture)
    if ('tell' in move) runner.setAll(move.tell)
    else if ('command' in move) callCommand(move)
    else if ('retell' in move) mounted?.tell({ [move.retell]: runner.read(move.retell) })
    else if ('slot' in move) fill(root(), move)
    else if ('undeclared' in move) (root() as never as Record<string, unknown>)[move.undeclared] = move.to
    else if ('form' in move) {
      if (move.form === 'restore') return restored(root(), recorded)
      if (move.form === 'reset') formOf()?.reset()
      else place.setAttribute('disabled', '')
    } else if ('attribute' in move) {
      if (move.text === null) root()?.removeAttribute(move.attribute)
      else root()?.setAttribute(move.attribute, move.text)
    } else {
      const element = root()
      if (element === undefined) return 'it is no element of its own'
      place.appendChild(document.createElement('div')).append(element)
    }
    return undefined
  }

  function mountIt(): Mounted {
    const hears: Parameters<Mount>[2] = ({ event, payload, veto }) => {
      if (trail.setting === 'vetoed') veto?.()
      hear(event, payload)
    }
    const given = owned.copy(runner.given(OWNED))
    const { setting } = trail
    if (setting === 'reversed') return options.mountInto(place)(reversed(contract), given, hears)
    if (trail.slotted === undefined && (setting === undefined || PLAIN_SETTINGS.includes(setting)))
      return options.mountInto(place)(contract, given, hears)
    const element = setting === 'early' ? undefinedElement(document, contract.tag) : new (elementClass())()
    const inAttributes = setting === 'attributes' ? attributesFor(contract, given) : {}
    if (setting === 'form') element.setAttribute('name', FORM_NAME)
    for (const one of trail.slotted ?? []) fill(element, one)
    for (const [name, text] of Object.values(inAttributes)) element.setAttribute(name, text)
    const rest = Object.fromEntries(Object.entries(given).filter(([name]) => !Object.hasOwn(inAttributes, name)))
    if (setting === 'early') {
      Object.assign(element, rest)
      place.append(element)
      return mountOn(element)(contract, {}, hears)
    }
    const made = mountOn(element)(contract, rest, hears)
    place.append(element)
    return made
  }

  function fill(element: HTMLElement | undefined, one: Fill): void {
    if (element !== undefined) fills.push(fillSlot(element, one))
  }

  function mountOn(element: Element): Mount {
    if (options.mountOn === undefined) throw new Error('it is no custom element')
    return options.mountOn(element)
  }

  function elementClass(): CustomElementConstructor {
    const found = view.customElements.get(contract.tag)
    if (found === undefined) throw new Error('it is no custom element')
    return found
  }

  function mountTwin(): void {
    const beside = container.appendChild(document.createElement('div'))
    twin = {
      place: beside,
      mounted: options.mountInto(beside)(contract, owned.copy(trail.beside ?? runner.given(OWNED)), () => undefined),
    }
  }

  /** What it sends from its own element by itself; where it sends through something else, nothing is seen of it. */
  function watchStrays(): void {
    const element = root()
    if (element === undefined) return
    const declared = eventNames(contract)
    const { dispatchEvent } = element
    element.dispatchEvent = (event: Event) => {
      const isOwn = event instanceof view.CustomEvent || event.type === 'input' || event.type === 'change'
      if (isOwn && !declared.includes(event.type)) strays.push(event.type)
      return dispatchEvent.call(element, event)
    }
  }

  function callCommand(call: Call): void {
    const name = call.command
    const given = Object.hasOwn(call, 'takes') ? [owned.copy({ [`what ${name} takes`]: call.takes })] : []
    const result = mounted?.command(name, ...given.flatMap(Object.values))
    const take = (value: unknown) => (gave = { value })
    if (isPromise(result)) result.then(take, noteFault)
    else take(result)
    if (contract.commands[name]?.reports !== false) return
    for (const value of values)
      if (!equal(readOne(value.name), runner.read(value.name)) && readOne(value.name) !== undefined)
        runner.hear(OWNED, value.event, readOne(value.name))
  }

  try {
    try {
      begin(0)
      mounted = mountIt()
      if (trail.setting === 'twin') mountTwin()
      if (options.mountOn !== undefined) watchStrays()
    } catch (thrown) {
      noteFault(thrown)
    }
    const rows: [Row, ...Row[]] = [await rowAfter(undefined, undefined)]
    recorded = stateOf(root())
    for (const move of trail.moves) {
      const last = rows[rows.length - 1] as Row
      if (last.fault !== undefined || last.unsettled === 'flood') break
      let impossible: string | undefined
      try {
        begin(rows.length)
        impossible = await make(move)
      } catch (thrown) {
        noteFault(thrown)
      }
      rows.push(await rowAfter(move, impossible))
    }
    atEnd?.(container)
    return { trail, rows }
  } finally {
    try {
      mounted?.remove()
      twin?.mounted.remove()
    } catch {
      // What a component throws while it is removed is judged by no clause of a trail that has ended.
    }
    guard()
    container.remove()
    hush()
    view.removeEventListener('error', onError)
    view.removeEventListener('unhandledrejection', onRejection)
    view.removeEventListener('submit', stopSubmit)
  }
}

/** The owner of one component: a screen of one fitting, with a cell for each name. */
function ownerOf(contract: AnyContract): Plan {
  const clauses = givenClauses(contract)
  const bindings = (cells: Record<string, never>) =>
    Object.fromEntries(
      clauses.map(({ name }) => [
        name,
        Object.hasOwn(contract.values, name) ? twoWay(cells[name] as never) : oneWay(cells[name] as never),
      ]),
    )
  return compile(
    screen('owner', {
      cells: Object.fromEntries(clauses.map(({ name, type }) => [name, { type, initial: undefined as never }])),
      fittings: { [OWNED]: contract },
      bind: ({ cells }) => ({ [OWNED]: bindings(cells as never) }) as never,
    }),
  )
}

/** The same contract for an owner that does not look at bounds before it tells. */
function unbounded(contract: AnyContract): AnyContract {
  return {
    ...contract,
    values: Object.fromEntries(
      valueClauses(contract).map((value) => [value.name, { ...value, outside: 'keep' as const }]),
    ),
  }
}

function isPromise(value: unknown): value is Promise<unknown> {
  return typeof (value as { then?: unknown } | undefined)?.then === 'function'
}

function finishAnimations(document: Document): void {
  for (const animation of document.getAnimations?.() ?? []) {
    try {
      animation.finish()
    } catch {
      animation.cancel()
    }
  }
}
