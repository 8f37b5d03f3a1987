export { attachHandlers } from './attach-handlers.js'
export type { ElementOf, EventsOf, ElementFrom } from './element-types.js'
export { elementFrom, type ElementFromOptions } from './element-from.js'
export { elementMount, refuseUndefined, type ElementMountOptions } from './element-mount.js'
export { deepActiveElement, isInside } from './focus.js'
export { rememberRoots, shadowOf } from './roots.js'
export {
  mountScreen,
  type MountedLive,
  type MountedScreen,
  type MountScreenOptions,
  type Side,
} from './mount-screen.js'
export { mountJourney, type MountedJourney, type MountJourneyOptions } from './mount-journey.js'
export type { Followable } from './follow.js'
export {
  nativeButton,
  nativeCheckbox,
  nativeFile,
  nativeRadios,
  nativeSelect,
  nativeColour,
  nativeDate,
  nativeNumber,
  nativeOutput,
  nativeRange,
  nativeText,
} from './native-contracts.js'
export { takeGiven } from './take-given.js'
export { chooseFiles } from './file-field.js'
