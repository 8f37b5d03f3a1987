export { adoptText } from './adopt-text.js'
export { compareText } from './compare-text.js'
export { checkText } from './text/check-text.js'
export { reportJson } from './text/json.js'
export {
  type AdoptReport,
  type AdoptedComponent,
  countClauses,
  type CheckReport,
  type CompareReport,
  type LocatedChange,
  type ComponentReport,
  type Counts,
  type LiveScripts,
  type LocatedFinding,
  type PlayReport,
  type ProbesReport,
  type RehearsedLeak,
  type RehearsedWiring,
  type RehearseReport,
  type SheetReport,
  type TroubleReport,
} from './text/model.js'
export { answerText, componentText, probeText, type ProbeTextOptions } from './text/probe-text.js'
export { liveText, playedText, quotedTrail, rehearseText } from './text/rehearse-text.js'
export { checkSarif } from './sarif.js'
export { reportSchema } from './schema.js'
export { sheetText } from './sheet-text.js'
export { troubleLines, troubleText } from './text/trouble-text.js'
export { ledgerLines } from './text/ledger-text.js'
