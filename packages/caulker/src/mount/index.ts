export type { Given, Heard, Mount, Mounted } from './mount.js'
