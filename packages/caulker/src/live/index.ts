export { playAllLive } from './play-all.js'
export type { LiveStage, PlayedLive } from './play-live.js'
export { recorder, type Recorder } from './record.js'
