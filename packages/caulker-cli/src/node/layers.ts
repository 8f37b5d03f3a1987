import { isOfDialog } from 'caulker/inside/probe'

type View = Window & typeof globalThis

/**
 * Dialogs and popovers as they are opened and closed, which an embedded DOM does not carry out. HTML Standard, sections 4.11.4 and 6.12.
 */
export function installLayers(view: View): void {
  installPopovers(view)
  installDialogs(view)
}

function installDialogs({ HTMLDialogElement: { prototype }, Event }: View): void {
  if ('showModal' in prototype) return
  const modal = new WeakSet<Element>()
  const shown = (dialog: HTMLDialogElement) => {
    dialog.open = true
    // At the dialog, which stands in the tree of its form: a submit does not leave that.
    dialog.addEventListener('submit', closeWithForm)
    focusFirst(dialog)
  }
  knowState(prototype, ':modal', (element) => modal.has(element) && element.hasAttribute('open'))
  give(prototype, {
    returnValue: '',
    show(this: HTMLDialogElement) {
      shown(this)
    },
    showModal(this: HTMLDialogElement) {
      modal.add(this)
      shown(this)
    },
    close(this: HTMLDialogElement, returnValue?: string) {
      if (!this.open) return
      modal.delete(this)
      this.open = false
      if (returnValue !== undefined) this.returnValue = returnValue
      queueMicrotask(() => this.dispatchEvent(new Event('close')))
    },
  })
}

/** HTML Standard, section 4.10.22.3: a form whose method is dialog is sent nowhere, and closes the dialog that it stands in. */
function closeWithForm(this: HTMLDialogElement, event: SubmitEvent): void {
  if (event.defaultPrevented || !isOfDialog(event)) return
  event.preventDefault()
  this.close((event.submitter as HTMLButtonElement | null)?.value)
}

/** HTML Standard, section 4.11.4: what is meant to have the focus, else the first that can have it. */
function focusFirst(dialog: HTMLDialogElement): void {
  const first = 'button:enabled, input:enabled, select:enabled, textarea:enabled, [tabindex]'
  dialog.querySelector<HTMLElement>('[autofocus]')?.focus()
  if (!dialog.contains((dialog.getRootNode() as Document | ShadowRoot).activeElement))
    dialog.querySelector<HTMLElement>(first)?.focus()
}

function installPopovers(view: View): void {
  const { prototype } = view.HTMLElement
  if ('showPopover' in prototype) return
  const open = new WeakSet<Element>()
  knowState(prototype, ':popover-open', (element) => open.has(element) && element.isConnected)
  const turn = (element: HTMLElement, isOpen: boolean) => {
    if (open.has(element) === isOpen || !element.hasAttribute('popover')) return
    if (isOpen) open.add(element)
    else open.delete(element)
    const [newState, oldState] = isOpen ? ['open', 'closed'] : ['closed', 'open']
    for (const name of ['beforetoggle', 'toggle'])
      element.dispatchEvent(Object.assign(new view.Event(name), { newState, oldState }))
  }
  Object.defineProperty(prototype, 'popover', {
    configurable: true,
    get(this: HTMLElement) {
      return this.getAttribute('popover')
    },
    set(this: HTMLElement, how: string | null) {
      if (how === null) this.removeAttribute('popover')
      else this.setAttribute('popover', how)
    },
  })
  installInvokers(view)
  give(prototype, {
    showPopover(this: HTMLElement) {
      turn(this, true)
    },
    hidePopover(this: HTMLElement) {
      turn(this, false)
    },
    togglePopover(this: HTMLElement, force?: boolean) {
      turn(this, force ?? !open.has(this))
      return open.has(this)
    },
  })
}

/** HTML Standard, section 6.12.2: a button that says whose popover it opens. */
function installInvokers(view: View): void {
  view.addEventListener('click', (event) => {
    const [target] = event.composedPath()
    const button = target instanceof view.Element ? target.closest('button[popovertarget]') : null
    const of = button?.getAttribute('popovertarget') ?? ''
    if (button !== null && !event.defaultPrevented)
      (button.getRootNode() as Document | ShadowRoot).getElementById(of)?.togglePopover()
  })
}

function give(prototype: object, functions: object): void {
  for (const [name, value] of Object.entries(functions))
    Object.defineProperty(prototype, name, { value, configurable: true, writable: true })
}

/** A state that selectors of the embedded DOM do not know is asked for by its name alone. */
function knowState(prototype: Element, state: string, isIt: (element: Element) => boolean): void {
  const matches = prototype.matches as (selector: string) => boolean
  give(prototype, {
    matches(this: Element, selector: string) {
      return selector === state ? isIt(this) : matches.call(this, selector)
    },
  })
}
