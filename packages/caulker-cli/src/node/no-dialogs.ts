/**
 * Nobody is there to answer a dialog or to close another window: a dialog is answered at once, as by somebody who waves it away, and a
 * window that is opened is one that is closed already (HTML Standard, sections 8.8 and 7.2.2.1).
 */
export function installNoDialogs(view: Window & typeof globalThis): void {
  Object.assign(view, {
    alert: () => undefined,
    confirm: () => false,
    prompt: () => null,
    print: () => undefined,
    open: () => closedWindow(view.document),
  })
}

/** What can be asked of a window after it was opened. */
function closedWindow({ implementation }: Document): object {
  const nothing = (): void => undefined
  return {
    closed: true,
    opener: null,
    name: '',
    location: { href: 'about:blank', assign: nothing, replace: nothing, reload: nothing },
    document: implementation.createHTMLDocument(''),
    close: nothing,
    focus: nothing,
    blur: nothing,
    print: nothing,
    postMessage: nothing,
    addEventListener: nothing,
    removeEventListener: nothing,
  }
}
