import { equal, printed, valueClauses } from '../contract/index.js'
import { driverOf, mountJourney, mountScreen, type MountedJourney } from '../dom/index.js'
import { faultText, type Fault, type Wiring } from '../machine/index.js'
import { controlRefs, personAt, type ControlKind, type Frames, type Person } from '../probe/index.js'
import {
  isExpectation,
  moveText,
  nameIn,
  nameOfWiring,
  playOf,
  withHosts,
  type Move,
  type Play,
  type Played,
  type RehearsedRow,
  type Script,
} from '../rehearse/index.js'
import { isInterior, isJourney } from '../wiring/index.js'
import { CaulkerError } from '../words/index.js'
import { answersFor, type Answers } from './answers.js'
import { wayIn, type WayIn } from './enter.js'
import { markUp, PLACE } from './markup.js'

/** What came of a script over live components. */
export interface PlayedLive {
  readonly title: string
  readonly of: string
  /** Step by step what the owner held, what the live component said, and what the ideal one shows. */
  readonly ledger: readonly RehearsedRow[]
  /** Where the page and its ideal parted first, and what was done until then; nothing where they never did. */
  readonly parted: { readonly step: number; readonly says: string; readonly trail: readonly Move[] } | undefined
  /** Whether it was drawn at random. */
  readonly isWalk?: boolean
  /** Why it could not be played to its end. */
  readonly unplayed: { readonly step: number; readonly why: string } | undefined
}

export interface LiveStage {
  readonly document: Document
  readonly frames: Frames
}

/**
 * Plays the moves of a script on a page of live components and over ideal ones side by side, and says where the two part: that is a
 * leak of the live component, since the wiring is the same. What is expected in the script is for ideal components alone.
 */
export async function playLive(wiring: Wiring, written: Script, { document, frames }: LiveStage): Promise<PlayedLive> {
  const script = withHosts(written)
  if (isInterior(wiring))
    throw new CaulkerError('bad-argument', 'an interior is played behind its component, not on a page')
  const root = document.createElement('main')
  document.body.append(root)
  markUp(wiring, root)
  const answers = answersFor(wiring)
  const faults: Fault[] = []
  const options = {
    sources: answers.sources as never,
    limits: { answer: 2 ** 30 },
    onFault: (fault: Fault) => void faults.push(fault),
  }
  const play = playOf(wiring)
  /** What the wiring itself throws, it throws over ideal components too. */
  const own = new Set(play.stage.takeHappened().faults.map(({ place }) => place))
  const thrown = () => faults.find(({ place }) => !own.has(place))
  const ledger: RehearsedRow[] = []
  const before = document.title
  const mounted = isJourney(wiring)
    ? mountJourney(wiring, root, { ...options, isInAddress: false })
    : (mountScreen(wiring as never, root, options as never) as unknown as MountedJourney)
  const page: Page = { wiring, root, mounted, answers, play, hands: handsOn(root) }
  const isWalk = script.isWalk === true
  const told = { title: script.title, of: nameOfWiring(wiring), ...(isWalk ? { isWalk } : {}) }
  const trail: Move[] = []
  try {
    await settle(frames)
    let parted = difference(page, thrown())
    ledger.push(rowOf(page, 'in the beginning', undefined))
    if (parted !== undefined) return { ...told, ledger, parted: { step: 0, says: parted, trail }, unplayed: undefined }
    for (const [at, step] of script.steps.entries()) {
      if (isExpectation(step)) continue
      const done = isWalk ? performedWhere(page, step) : play.perform(step)
      if (done === undefined) continue
      for (const { place } of done.happened.faults) own.add(place)
      const why = await carryOut(page, step, frames)
      if (why !== undefined && isWalk) break
      if (why !== undefined) return { ...told, ledger, parted: undefined, unplayed: { step: at + 1, why } }
      await settle(frames)
      trail.push(step)
      parted = difference(page, thrown())
      ledger.push(rowOf(page, moveText(step), step))
      if (parted !== undefined)
        return { ...told, ledger, parted: { step: trail.length, says: parted, trail }, unplayed: undefined }
    }
    return { ...told, ledger, parted: undefined, unplayed: undefined }
  } finally {
    mounted.remove()
    root.remove()
    document.title = before
  }
}

interface Page {
  readonly wiring: Wiring
  readonly root: HTMLElement
  readonly mounted: MountedJourney
  readonly answers: Answers
  readonly play: Play
  /** Whoever was at a field last: their edit is in progress there. */
  readonly hands: Hands
}

/** One pair of hands for each component, so that what is being typed in one is known when it is left. */
interface Hands {
  at(place: HTMLElement): Person
  leave(): void
}

function handsOn(root: HTMLElement): Hands {
  const people = new WeakMap<HTMLElement, Person>()
  let last = personAt(root)
  return {
    at(place) {
      const person = people.get(place) ?? personAt(place)
      people.set(place, person)
      if (person !== last) void last.act({ do: 'leave' })
      return (last = person)
    },
    leave: () => void last.act({ do: 'leave' }),
  }
}

async function settle(frames: Frames): Promise<void> {
  for (let turn = 0; turn < 3; turn++) {
    for (let tick = 0; tick < 8; tick++) await Promise.resolve()
    await frames.next()
  }
}

/** The clock of the page is not waited for: the time of a call is over when the script says so. */
function expire({ mounted, answers }: Page, operation: string, which: number): boolean {
  const driver = driverOf(mounted)
  const call = driver.pending().filter((one) => one.operation === operation && !one.isWaiting)[which]
  if (call === undefined || !answers.expire(operation, which)) return false
  driver.answer(call.id, { failed: 'There was no answer in time', isOverdue: true })
  return true
}

async function pass(frames: Frames, milliseconds: number): Promise<void> {
  for (let left = milliseconds; left > 0; left -= frames.milliseconds) await frames.next()
}

/** Does on the page what a move says; gives why it cannot. */
async function carryOut(page: Page, move: Move, frames: Frames): Promise<string | undefined> {
  const { mounted, answers, play } = page
  if ('set' in move) return void mounted.setAll(move.set)
  if ('form' in move) return void (move.form === 'submit' ? mounted.submit() : mounted.reset())
  if ('answer' in move) return settled(answers.settle(move.answer, move.which ?? 0, { given: move.given }), move.answer)
  if ('fail' in move)
    return settled(
      answers.settle(move.fail, move.which ?? 0, {
        error: Object.assign(new Error(move.because), { problems: move.problems ?? {} }),
      }),
      move.fail,
    )
  if ('travel' in move) {
    leave(page)
    await settle(frames)
    const { at } = mounted.way()
    return void mounted.travel(at + (move.travel === 'back' ? -1 : 1))
  }
  if ('late' in move) return settled(answers.settleLate(move.late, move.given), move.late)
  if ('never' in move) return settled(expire(page, move.never, move.which ?? 0), move.never)
  if ('pass' in move) return void (await pass(frames, move.pass))
  const at = placeOf(page, move)
  if (at === undefined) return 'it is not on the page'
  if ('leave' in move) return leave(page)
  if ('edit' in move) {
    const way = wayTo(page, move, at)
    if ('why' in way) return way.why
    const why = way.gesture === undefined ? undefined : page.hands.at(at).act(way.gesture)
    if (typeof why === 'string') return why
    return play.focus() === undefined ? leave(page) : undefined
  }
  return press(page, move, at)
}

function wayTo({ play }: Page, { edit, row, to }: Extract<Move, { edit: string }>, at: HTMLElement): WayIn {
  const { fitting, name } = nameIn(edit)
  const part = play.stage.part(fitting, row)
  const all = part === undefined ? [] : valueClauses(part.fitting.contract)
  const value = all.find((one) => one.name === name)
  return value === undefined ? { why: 'there is no such value' } : wayIn(at, value, all, to)
}

/** Done over ideal components, where a person can do it there and on the page: what is drawn at random is passed over where they cannot. */
function performedWhere(page: Page, move: Move): Played | undefined {
  const at = 'edit' in move ? placeOf(page, move) : undefined
  if ('edit' in move && (at === undefined || 'why' in wayTo(page, move, at))) return undefined
  const { play } = page
  const before = play.keep()
  try {
    return play.perform(move)
  } catch (thrown) {
    if (!(thrown instanceof CaulkerError)) throw thrown
    play.bring(before)
    return undefined
  }
}

function press({ hands }: Page, move: Extract<Move, { press: string }>, at: HTMLElement): string | undefined {
  const { name } = nameIn(move.press)
  const element = at.firstElementChild as HTMLElement
  if (name === 'press' && element.localName === 'button') {
    const result = hands.at(at).act({ do: 'press', on: { kind: 'button', nth: 0, label: '' } })
    return typeof result === 'string' ? result : undefined
  }
  return provoke(hands.at(at), at, element, name)
}

/** Has a person do what makes a component send an event of its own: its only button, or Enter in its only field. What does not, says so. */
function provoke(person: Person, at: HTMLElement, element: HTMLElement, event: string): string | undefined {
  const all = controlRefs(at).map(({ ref }) => ref)
  const only = (...kinds: readonly ControlKind[]) => {
    const found = all.filter(({ kind }) => kinds.includes(kind))
    return found.length === 1 ? found[0] : undefined
  }
  let isSent = false
  const heard = () => void (isSent = true)
  element.addEventListener(event, heard)
  const [field, button] = [only('text field', 'number field'), only('button')]
  if (field !== undefined) void person.act({ do: 'enter', on: field })
  if (!isSent && button !== undefined) void person.act({ do: 'press', on: button })
  element.removeEventListener(event, heard)
  return isSent ? undefined : `no control of its is known to make it send '${event}'`
}

function leave({ hands }: Page): undefined {
  hands.leave()
  return undefined
}

function settled(isDone: boolean, operation: string): string | undefined {
  return isDone ? undefined : `no call of ${operation} is out on the page`
}

/** The place of a fitting on the screen in front; of rows, the one of the entry. */
function placeOf({ root, play }: Page, move: Move): HTMLElement | undefined {
  const written = 'edit' in move ? move.edit : 'press' in move ? move.press : 'leave' in move ? move.leave : ''
  const { fitting } = nameIn(written)
  const row = 'row' in move ? move.row : undefined
  const places = [...root.querySelectorAll<HTMLElement>(`[${PLACE}="${fitting}"]`)]
  const at = row === undefined ? 0 : (play.stage.driver.rows(fitting)?.indexOf(row) ?? 0)
  return places[at]
}

/** The first thing in which the page and its ideal differ. */
function difference({ mounted, play }: Page, thrown: Fault | undefined): string | undefined {
  const { stage } = play
  const { machine, driver } = stage
  if (thrown !== undefined) return `on the page, ${faultText(thrown)}`
  if (machine.kind === 'journey' && mounted.front() !== driver.front())
    return `the page is on ${mounted.front()}, and should be on ${driver.front()}`
  for (const name of driver.cellNames())
    if (!equal(plainOf(mounted.read(name)), plainOf(driver.read(name))))
      return `${name} holds ${printed(mounted.read(name))} on the page, and should hold ${printed(driver.read(name))}`
  for (const part of stage.parts().values()) {
    const { fitting, row, component, state } = part
    if (component.isPending(state) || !driver.isShown(fitting.name)) continue
    for (const { name } of fitting.bound) {
      const should = component.standing(state, name)
      const is = mounted.component(fitting.name, row).read(name)
      if (name === fitting.contract.problem || equal(plainOf(is), plainOf(should)) || should === undefined) continue
      return `${fitting.name}.${name} is ${printed(is)} on the page, and should be ${printed(should)}`
    }
  }
  const sentBy = (of: Pick<typeof driver, 'pending'>) =>
    of
      .pending()
      .filter(({ isWaiting }) => !isWaiting)
      .map(({ operation }) => operation)
  const [out, there] = [sentBy(driver), sentBy(driverOf(mounted))]
  return equal(out.toSorted(), there.toSorted())
    ? undefined
    : `${listOf(there)} is out on the page, and ${listOf(out)} should be`
}

function listOf(names: readonly string[]): string {
  return names.length === 0 ? 'no call' : names.join(', ')
}

/** Host objects are other ones on the page: they are told by what they are. */
function plainOf(value: unknown): unknown {
  return typeof File !== 'undefined' && value instanceof File ? { name: value.name, type: value.type } : value
}

function rowOf({ mounted, play }: Page, step: string, move: Move | undefined): RehearsedRow {
  const { stage } = play
  const about = move !== undefined && 'edit' in move ? nameIn(move.edit).fitting : undefined
  const parts = [...stage.parts().values()].filter(({ fitting }) => about === undefined || fitting.name === about)
  const told = parts.flatMap(({ fitting, row, component, state }) =>
    valueClauses(fitting.contract).map(({ name }) => ({
      name: fitting.name,
      is: printed(mounted.component(fitting.name, row).read(name), 40),
      should: printed(component.standing(state, name), 40),
    })),
  )
  return {
    step,
    owner: stage.driver.front(),
    component: told
      .slice(0, 3)
      .map(({ name, is }) => `${name} ${is}`)
      .join(', '),
    shown: told
      .slice(0, 3)
      .map(({ should }) => should)
      .join(', '),
  }
}
