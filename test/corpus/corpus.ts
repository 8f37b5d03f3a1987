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
          takingEarly(
            make((one) => one === fault),
            // The one fault that no class has by itself: nothing is taken that was set too early.
            fault === 'loses-early' ? [] : Object.keys({ ...promise.properties, ...promise.values }),
          ),
        ),
    }
  })
}

/** What was set before the element was defined is handed to the accessors of its class when it is put in place. */
function takingEarly(made: CustomElementConstructor, names: readonly string[]): CustomElementConstructor {
  return class extends (made as new () => HTMLElement & { connectedCallback?(): void }) {
    static readonly observedAttributes = (made as { observedAttributes?: string[] }).observedAttributes
    override connectedCallback(): void {
      for (const name of names) {
        if (!Object.hasOwn(this, name)) continue
        const own = this as unknown as Record<string, unknown>
        const early = own[name]
        delete own[name]
        own[name] = early
      }
      super.connectedCallback?.()
    }
  }
}

export function report(element: HTMLElement, event: string, value: unknown): void {
  element.dispatchEvent(new CustomEvent(event, { detail: { value } }))
}

export function made<K extends keyof HTMLElementTagNameMap>(name: K, more: object = {}): HTMLElementTagNameMap[K] {
  return Object.assign(document.createElement(name), more)
}
