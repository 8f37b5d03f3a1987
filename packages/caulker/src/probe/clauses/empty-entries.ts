import { equal } from '../../contract/index.js'
import { elementsIn } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** HTML Standard, section 4.4.8: an entry of a list in which nothing stands, and to which nothing is said. */
export async function emptyEntry(subject: Subject, { trail }: Played): Promise<LeakAt | undefined> {
  if (!equal(trail.given, subject.middle)) return undefined
  const [count, empty] = (await subject.look(trail.given, entriesIn)) ?? [0, 0]
  if (empty === 0 || empty < count) return undefined
  return {
    row: 0,
    says: 'the entries of its list are drawn, and nothing stands in them',
    expected: 'what each of them is',
    found: `${empty} empty ${empty === 1 ? 'entry' : 'entries'}`,
  }
}

/** How many entries are drawn, and how many of them are bare: what has a class or a style may be drawn by that. */
function entriesIn(container: HTMLElement): [count: number, empty: number] {
  const entries = elementsIn(container).filter(({ localName }) => localName === 'li')
  const bare = entries.filter(
    (one) => one.attributes.length === 0 && one.childElementCount === 0 && one.textContent?.trim() === '',
  )
  return [entries.length, bare.length]
}
