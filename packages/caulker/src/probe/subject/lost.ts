import { equal } from '../../contract/index.js'
import { samePicture } from '../sight/picture.js'
import { tell, type Setting, type Trail } from '../stage/trail.js'
import type { Subject } from './subject.js'

/**
 * The names that a component loses at the mount, and takes when it is told them then. That it loses them is said once; for all else
 * its owner tells them again, so that one fault does not hide the others.
 */
export async function lostAtMount(
  subject: Pick<Subject, 'tellable' | 'base' | 'plain' | 'fresh' | 'play'>,
): Promise<ReadonlySet<string>> {
  const lost = new Set<string>()
  for (const { name } of subject.tellable) {
    const [one, other] = subject.plain(name)
    if (one === undefined || other === undefined) continue
    if ((await isLost(subject, name, one, other)) || (await isLost(subject, name, other, one))) lost.add(name)
  }
  return lost
}

/** Whether a value is not there, or not to be seen, when it is given at the mount, and is when it is told. */
async function isLost(
  { base, fresh, play }: Pick<Subject, 'base' | 'fresh' | 'play'>,
  name: string,
  value: unknown,
  other: unknown,
): Promise<boolean> {
  const elsewhere = { ...base, [name]: other }
  const [, told] = (await play({ given: elsewhere, moves: [tell({ [name]: value })] })).rows
  if (told === undefined || told.fault !== undefined || told.unsettled !== undefined) return false
  const [mounted, unlike] = [await fresh({ ...base, [name]: value }), await fresh(elsewhere)]
  const isUnread =
    mounted.read[name] !== undefined && !equal(mounted.read[name], value) && equal(told.read[name], value)
  return isUnread || (samePicture(mounted.picture, unlike.picture) && !samePicture(told.picture, unlike.picture))
}

/** Of those, the ones that are not seen even then: a mount shows nothing of them, and is no measure for what is told later. */
export async function unseenAtMount(subject: Subject, lost: ReadonlySet<string>): Promise<ReadonlySet<string>> {
  const unseen = new Set<string>()
  for (const name of lost) {
    const [one, other] = subject.plain(name).map((value) => subject.fresh({ ...subject.base, [name]: value }))
    if (one !== undefined && other !== undefined && samePicture((await one).picture, (await other).picture))
      unseen.add(name)
  }
  return unseen
}

/** Where it matters how it is mounted, or what stands beside it, it is left as it was mounted. */
const ABOUT_THE_MOUNT: ReadonlySet<Setting> = new Set(['attributes', 'early', 'twin'])

/** The same trail, with what is lost at its mount told once more. */
export function toldAgain(trail: Trail, lost: ReadonlySet<string>): Trail {
  const { again: _, ...rest } = trail
  if (trail.setting !== undefined && ABOUT_THE_MOUNT.has(trail.setting)) return rest
  const again = [...lost].filter((name) => trail.given[name] !== undefined)
  return again.length === 0 ? rest : { ...rest, again }
}
