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
    const [one, other] = subject.plain(name).filter((value) => !equal(value, subject.base[name]))
    if (one === undefined || other === undefined) continue
    const given = { ...subject.base, [name]: other }
    const [mounted, elsewhere] = [await subject.fresh({ ...subject.base, [name]: one }), await subject.fresh(given)]
    const [, told] = (await subject.play({ given, moves: [tell({ [name]: one })] })).rows
    if (told === undefined || told.fault !== undefined || told.unsettled !== undefined) continue
    const isUnread = mounted.read[name] !== undefined && !equal(mounted.read[name], one) && equal(told.read[name], one)
    const isUnseen = samePicture(mounted.picture, elsewhere.picture) && !samePicture(told.picture, elsewhere.picture)
    if (isUnread || isUnseen) lost.add(name)
  }
  return lost
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
