import { isLine } from './text-entry.js'

/** The native forms of a screen: their submit is its submit, as is Enter in a field that no form knows; their reset brings it back. */
export interface Forms {
  stop(): void
}

export function formsOf(root: ParentNode, act: { readonly submits: boolean; submit(): void; reset(): void }): Forms {
  const around = (root as Partial<Element>).closest?.('form')
  const forms = new Set([...(around == null ? [] : [around]), ...root.querySelectorAll('form')])
  const submit = (event: Event) => {
    if (!act.submits) return
    event.preventDefault()
    act.submit()
  }
  // The form is reset after its event: what components show then is unknown, and all is told again.
  const timers = new Set<ReturnType<typeof setTimeout>>()
  const reset = (event: Event) => {
    const timer = setTimeout(() => {
      timers.delete(timer)
      if (!event.defaultPrevented) act.reset()
    })
    timers.add(timer)
  }
  // A field inside a component belongs to no form of the page, and has no implicit submission (HTML, section 4.10.21.2).
  const entered = (event: Event) => {
    const { key, isComposing } = event as KeyboardEvent
    const field = event.composedPath()[0] as Partial<HTMLInputElement> | undefined
    if (key !== 'Enter' || isComposing || event.defaultPrevented || !isLine(field) || field?.form != null) return
    act.submit()
  }
  if (act.submits) root.addEventListener('keydown', entered)
  const stops = [...forms].map((form) => {
    const { noValidate } = form
    // What is wrong is said beside the fields by the screen, and not by the browser before the screen has heard of it.
    if (act.submits) form.noValidate = true
    form.addEventListener('submit', submit)
    form.addEventListener('reset', reset)
    return () => {
      form.noValidate = noValidate
      form.removeEventListener('submit', submit)
      form.removeEventListener('reset', reset)
    }
  })
  return {
    stop() {
      stops.forEach((stop) => stop())
      root.removeEventListener('keydown', entered)
      timers.forEach((timer) => clearTimeout(timer))
    },
  }
}
