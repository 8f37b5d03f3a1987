export { adoptText } from './adopt-text.js'
export { compareText } from './compare-text.js'
export { checkText } from './check-text.js'
export { reportJson } from './json.js'
export {
  type AdoptReport,
  type AdoptedComponent,
  countClauses,
  type CheckReport,
  type CompareReport,
  type LocatedChange,
  type ComponentReport,
  type Counts,
  type LocatedFinding,
  type ProbesReport,
  type SheetReport,
  type TroubleReport,
} from './model.js'
export { answerText, componentText, probeText, type ProbeTextOptions } from './probe-text.js'
export { checkSarif } from './sarif.js'
export { reportSchema } from './schema.js'
export { sheetText } from './sheet-text.js'
export { troubleLines, troubleText } from './trouble-text.js'
export { ledgerLines } from './ledger-text.js'
