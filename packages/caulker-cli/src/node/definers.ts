import { readFileSync } from 'node:fs'
import { search } from './find.js'

/** The modules below a folder that register custom elements, tests left out. */
export function definersIn(folder: string): string[] {
  return search(folder, ['**/*.{ts,js,mts,mjs}']).filter(
    (file) =>
      !/\.(?:test|spec|config|contract|screen|interior|journey)\.[cm]?[jt]s$|\.d\.[cm]?ts$/.test(file) &&
      /customElements\s*\.\s*define\s*\(/.test(readFileSync(file, 'utf8')),
  )
}
