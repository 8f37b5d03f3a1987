export { inspector, type Inspector } from './inspect/index.js'
