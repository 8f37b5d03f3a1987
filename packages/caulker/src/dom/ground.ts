import type { AnyContract } from '../contract/index.js'
import type { Crew, Driver, FittingPlan, Machine, OtherHost } from '../machine/index.js'
import type { Mount } from '../mount/index.js'
import { elementMount } from './element-mount.js'
import { formsOf, type Forms } from './forms.js'
import {
  fittingElement,
  fittingElements,
  rowPlaces,
  rowTemplate,
  showElement,
  showProblem,
  type FittingElements,
  type RowPlaces,
} from './placing.js'

/** Where a wiring stands on a page: the elements of the screen in front, in their places. */
export interface Ground {
  readonly crew: Crew
  readonly shows: Pick<OtherHost, 'show' | 'problem' | 'held'>
  root(): ParentNode
  /** What the screen in front has put on the page beside its components is taken away. */
  clear(): void
}

export interface GroundParts {
  /** Where a screen stands; what it needs is put there. */
  enter(screen: string): ParentNode
  leave?(screen: string): void
  /** Mounts for fittings that are no elements, by fitting. */
  readonly mounts?: Readonly<Record<string, Mount>> | undefined
  driver(): Driver | undefined
}

export function groundOf(machine: Machine, parts: GroundParts): Ground {
  const { driver, mounts } = parts
  const elements = new Map<string, Element>()
  const rows = new Map<string, RowPlaces>()
  const templates = new Map<Element, RowPlaces>()
  let root: ParentNode
  let standing: FittingElements = new Map()
  let forms: Forms | undefined
  let entered: string | undefined
  const key = (fitting: string, row?: string) => (row === undefined ? fitting : `${fitting}/${row}`)
  const who = machine.kind === 'interior' ? `the interior of '${machine.name}'` : `screen '${machine.name}'`
  const placeOf = (fitting: string, row?: string) => (row === undefined ? root : (rows.get(fitting)?.at(row) ?? root))

  function clear(): void {
    forms?.stop()
    rows.forEach((places) => places.remove())
    rows.clear()
    templates.clear()
    if (entered !== undefined) parts.leave?.(entered)
    entered = undefined
  }

  const crew: Crew = {
    mount(fitting, given, hear, row) {
      const { name, contract } = fitting
      const other = mounts?.[name]
      if (other !== undefined) return other(contract, given, hear)
      const all = row === undefined ? standing : fittingElements(placeOf(name, row))
      const element = fittingElement(who, all, name, contract.tag)
      elements.set(key(name, row), element)
      const mounted = elementMount({ element })(contract, given, hear)
      const stop = watchPerson(element, contract, {
        edit: () => driver()?.edit(name),
        leave: () => driver()?.leave(name),
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
        submit: () => driver()?.submit(),
        reset: () => driver()?.reset(true),
      })
    },
    leave: clear,
    order({ name }: FittingPlan, keys) {
      const template = rowTemplate(who, root, name)
      const places = templates.get(template) ?? rowPlaces(template)
      templates.set(template, places)
      rows.set(name, places)
      places.order(keys)
    },
  }

  return {
    crew,
    shows: {
      show(fitting, isShown) {
        const element = elements.get(fitting)
        if (element !== undefined) showElement(root, element, fitting, isShown)
      },
      problem(fitting, text, row) {
        const element = elements.get(key(fitting, row))
        if (element !== undefined) showProblem(placeOf(fitting, row), element, fitting, text)
      },
      held: () => focusFirstInvalid(root),
    },
    root: () => root,
    clear,
  }
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
