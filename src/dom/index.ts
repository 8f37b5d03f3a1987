export { elementMount, refuseUndefined, type ElementMountOptions } from './element-mount.js'
export { deepActiveElement } from './focus.js'
export { mountScreen, type MountedScreen, type MountScreenOptions } from './mount-screen.js'
export { nativeButton, nativeNumber, nativeText } from './natives.js'
