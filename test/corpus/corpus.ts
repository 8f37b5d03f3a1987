import { contract, type AnyContract } from 'caulker'

/** What a corpus component is built from: it is sound, unless it is asked to have one of its faults. */
export interface CorpusEntry<F extends string> {
  tag: `${string}-${string}`
  promise: Parameters<typeof contract>[1]
  /** Each fault with the clauses that may rightly name it. */
  faults: Record<F, string[]>
  make(has: (fault: F) => boolean): CustomElementConstructor
}

export interface CorpusComponent {
  contract: AnyContract
  /** Empty for the sound one. */
  fault: string
  clauses: string[]
  define(): void
}

/** The sound component and one variant for each single fault. */
export function variants<F extends string>({ tag, promise, faults, make }: CorpusEntry<F>): CorpusComponent[] {
  const draft = contract as (tag: string, draft: never) => AnyContract
  const all = ['', ...Object.keys(faults)] as (F | '')[]
  return all.map((fault) => {
    const name = fault === '' ? tag : `${tag}-with-${fault}`
    return {
      contract: draft(name, promise as never),
      fault,
      clauses: fault === '' ? [] : faults[fault],
      define: () =>
        customElements.define(
          name,
          make((one) => one === fault),
        ),
    }
  })
}

export function report(element: HTMLElement, event: string, value: unknown): void {
  element.dispatchEvent(new CustomEvent(event, { detail: { value } }))
}

export function made<K extends keyof HTMLElementTagNameMap>(name: K, more: object = {}): HTMLElementTagNameMap[K] {
  return Object.assign(document.createElement(name), more)
}
