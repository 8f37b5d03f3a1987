import { reefSwitch } from './reef-switch.js'
import { deckSplit } from './deck-split.js'
import { logLines } from './log-lines.js'
import { tideTable } from './tide-table.js'
import { dueDay } from './due-day.js'
import { partList } from './part-list.js'
import { sillDraught } from './sill-draught.js'
import { hullTicket } from './hull-ticket.js'
import { hatchSeen } from './hatch-seen.js'
import { slateNote } from './slate-note.js'
import { gapSpan } from './gap-span.js'
import { pageGo } from './page-go.js'
import { oathLine } from './oath-line.js'
import { stockLow } from './stock-low.js'
import { berthMark } from './berth-mark.js'
import { heelAngle } from './heel-angle.js'
import { seaCock } from './sea-cock.js'
import { callSign } from './call-sign.js'
import { cameAt } from './came-at.js'
import { holdMarks } from './hold-marks.js'
import { tarpSize } from './tarp-size.js'
import { keelSpan } from './keel-span.js'
import { logFind } from './log-find.js'
import { handLists } from './hand-lists.js'
import { handMarks } from './hand-marks.js'
import { berthPlace } from './berth-place.js'
import { ropePapers } from './rope-papers.js'
import { berthPlan } from './berth-plan.js'
import { boatRename } from './boat-rename.js'
import { cargoLine } from './cargo-line.js'
import { chartCourse } from './chart-course.js'
import { handPick } from './hand-pick.js'
import { windSide } from './wind-side.js'
import { cordFinder } from './cord-finder.js'
import { hullAnswer } from './hull-answer.js'
import { tarPrice } from './tar-price.js'
import { mastCard } from './mast-card.js'
import { slipCalendar } from './slip-calendar.js'
import { gateCode } from './gate-code.js'
import { holdTree } from './hold-tree.js'
import { swingAngle } from './swing-angle.js'
import { crateSize } from './crate-size.js'
import { ropeMarks } from './rope-marks.js'
import { bellTimer } from './bell-timer.js'
import { pageTurner } from './page-turner.js'
import { deckRemark } from './deck-remark.js'
import { fenderPick } from './fender-pick.js'
import { ballastHold } from './ballast-hold.js'
import { lockGate } from './lock-gate.js'
import { mooringStay } from './mooring-stay.js'
import { keelWood } from './keel-wood.js'
import { ropeLength } from './rope-length.js'
import { tideClock } from './tide-clock.js'
import { plankTable } from './plank-table.js'
import { depthDial } from './depth-dial.js'
import { flagSet } from './flag-set.js'
import { berthChoice } from './berth-choice.js'
import { crewList } from './crew-list.js'
import { deckNote } from './deck-note.js'
import { hatchToggle } from './hatch-toggle.js'
import { haulDate } from './haul-date.js'
import { knotChoice } from './knot-choice.js'
import { mastHeight } from './mast-height.js'
import { pitchRange } from './pitch-range.js'
import { plankRating } from './plank-rating.js'
import { ropeOrder } from './rope-order.js'
import { slipField } from './slip-field.js'
import { tideLevel } from './tide-level.js'
import { tideRule } from './tide-rule.js'
import { toolList } from './tool-list.js'
import { woodPick } from './wood-pick.js'
import { hullList } from './hull-list.js'
import { hullSurvey } from './hull-survey.js'
import { boatAsk } from './boat-ask.js'
import { hullOrder } from './hull-order.js'
import { keelAngle } from './keel-angle.js'
import { pitchSlider } from './pitch-slider.js'
import { craneChoice } from './crane-choice.js'
import { rivetCount } from './rivet-count.js'
import { seamNote } from './seam-note.js'
import { winchSwitch } from './winch-switch.js'

import { berthFind } from './berth-find.js'
import { dipReading } from './dip-reading.js'
import { feeSplit } from './fee-split.js'
import { hullCause } from './hull-cause.js'
import { paintSwatch } from './paint-swatch.js'

/** Each entry is a sound component, followed by its variants with one fault each. */
import { sailTags } from './sail-tags.js'
import { tideSlot } from './tide-slot.js'
import { hullFlags } from './hull-flags.js'
import { oarLength } from './oar-length.js'
import { pitchNote } from './pitch-note.js'
import { mastYear } from './mast-year.js'
import { reachLine } from './reach-line.js'
import { riggingSet } from './rigging-set.js'
import { berthDialog } from './berth-dialog.js'
import { kettleWarm } from './kettle-warm.js'
import { pennyField } from './penny-field.js'

export const corpus = [
  boatRename,
  cordFinder,
  hullAnswer,
  ballastHold,
  lockGate,
  mooringStay,
  keelWood,
  ropeLength,
  tideClock,
  plankTable,
  depthDial,
  flagSet,
  berthChoice,
  crewList,
  deckNote,
  hatchToggle,
  haulDate,
  knotChoice,
  mastHeight,
  pitchRange,
  plankRating,
  ropeOrder,
  slipField,
  tideLevel,
  toolList,
  woodPick,
  hullList,
  pitchSlider,
  craneChoice,
  rivetCount,
  seamNote,
  winchSwitch,
  fenderPick,
  tideRule,
  gateCode,
  holdTree,
  swingAngle,
  crateSize,
  ropeMarks,
  bellTimer,
  pageTurner,
  deckRemark,
  slipCalendar,
  mastCard,
  tarPrice,
  berthPlan,
  cargoLine,
  chartCourse,
  handPick,
  windSide,
  dipReading,
  feeSplit,
  hullCause,
  paintSwatch,
  berthFind,
  handMarks,
  berthPlace,
  ropePapers,
  keelSpan,
  logFind,
  sailTags,
  tideSlot,
  hullFlags,
  oarLength,
  pitchNote,
  mastYear,
  reachLine,
  riggingSet,
  berthDialog,
  kettleWarm,
  pennyField,
  hullSurvey,
  boatAsk,
  hullOrder,
  keelAngle,
  callSign,
  holdMarks,
  tarpSize,
  slateNote,
  gapSpan,
  pageGo,
  oathLine,
  stockLow,
  berthMark,
  heelAngle,
  seaCock,
  sillDraught,
  hullTicket,
  hatchSeen,
  partList,
  reefSwitch,
  dueDay,
  deckSplit,
  logLines,
  tideTable,
  handLists,
  cameAt,
]
