import { all } from './parts.js'
import type { AnyContract } from 'caulker'

/** What a row can do with a hand-written element beside what the platform gives. */
export interface Operable extends HTMLElement {
  person(name: string, value: unknown): void
  /** As by a person at a text field inside it. */
  type(name: string, value: unknown): void
  send(event: string, detail: unknown): void
  readonly log: string[]
}

/** Defines one plain element for each contract of the rows: it keeps what it is given, and reports what a person makes of it. */
export function defineElements(view: Window & typeof globalThis): void {
  for (const contract of all)
    if (view.customElements.get(contract.tag) === undefined)
      view.customElements.define(contract.tag, elementFor(view, contract as AnyContract))
}

function elementFor(view: Window & typeof globalThis, contract: AnyContract): CustomElementConstructor {
  const { properties, values, commands } = contract
  const clauses = { ...properties, ...values }
  class Plain extends view.HTMLElement implements Operable {
    readonly held: Record<string, unknown> = Object.fromEntries(
      Object.values(clauses).map(({ name, default: usual }) => [name, usual]),
    )
    readonly unfinished = new Map<string, unknown>()
    readonly log: string[] = []

    constructor() {
      super()
      this.addEventListener('blur', () => this.finish())
    }

    connectedCallback() {
      this.tabIndex = 0
    }

    person(name: string, value: unknown) {
      this.focus()
      if (values[name]?.reports === 'commit') {
        this.unfinished.set(name, value)
        this.dispatchEvent(new view.Event('input', { bubbles: true }))
      } else this.change(name, value)
    }

    type(name: string, value: unknown) {
      const field = this.ownerDocument.createElement('input')
      this.replaceChildren(field)
      field.focus()
      field.addEventListener('input', () => this.change(name, value))
      field.dispatchEvent(new view.Event('input', { bubbles: true }))
    }

    finish() {
      for (const [name, value] of this.unfinished) {
        this.unfinished.delete(name)
        this.change(name, value)
      }
    }

    change(name: string, value: unknown) {
      const before = this.held[name]
      this.held[name] = value
      if (before !== value) this.send(values[name]?.event ?? '', { value })
    }

    send(event: string, detail: unknown) {
      if (detail !== null && typeof detail === 'object')
        for (const [name, value] of Object.entries(detail)) if (name !== 'value') this.held[name] = value
      this.dispatchEvent(new view.CustomEvent(event, { detail }))
    }
  }
  for (const { name, default: usual } of Object.values(clauses))
    Object.defineProperty(Plain.prototype, name, {
      get(this: Plain) {
        return this.unfinished.get(name) ?? this.held[name]
      },
      set(this: Plain, value: unknown) {
        if (contract.tag === 'moody-tag' && value === 7) throw new Error('no sevens')
        this.log.push(`${name}=${JSON.stringify(value)}`)
        this.unfinished.delete(name)
        this.held[name] = value ?? usual
      },
    })
  for (const [name, { reports }] of Object.entries(commands))
    Object.defineProperty(Plain.prototype, name, {
      value(this: Plain) {
        for (const value of Object.values(values)) {
          if (reports) this.change(value.name, value.default)
          else this.held[value.name] = value.default
        }
      },
    })
  return Plain as never
}
