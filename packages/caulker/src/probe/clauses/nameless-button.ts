import { equal } from '../../contract/index.js'
import { findControl } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** WAI-ARIA 1.2, section 5.2.8.4: a button that has neither a word nor a picture, nor a name for whoever sees neither. */
export async function namelessButton(subject: Subject, { trail }: Played): Promise<LeakAt | undefined> {
  if (!equal(trail.given, subject.middle)) return undefined
  for (const on of subject.controls.filter(({ kind, label }) => kind === 'button' && label === '')) {
    const isEmpty = await subject.look(trail.given, (container) => {
      const element = findControl(container, on)
      return element?.localName === 'button' && element.childElementCount === 0 && element.textContent?.trim() === ''
    })
    if (isEmpty !== true) continue
    return {
      row: 0,
      says: 'a button has no name',
      expected: 'a word in it, or a name by aria-label',
      found: `the button ${on.nth + 1} is empty`,
      cause: 'nobody can say what it does',
    }
  }
  return undefined
}
