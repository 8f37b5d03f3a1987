import { LENT_DOCUMENT, type LentDocument } from 'caulker/inside/probe'
import { keepEmbeddedWindow, type KeptWindow } from './node/embedded-window.js'

// import 'caulker-cli/document': lends suites in plain Node a document while a component is probed, and leaves the globals as they were.
let kept: KeptWindow | undefined
/** One at a time: two suites that are probed at once would share the clock. */
let last: Promise<unknown> = Promise.resolve()

const lent: LentDocument = {
  within(work) {
    const made = last.then(async () => {
      kept ??= keepEmbeddedWindow()
      const { document, frames, leave } = kept.enter()
      try {
        return await work({ document, frames })
      } finally {
        leave()
      }
    })
    last = made.catch(() => undefined)
    return made
  },
}

Object.defineProperty(globalThis, LENT_DOCUMENT, { value: lent, configurable: true })
