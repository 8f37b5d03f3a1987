import { watchTypes } from './machine/index.js'

// What bundlers take for `caulker/dom` while one develops (package export condition `development`).
watchTypes((message) => console.error(message))

export * from './dom.js'
