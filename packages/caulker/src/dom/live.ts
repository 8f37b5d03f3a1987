import type { AnyContract } from '../contract/index.js'
import {
  driveOver,
  faultText,
  type Amendment,
  type Driver,
  type DriveOptions,
  type Fault,
  type FittingPlan,
  type Machine,
  type OtherHost,
  type Refusal,
  type Running,
} from '../machine/index.js'
import type { Mount, Mounted } from '../mount/index.js'
import { elementMount } from './element-mount.js'
import { followOver, type Followable } from './follow.js'
import { formsOf, type Forms } from './forms.js'
import {
  documentOf,
  fittingElement,
  fittingElements,
  rowPlaces,
  rowTemplate,
  showElement,
  showProblem,
  type FittingElements,
  type RowPlaces,
} from './placing.js'
import { callsOver, type AnyAnswering } from './sources.js'
import { joinTopics } from './topics.js'

/** What a mounted screen and a mounted journey are given alike. */
export interface LiveOptions {
  /** Where some cells start instead of at their initial values. */
  readonly initial?: Readonly<Record<string, unknown>>
  /** Mounts for fittings that are no elements, by fitting. */
  readonly mounts?: Readonly<Record<string, Mount>>
  /** How long may be waited, in milliseconds: for an answer (30,000), and for a field that is being committed (5,000). */
  readonly limits?: { readonly answer?: number; readonly commit?: number }
  /** Is told of what was thrown by reckoned cells, handlers and components; by default it goes to the console. */
  readonly onFault?: (fault: Fault) => void
  /** Is told of a proposed value that was turned down, and why. */
  readonly onRefused?: (refusal: Refusal) => void
  /** Is told of a proposed value that was made right, and what stands instead. */
  readonly onAmended?: (amendment: Amendment) => void
  /** Is called when a change and all that follows from it have settled. */
  readonly onSettled?: () => void
}

/** A wiring at work on a page. */
export interface Live {
  readonly driver: Driver
  component(fitting: string, row?: string): Mounted
  /** Resolves when nothing is pending: no call is out, and nothing is being committed. */
  settled(): Promise<void>
  whenSettled(look: () => void): () => void
  follow(names: readonly string[]): Followable
  remove(): void
}

export interface LiveParts {
  readonly options: LiveOptions
  readonly answering: AnyAnswering
  readonly drive?: Pick<DriveOptions, 'stored'>
  /** Where a screen stands; what it needs is put there. */
  enter(screen: string): ParentNode
  leave?(screen: string): void
  readonly host?: Pick<OtherHost, 'go' | 'stay' | 'report' | 'allows' | 'settled'>
}

/** Runs a machine over the elements of a page. */
export function liveOver(machine: Machine, parts: LiveParts): Live {
  const { options } = parts
  const onFault = options.onFault ?? ((fault) => console.error(`${machine.name}: ${faultText(fault)}`))
  const ended = new AbortController()
  const waiting = new Set<() => void>()
  const looks = new Set<() => void>()
  const elements = new Map<string, Element>()
  const rows = new Map<string, RowPlaces>()
  const templates = new Map<Element, RowPlaces>()
  let root: ParentNode
  let standing: FittingElements = new Map()
  let forms: Forms | undefined
  let entered: string | undefined
  const key = (fitting: string, row?: string) => (row === undefined ? fitting : `${fitting}/${row}`)
  const who = () => (machine.kind === 'interior' ? `the interior of '${machine.name}'` : `screen '${machine.name}'`)
  const placeOf = (fitting: string, row?: string) => (row === undefined ? root : (rows.get(fitting)?.at(row) ?? root))
  // What is called while the machine is being mounted waits until it is there.
  const late: (() => void)[] = []
  let driver: Driver | undefined
  const calls = callsOver(parts.answering, () => driver as Driver, options.limits?.answer ?? 30_000, onFault)

  const topics = joinTopics(
    machine,
    () => documentOf(root),
    (topic, value) => driver?.topic(topic, value),
  )
  /** What the screen in front has put on the page beside its components is taken away. */
  function clear(): void {
    forms?.stop()
    rows.forEach((places) => places.remove())
    rows.clear()
    templates.clear()
    if (entered !== undefined) parts.leave?.(entered)
    entered = undefined
  }

  const run = () =>
    driveOver(
      machine,
      {
        mount(fitting, given, hear, row) {
          const { name, contract } = fitting
          const other = options.mounts?.[name]
          if (other !== undefined) return other(contract, given, hear)
          const all = row === undefined ? standing : fittingElements(placeOf(name, row))
          const element = fittingElement(who(), all, name, contract.tag)
          elements.set(key(name, row), element)
          const mounted = elementMount({ element })(contract, given, hear)
          const stop = watchPerson(element, contract, {
            edit: () => driver?.edit(name),
            leave: () => driver?.leave(name),
          })
          return {
            ...mounted,
            remove() {
              stop()
              mounted.remove()
              elements.delete(key(name, row))
            },
          }
        },
        invalid: ({ name }, _mounted, row) => invalidText(elements.get(key(name, row))),
        enter(screen) {
          root = parts.enter(screen)
          entered = screen
          standing = fittingElements(root)
          const plan = machine.screens.find(({ name }) => name === screen)
          forms = formsOf(root, {
            submits: plan?.submit !== undefined,
            submit: () => driver?.submit(),
            reset: () => driver?.reset(true),
          })
        },
        leave: clear,
        order({ name }: FittingPlan, keys) {
          const template = rowTemplate(who(), root, name)
          const places = templates.get(template) ?? rowPlaces(template)
          templates.set(template, places)
          rows.set(name, places)
          places.order(keys)
        },
      },
      {
        ...parts.host,
        call: (call) => (driver === undefined ? void late.push(() => calls.send(call)) : calls.send(call)),
        abort: (id) => calls.abort(id),
        show(fitting, isShown) {
          const element = elements.get(fitting)
          if (element !== undefined) showElement(root, element, fitting, isShown)
        },
        problem(fitting, text, row) {
          const element = elements.get(key(fitting, row))
          if (element !== undefined) showProblem(placeOf(fitting, row), element, fitting, text)
        },
        held: () => focusFirstInvalid(root),
        announce: (topic, value) => topics.announce(topic, value),
        fault: onFault,
        refused: options.onRefused ?? (() => undefined),
        amended: options.onAmended ?? (() => undefined),
        settled() {
          parts.host?.settled?.()
          options.onSettled?.()
          for (const look of looks) look()
          if (driver !== undefined && isQuiet(driver)) {
            for (const wake of waiting) wake()
            waiting.clear()
          }
        },
      },
      {
        initial: options.initial ?? {},
        stored: parts.drive?.stored,
        commits: {
          limit: options.limits?.commit ?? 5000,
          wait(milliseconds, then) {
            const timer = setTimeout(then, milliseconds)
            return () => clearTimeout(timer)
          },
        },
      },
    )
  let running: Running
  try {
    running = run()
  } catch (thrown) {
    // A mount that fails leaves nothing behind.
    clear()
    calls.abortAll()
    throw thrown
  }
  driver = running.driver
  topics.join()
  for (const send of late) send()
  return {
    driver,
    component: running.component,
    settled: () =>
      new Promise((resolve) => {
        if (ended.signal.aborted || isQuiet(running.driver)) resolve()
        else waiting.add(resolve)
      }),
    whenSettled(look) {
      looks.add(look)
      return () => void looks.delete(look)
    },
    follow: (names) => followOver(running.driver, names, ended.signal),
    remove() {
      running.remove()
      calls.abortAll()
      topics.stop()
      clear()
      ended.abort()
      looks.clear()
      for (const wake of waiting) wake()
      waiting.clear()
    },
  }
}

function isQuiet(driver: Driver): boolean {
  return driver.pending().length === 0 && !driver.isSending()
}

/** What a person does in a field and no report says: typing what is not finished, and leaving it. */
function watchPerson(
  element: Element,
  contract: AnyContract,
  { edit, leave }: { edit(): void; leave(): void },
): () => void {
  const reportsInput = Object.values(contract.values).some(({ event }) => event === 'input')
  const typed = (event: Event) => {
    const isUnfinished = (event.target as Partial<HTMLInputElement> | null)?.validity?.badInput === true
    if (isUnfinished || !reportsInput) edit()
  }
  const left = (event: Event) => {
    const to = (event as FocusEvent).relatedTarget as Node | null
    if (to === null || !element.contains(to)) leave()
  }
  const hasValues = Object.keys(contract.values).length > 0
  if (!hasValues) return () => undefined
  element.addEventListener('input', typed, true)
  element.addEventListener('focusout', left)
  return () => {
    element.removeEventListener('input', typed, true)
    element.removeEventListener('focusout', left)
  }
}

/** What a field says against its own value (HTML, section 4.10.21, constraints). */
function invalidText(element: Element | undefined): string {
  const field = element as Partial<HTMLInputElement> | undefined
  if (field?.willValidate === true && field.validity?.valid === false)
    return field.validationMessage || 'This is not valid'
  return ''
}

function focusFirstInvalid(root: ParentNode): void {
  const first = root.querySelector<HTMLElement>('[aria-invalid="true"]')
  first?.focus()
}
