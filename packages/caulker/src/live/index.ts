export { playLive, type LiveStage, type PlayedLive } from './play-live.js'
export { recorder, type Recorder } from './record.js'
