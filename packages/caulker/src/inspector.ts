export { inspector, type Inspector } from './inspect/index.js'
export { recorder, type Recorder } from './live/index.js'
