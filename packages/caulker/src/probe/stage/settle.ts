import { EMPTY_PICTURE, pictureOf, samePicture, type Picture } from '../sight/picture.js'
import { MOST_REPORTS } from './hearing.js'
import type { Scene } from './scene.js'

const MOST_FRAMES = 90

/**
 * Two frames in which nothing that a person sees changes and nothing is reported; none, where nothing waits for time to pass.
 *
 * @param within how long a report may be held back, in milliseconds
 */
export async function settle(scene: Scene, within: number): Promise<{ picture: Picture; isQuiet: boolean }> {
  const { place, options } = scene
  const { frames, document } = options
  const quietFrames = 2 + Math.ceil(within / frames.milliseconds)
  let picture = EMPTY_PICTURE
  let reports = scene.heardInAll
  for (let frame = 0, quiet = 0; frame < MOST_FRAMES + quietFrames; frame++) {
    await frames.next()
    if (frame === 0 && (await isStill(scene))) return { picture: pictureOf(place), isQuiet: true }
    finishAnimations(document)
    const now = pictureOf(place)
    quiet = frame > 0 && samePicture(now, picture) && scene.heardInAll === reports ? quiet + 1 : 0
    picture = now
    reports = scene.heardInAll
    if (quiet >= quietFrames) return { picture, isQuiet: true }
    if (scene.heardInAll > MOST_REPORTS) break
  }
  return { picture, isQuiet: false }
}

/** Whether nothing waits for time to pass, and one more turn brings nothing to wait for: then nothing can change by itself. */
async function isStill(scene: Scene): Promise<boolean> {
  const { frames } = scene.options
  const reports = scene.heardInAll
  if (frames.isStill?.() !== true) return false
  await frames.next()
  return frames.isStill() && scene.heardInAll === reports
}

function finishAnimations(document: Document): void {
  for (const animation of document.getAnimations?.() ?? []) {
    try {
      animation.finish()
    } catch {
      animation.cancel()
    }
  }
}
