import {
  attributeText,
  attributeValue,
  givenClauses,
  isValue,
  valueClauses,
  type AnyContract,
  type CommandClause,
  type Contract,
  type ContractTypes,
  type PropertyClause,
} from '../contract/index.js'
import { compile, type Machine } from '../machine/index.js'
import type { Cell, Interior, Reckoned } from '../wiring/index.js'
import type { ElementFrom } from './element-types.js'
import { eventsFrom } from './events-from.js'
import { formFace, type FormFace } from './form-face.js'
import { liveOver, type Live } from './live.js'

export interface ElementFromOptions {
  /** HTML of the inside; its controls carry `data-fitting`. */
  readonly markup: string
  /** CSS of the inside; parts (`part="…"`) are styled from outside. */
  readonly style?: string
}

type TypesOf<I> = I extends { readonly contract: Contract<infer T> } ? T : ContractTypes

/**
 * Makes a custom element of an interior: its properties, values, commands, readings, attributes and form part are what the contract says,
 * and what happens inside is what its wiring says.
 *
 * Hand what it gives to `customElements.define`, under the tag of the contract.
 *
 * @example
 * ```ts
 * import { contract, interior, oneWay, twoWay, Type } from 'caulker'
 * import { elementFrom, nativeOutput, nativeText } from 'caulker/dom'
 * const yardName = contract('yard-name', {
 *   properties: { label: { type: Type.String(), default: '' } },
 *   values: { name: { type: Type.String(), default: '' } },
 * })
 * const inside = interior(yardName, {
 *   fittings: { label: nativeOutput, field: nativeText },
 *   bind: ({ face }) => ({ label: { text: oneWay(face.properties.label) }, field: { value: twoWay(face.values.name) } }),
 * })
 * customElements.define('yard-name', elementFrom(inside, { markup: '<label><span data-fitting="label"></span> <input data-fitting="field"></label>' }))
 * const element = document.createElement('yard-name') as HTMLElement & { name: string }
 * element.name = 'Heron'
 * console.assert(element.shadowRoot?.querySelector('input')?.value === 'Heron')
 * ```
 */
export function elementFrom<I extends Interior>(
  inside: I,
  { markup, style = '' }: ElementFromOptions,
): new () => ElementFrom<TypesOf<I>> & HTMLElement {
  const machine = committing(compile(inside), inside.contract)
  const { contract } = inside
  const { answers, commands, readings } = inside.screen
  const clauses = givenClauses(contract)
  const byAttribute = new Map(
    clauses.flatMap((clause) =>
      clause.attribute === false ? [] : [[clause.attribute.toLowerCase(), clause] as const],
    ),
  )

  // Without a property that disables it, a fieldset inside passes on what the fieldset around it says (HTML, section 4.10.18.5).
  const needsLock = contract.form !== undefined && contract.locks.disabled === undefined
  const inner = needsLock ? `<fieldset role="none" style="display: contents">${markup}</fieldset>` : markup

  class FromInterior extends HTMLElement {
    static readonly formAssociated = contract.form !== undefined
    static readonly observedAttributes = [...byAttribute.keys()]
    readonly #live: Live
    readonly #form: FormFace | undefined
    #isReflecting = false
    #wasMounted = false

    constructor() {
      super()
      const outgoing = eventsFrom(contract, (name) => this.#read(name))
      const root = this.attachShadow({ mode: 'open', delegatesFocus: true })
      root.innerHTML = `<style>:host { display: inline-block }\n[hidden] { display: none !important }\n${style}</style>${inner}`
      this.#live = liveOver(machine, {
        options: { onFault: (fault) => reportError(fault.error) },
        answering: {},
        enter: () => root,
        host: {
          report: (event, payload, values) => void this.dispatchEvent(outgoing(event, payload, values)),
          allows: (event, values) => this.dispatchEvent(outgoing(event, undefined, values)),
          settled: () => this.#settle(),
        },
      })
      if (contract.form !== undefined)
        this.#form = formFace(this, contract, {
          read: (name) => this.#live.driver.read(name),
          give: (changes) => this.#live.driver.give(changes),
          lockAll: (isLocked) => void root.querySelector('fieldset')?.toggleAttribute('disabled', isLocked),
          field: () => root.querySelector<HTMLElement>('input, select, textarea, button') ?? undefined,
        })
      root.addEventListener('keydown', (event) => this.#form?.press(event as KeyboardEvent))
      this.#settle()
    }

    connectedCallback(): void {
      this.#takeEarly()
      this.#wasMounted = true
      this.#settle()
    }

    attributeChangedCallback(attribute: string, _before: string | null, text: string | null): void {
      const clause = byAttribute.get(attribute)
      if (clause === undefined || this.#isReflecting) return
      // An attribute that is taken away is undefined: the default applies.
      this.#give(clause, text === null ? undefined : attributeValue(clause, text))
    }

    formAssociatedCallback(): void {
      this.#settle()
    }

    formDisabledCallback(isDisabled: boolean): void {
      this.#form?.disable(isDisabled)
    }

    formResetCallback(): void {
      this.#form?.reset()
    }

    formStateRestoreCallback(state: unknown): void {
      this.#form?.restore(state)
    }

    /** For accessors, which know their clause. */
    read({ name }: PropertyClause): unknown {
      return this.#read(name)
    }

    write(clause: PropertyClause, value: unknown): void {
      this.#give(clause, value)
    }

    run(name: string, args: readonly unknown[]): unknown {
      const { effect, reports } = contract.commands[name] as CommandClause
      if (effect === 'focus' && commands[name] === undefined) return this.focus()
      this.#live.driver.command(name, args, !reports)
      const isValid = effect === 'check' ? this.#form?.check() : undefined
      return answers[name] === undefined ? isValid : this.reading(answers[name])
    }

    reading(source: Cell<unknown> | Reckoned<unknown>): unknown {
      return this.#live.driver.read(source.name)
    }

    #read(name: string): unknown {
      return this.#form?.own(name) ?? this.#live.driver.read(name)
    }

    #give(clause: PropertyClause, value: unknown): void {
      // What keeps its own value takes what it is given at first, and no more.
      if (this.#wasMounted && isValue(clause) && clause.lastWord === 'self' && clause.accepts === 'never') return
      if (this.#form?.keep(clause.name, value) === true) return
      this.#live.driver.give({ [clause.name]: value })
    }

    /** Properties that were set before the element was defined lie on it, in front of its accessors. */
    #takeEarly(): void {
      const own = this as unknown as Record<string, unknown>
      for (const { name } of clauses) {
        if (!Object.hasOwn(own, name)) continue
        const early = own[name]
        delete own[name]
        own[name] = early
      }
    }

    #settle(): void {
      if ((this.#live as Live | undefined) === undefined) return
      this.#form?.settle()
      for (const clause of clauses) {
        if (!clause.reflects || clause.attribute === false) continue
        const text = attributeText(clause, this.read(clause))
        if (text === undefined || this.getAttribute(clause.attribute) === text) continue
        this.#isReflecting = true
        if (text === null) this.removeAttribute(clause.attribute)
        else this.setAttribute(clause.attribute, text)
        this.#isReflecting = false
      }
    }
  }

  const members = FromInterior.prototype
  for (const clause of clauses.filter(({ only }) => only === undefined))
    Object.defineProperty(members, clause.name, {
      configurable: true,
      enumerable: true,
      get(this: FromInterior) {
        return this.read(clause)
      },
      set(this: FromInterior, value: unknown) {
        this.write(clause, value)
      },
    })
  for (const [name, source] of Object.entries(readings))
    Object.defineProperty(members, name, {
      configurable: true,
      enumerable: true,
      get(this: FromInterior) {
        return this.reading(source)
      },
    })
  for (const name of Object.keys(contract.commands)) {
    if (name === 'focus' && commands[name] === undefined) continue
    Object.defineProperty(members, name, {
      configurable: true,
      writable: true,
      value(this: FromInterior, ...args: unknown[]) {
        return this.run(name, args)
      },
    })
  }
  return FromInterior as never
}

/** A value that reports when its field is left hears its native control then, and not at each key. */
function committing(machine: Machine, contract: AnyContract): Machine {
  const late = new Set(
    valueClauses(contract).flatMap(({ name, reports }) =>
      reports === 'commit' ? [machine.cells.findIndex((cell) => cell.name === name)] : [],
    ),
  )
  return {
    ...machine,
    fittings: machine.fittings.map((fitting) => {
      const shares = fitting.bound.filter(({ cell }) => late.has(cell)).map(({ name }) => name)
      if (shares.length === 0 || !fitting.contract.tag.startsWith('native-')) return fitting
      const values = Object.fromEntries(
        Object.entries(fitting.contract.values).map(([name, value]) => [
          name,
          shares.includes(name) && value.event === 'input' ? { ...value, event: 'change', reports: 'commit' } : value,
        ]),
      )
      const hears = new Map(
        [...fitting.hears].map(([event, hearing]) => [
          event === 'input' && hearing.bound.some(({ name }) => shares.includes(name)) ? 'change' : event,
          hearing,
        ]),
      )
      return { ...fitting, contract: { ...fitting.contract, values } as AnyContract, hears }
    }),
  }
}
