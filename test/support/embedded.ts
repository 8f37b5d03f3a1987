import type { Frames } from 'caulker/probe'
import { openEmbeddedWindow } from '../../packages/caulker-cli/dist/node/embedded-window.js'

/** Runs something with a DOM as globals, and takes the DOM away again. */
export async function inDocument<T>(
  work: (document: Document, next: () => Promise<void>, frames: Frames) => T | Promise<T>,
): Promise<T> {
  const { document, frames, close } = openEmbeddedWindow()
  try {
    return await work(document, frames.next, frames)
  } finally {
    close()
  }
}
