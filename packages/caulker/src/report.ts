export {
  checkSarif,
  checkText,
  probeText,
  reportJson,
  reportSchema,
  sheetText,
  type CheckReport,
  type CompareReport,
  type ProbesReport,
  type SheetReport,
} from './report/index.js'
