export { CaulkerError, isTooDeep, messageOf, type ErrorCode } from './errors.js'
export { closest, hint, kebab, labelOf } from './names.js'
export { counted, inkFor, sentence, wrapped, type Ink } from './ink.js'
export { visible, visibleIn } from './visible.js'
