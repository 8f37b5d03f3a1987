import type { AnyContract } from '../contract/index.js'

/** How the names of a native control's contract are found on the control itself. */
export interface Native {
  /** In words, for messages. */
  readonly expects: string
  fits(element: Element): boolean
  create(document: Document, contract: AnyContract): Element
  write(element: never, name: string, value: unknown): void
  read(element: never, name: string): unknown
  /** The platform's own name of an event, where the contract has another. */
  readonly events: Readonly<Record<string, string>>
}
