import { printed } from '../../contract/index.js'
import { shadowOf } from '../../dom/index.js'
import type { Given } from '../../mount/index.js'
import type { Played } from '../stage/played.js'
import { saidInside } from '../person/said.js'
import type { Move } from '../stage/trail.js'
import { takesAnyText } from '../subject/off-type.js'
import { oneAtEach, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** Names of what is written for a person to read, by their last word. */
const FOR_READING =
  /(^|[a-z-])(label|caption|legend|heading|title|hint|help|helper|helptext|note|description|prefix|suffix|placeholder)$/i

/** At how many ways it is looked whether a text comes up. */
const MOST_WAYS = 10

/** A text for a person that comes to stand nowhere in it: neither as a text nor in an attribute, whatever is done. */
export async function wordsUnread(subject: Subject, { trail, rows: [row] }: Played): Promise<LeakAt | undefined> {
  if (row.fault !== undefined) return undefined
  for (const { name, kind, type, attribute } of subject.names) {
    const text = trail.given[name]
    if (kind !== 'property' || typeof text !== 'string' || !FOR_READING.test(name) || !takesAnyText(type)) continue
    const word = wordOf(text)
    // A text that something else has as well is told apart from nothing.
    const others = Object.entries(trail.given).filter(([other]) => other !== name)
    if (word === undefined || others.some(([, other]) => printed(other, 400).toLowerCase().includes(word))) continue
    const standsAt = (given: Given, moves: readonly Move[]) =>
      subject.lookAfter(given, moves, (container) =>
        holds(container, word, subject.contract.tag, attribute === false ? name : attribute),
      )
    const ways = oneAtEach(subject.ways).slice(0, MOST_WAYS)
    const mounts = [trail.given, { ...subject.least, [name]: text }, { ...subject.middle, [name]: text }]
    const places = [
      ...mounts.map((given) => ({ given, moves: [] as readonly Move[] })),
      ...ways.flatMap(({ given, moves }) =>
        [moves.slice(0, 1), moves].map((made) => ({ given: { ...given, [name]: text }, moves: made })),
      ),
    ]
    let isFound = false
    for (const { given, moves } of places) isFound ||= (await standsAt(given, moves)) !== false
    if (isFound) continue
    return {
      row: 0,
      says: `${name} is nowhere to be read`,
      expected: `shown ${text}`,
      found: 'it stands in no text and in no attribute of what is drawn',
      cause: `${name} is kept, and not drawn`,
    }
  }
  return undefined
}

/** The first word of a text, as it may be drawn: capitals and blanks may be others there. */
function wordOf(text: string): string | undefined {
  return /[\p{L}\p{N}]{3,}/u.exec(text.toLowerCase())?.[0]
}

/** HTML Standard, sections 3.2.6.1 and 4.8.3, and WAI-ARIA 1.2, section 5.2.8: attributes that are read wherever they stand. */
const READ = /^(title|alt|aria-.*)$/
/** What may hold any text, and is not looked into. */
const OPAQUE = ['canvas', 'iframe', 'object', 'embed']

/** Whether a word stands anywhere in what is drawn; that the element of the component reflects it is no drawing. */
function holds(tree: ParentNode, word: string, tag: string, reflected: string): boolean {
  const has = (text: string | null) => text?.toLowerCase().includes(word) === true
  for (const node of tree.childNodes) {
    if (node.nodeType === 3 && has(node.textContent)) return true
    if (node.nodeType !== 1) continue
    const element = node as HTMLElement
    if (OPAQUE.includes(element.localName) || saidInside(element).some(has)) return true
    const isOwn = ({ name }: Attr) => element.localName === tag && name === reflected.toLowerCase() && !READ.test(name)
    if ([...element.attributes].some((one) => !isOwn(one) && has(one.value))) return true
    if (has((element as HTMLInputElement).value?.toString() ?? null)) return true
    const shadow = shadowOf(element)
    if (holds(element, word, tag, reflected) || (shadow !== null && holds(shadow, word, tag, reflected))) return true
  }
  return false
}
