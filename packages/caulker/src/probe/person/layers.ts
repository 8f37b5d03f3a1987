import { isInside } from '../../dom/index.js'
import { parentOf } from './drawn-in.js'

/** HTML Standard, section 4.11.4: whether a modal dialog of its tree is open and it stands outside of it, where nobody gets. */
export function isBehindModal(element: Element): boolean {
  const modal = shownIn(element, 'dialog[open]').filter(isModal).at(-1)
  return modal !== undefined && !isInside(element, modal)
}

/** HTML Standard, section 6.10: what is asked to close by Escape: the popover or the modal dialog around what has the focus, else a popover beside it. */
export function closeTop(element: Element): void {
  for (let one: Element | null = element; one !== null; one = parentOf(one)) {
    if (closesByItself(one)) return one.hidePopover()
    if (isModal(one)) return cancel(one as HTMLDialogElement)
  }
  shownIn(element, POPOVERS).find(closesByItself)?.hidePopover()
}

/** HTML Standard, section 6.12: a press beside an open popover closes it; one at what opens it is left to that. */
export function closeBeside(element: Element): void {
  for (const popover of shownIn(element, POPOVERS))
    if (closesByItself(popover) && !isInside(element, popover) && !opens(element, popover)) popover.hidePopover()
}

const POPOVERS = '[popover]:not([popover="manual"])'

function shownIn(element: Element, selector: string): HTMLElement[] {
  return [...(element.getRootNode() as ParentNode).querySelectorAll<HTMLElement>(selector)]
}

function closesByItself(element: Element): element is HTMLElement {
  return element.matches(POPOVERS) && element.matches(':popover-open')
}

function isModal(element: Element): boolean {
  return element.localName === 'dialog' && element.matches(':modal')
}

function cancel(dialog: HTMLDialogElement): void {
  const view = dialog.ownerDocument.defaultView as Window & typeof globalThis
  if (dialog.dispatchEvent(new view.Event('cancel', { cancelable: true }))) dialog.close()
}

function opens(element: Element, popover: HTMLElement): boolean {
  const button = element.closest<HTMLButtonElement>('[popovertarget]')
  return button !== null && button.popoverTargetElement === popover
}
