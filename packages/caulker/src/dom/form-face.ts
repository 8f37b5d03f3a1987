import { isEmpty, valueClauses, type AnyContract, type ValueClause } from '../contract/index.js'
import { submitByEnter } from './implicit-submission.js'

/** What an element is to the form around it (HTML, section 4.13.7). */
export interface FormFace {
  /** The form value and the validity are those of what it holds now. */
  settle(): void
  reset(): void
  restore(state: unknown): void
  disable(isDisabled: boolean): void
  /** A key was pressed inside. */
  press(event: KeyboardEvent): void
  /** Shows what is wrong, and gives whether nothing is. */
  check(): boolean
  /** What its owner has set the name to that disables it, where a fieldset disables it besides. */
  own(name: string): unknown
  /** Keeps what its owner sets that name to; true where nothing more is to be done. */
  keep(name: string, value: unknown): boolean
}

interface Inside {
  read(name: string): unknown
  give(changes: Readonly<Record<string, unknown>>): void
  /** Locks every control inside, where no property of the contract does. */
  lockAll(isLocked: boolean): void
  /** Where the browser shows what is wrong. */
  field(): HTMLElement | undefined
}

export function formFace(element: HTMLElement, contract: AnyContract, inside: Inside): FormFace {
  const { form, locks } = contract
  const internals = element.attachInternals?.() as Partial<ElementInternals> | undefined
  const clause = contract.values[form?.value ?? ''] as ValueClause | undefined
  const lock = locks.disabled
  let first: Readonly<Record<string, unknown>> | undefined
  let isAroundDisabled = false
  let own: unknown

  function settle(): void {
    if (clause === undefined) return
    const value = inside.read(clause.name)
    // Disabled by a property of its own it leaves submit and validity, as by a fieldset around it.
    const isOff = lock !== undefined && inside.read(lock) === true
    const sent = form?.sends === undefined ? value : value === true ? inside.read(form.sends) : null
    internals?.setFormValue?.(isOff ? null : formValue(sent), JSON.stringify({ value: isHost(value) ? null : value }))
    const isNeeded = !isOff && form?.requiredBy !== undefined && inside.read(form.requiredBy) === true
    if (isNeeded && isEmpty(value, clause))
      internals?.setValidity?.({ valueMissing: true }, 'Please fill this in', inside.field())
    else internals?.setValidity?.({})
    if (element.isConnected)
      first ??= Object.fromEntries(valueClauses(contract).map(({ name }) => [name, inside.read(name)]))
  }

  return {
    settle,
    reset() {
      const values = valueClauses(contract).map(({ name, resetTo, default: usual }) => [
        name,
        resetTo === 'initial' ? first?.[name] : usual,
      ])
      inside.give(Object.fromEntries(values) as never)
    },
    restore(state) {
      if (clause === undefined || typeof state !== 'string') return
      try {
        inside.give({ [clause.name]: (JSON.parse(state) as { value: unknown }).value })
      } catch {
        inside.give({ [clause.name]: state })
      }
    },
    disable(isDisabled) {
      if (lock === undefined) return inside.lockAll(isDisabled)
      if (!isAroundDisabled) own = inside.read(lock)
      isAroundDisabled = isDisabled && !element.hasAttribute('disabled')
      inside.give({ [lock]: isDisabled || own === true })
    },
    press: (event) => submitByEnter(event, internals?.form),
    check: () => internals?.reportValidity?.() ?? true,
    own: (name) => (name === lock && isAroundDisabled ? own : undefined),
    keep(name, value) {
      if (name !== lock || !isAroundDisabled) return false
      own = value
      return true
    },
  }
}

/** What a form sends: a file as it is, nothing for nothing, any other value written out. */
function formValue(value: unknown): File | string | FormData | null {
  if (value === undefined || value === null || value === false) return null
  if (isHost(value)) return value as File
  return typeof value === 'object' ? JSON.stringify(value) : String(value)
}

function isHost(value: unknown): boolean {
  return typeof File !== 'undefined' && value instanceof File
}
