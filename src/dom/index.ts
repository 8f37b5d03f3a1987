export { attachHandlers } from './attach-handlers.js'
export type { ElementOf, EventsOf, ElementFrom } from './element-types.js'
export { elementMount, refuseUndefined, type ElementMountOptions } from './element-mount.js'
export { deepActiveElement } from './focus.js'
export { mountScreen, type MountedScreen, type MountScreenOptions } from './mount-screen.js'
export {
  nativeButton,
  nativeCheckbox,
  nativeColour,
  nativeDate,
  nativeNumber,
  nativeOutput,
  nativeRange,
  nativeText,
} from './natives.js'
export { takeGiven } from './take-given.js'
