import type { AnyContract, TUnsafe } from '../../contract/index.js'

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

const natives = new Map<string, Native>()

/** A contract together with how it is kept by a native control: a control that nobody imports costs nothing. */
export function native<C extends AnyContract>(contract: C, keeps: Native): C {
  natives.set(contract.tag, keeps)
  return contract
}

export function nativeFor(tag: string): Native | undefined {
  return natives.get(tag)
}

/** A data type of plain JSON Schema, without the builder: `T` is the type of its values. */
export function plain<T>(schema: object): TUnsafe<T> {
  return schema as never
}

export const flag = { type: plain<boolean>({ type: 'boolean' }), default: false }

interface FieldPart {
  write(field: HTMLInputElement, name: string, value: unknown): void
  read(field: HTMLInputElement, name: string): unknown
}

/** An `<input>` of one type: flags are flags, and the rest is its own affair. */
export function fieldOf(type: string, part: FieldPart): Native {
  return {
    expects: `an <input type="${type}">`,
    fits: (element) => element.localName === 'input' && (element as HTMLInputElement).type === type,
    create: (document) => input(document, type),
    write: (field: HTMLInputElement, name, value) =>
      isFlag(name) ? void Object.assign(field, { [name]: value === true }) : part.write(field, name, value),
    read: (field: HTMLInputElement, name) => (isFlag(name) ? field[name as 'disabled'] : part.read(field, name)),
    events: {},
  }
}

/** What a field of one text holds. */
export const TEXT_FIELD: FieldPart = {
  write: (field, _name, value) => void (field.value = typeof value === 'string' ? value : ''),
  read: (field) => field.value,
}

export function input(document: Document, type: string): HTMLInputElement {
  return Object.assign(document.createElement('input'), { type })
}

export function isFlag(name: string): boolean {
  return name === 'disabled' || name === 'readOnly'
}
