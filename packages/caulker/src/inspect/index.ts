export { inspector, type Inspector } from './inspector.js'
