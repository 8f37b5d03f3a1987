export { giveAll } from './attribute-only.js'
export { fillContent, placeBeside } from './content.js'
export { attachHandlers } from './attach-handlers.js'
export type { ElementOf, EventsOf, ElementFrom } from './element-types.js'
export { elementFrom, type ElementFromOptions } from './element-from.js'
export { elementMount, refuseUndefined, type ElementMountOptions } from './element-mount.js'
export { deepActiveElement, isInside } from './focus.js'
export { rememberRoots, shadowOf } from './roots.js'
export { whileAsked } from './while-asked.js'
export {
  driverOf,
  mountScreen,
  type MountedLive,
  type MountedScreen,
  type MountScreenOptions,
  type Side,
} from './mount-screen.js'
export { mountJourney, type MountedJourney, type MountJourneyOptions } from './mount-journey.js'
export type { Followable } from './follow.js'
export {
  chooseFiles,
  nativeButton,
  nativeCheckbox,
  nativeColour,
  nativeDate,
  nativeFile,
  nativeFor,
  nativeNumber,
  nativeOutput,
  nativeRadios,
  nativeRange,
  nativeSelect,
  nativeText,
} from './natives/index.js'
export { takeGiven } from './take-given.js'
