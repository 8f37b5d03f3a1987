import { equal } from '../../contract/index.js'
import { shadowOf } from '../../dom/index.js'
import type { Played } from '../stage/played.js'
import { samePicture } from '../sight/picture.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** A component with a value of which there is nothing in the page but its own bare element. */
export async function drawsNothing(subject: Subject, { trail, rows: [row] }: Played): Promise<LeakAt | undefined> {
  const { contract, controls, ways, values, middle, least } = subject
  if (values.length === 0 || controls.length + ways.length > 0 || !equal(trail.given, middle)) return undefined
  // What stands around the content of its owner may draw nothing itself.
  if (Object.keys(contract.slots).length > 0 || contract.content !== undefined || row.fault !== undefined)
    return undefined
  const isBare = await subject.look(middle, (container) => isBareElement(container, contract.tag))
  if (isBare !== true || !samePicture(row.picture, (await subject.fresh(least)).picture)) return undefined
  return {
    row: 0,
    says: 'it draws nothing at all',
    expected: 'something that shows its value, or a control for it',
    found: 'an element with nothing in it',
    cause: 'what draws it is never called',
  }
}

/** HTML Standard, sections 4.2 and 4.12: what is in a tree and draws nothing. */
const UNDRAWN = ['style', 'link', 'script', 'template', 'slot']

/** Whether it neither holds anything that can be seen nor is drawn, or said to be something, itself. */
function isBareElement(container: HTMLElement, tag: string): boolean {
  const [root] = container.getElementsByTagName(tag)
  if (root === undefined || [...root.attributes].some(({ name }) => /^(role|style|class|tabindex|aria-.*)$/.test(name)))
    return false
  const inside = [root, shadowOf(root)].flatMap((tree) => [...(tree?.childNodes ?? [])])
  return inside.every((node) =>
    node.nodeType === 1
      ? UNDRAWN.includes((node as Element).localName)
      : node.nodeType !== 3 || node.textContent?.trim() === '',
  )
}
