import type { Rule } from './rule.js'
import { boundsCrossed } from './bounds-crossed.js'
import { bypassedInterception } from './bypassed-interception.js'
import { circularWiring } from './circular-wiring.js'
import { commandForValue } from './command-for-value.js'
import { commandTooEarly } from './command-too-early.js'
import { copiedCell } from './copied-cell.js'
import { deadEnd } from './dead-end.js'
import { deafProperty } from './deaf-property.js'
import { defaultOffType } from './default-off-type.js'
import { defaultOutOfBounds } from './default-out-of-bounds.js'
import { draftNeverSaved } from './draft-never-saved.js'
import { draftOverwrites } from './draft-overwrites.js'
import { duplicateKey } from './duplicate-key.js'
import { eventCase } from './event-case.js'
import { flagTrueByDefault } from './flag-true-by-default.js'
import { frozenValue } from './frozen-value.js'
import { halfBound } from './half-bound.js'
import { heardTwice } from './heard-twice.js'
import { impureFunction } from './impure-function.js'
import { malformedType } from './malformed-type.js'
import { failingFunction } from './failing-function.js'
import { doubledTag } from './doubled-tag.js'
import { muteReading } from './mute-reading.js'
import { muteValue } from './mute-value.js'
import { narrowedExtension } from './narrowed-extension.js'
import { nativeEventName } from './native-event-name.js'
import { noEmpty } from './no-empty.js'
import { ownerTooHigh } from './owner-too-high.js'
import { platformName } from './platform-name.js'
import { refreshBeforeAnswer } from './refresh-before-answer.js'
import { requiredHidden } from './required-hidden.js'
import { requiredMissing } from './required-missing.js'
import { requiredWithDefault } from './required-with-default.js'
import { resetMisses } from './reset-misses.js'
import { boundsTurned } from './bounds-turned.js'
import { loadedAlike } from './loaded-alike.js'
import { followsHalf } from './follows-half.js'
import { silentWay } from './silent-way.js'
import { outdatedAnswer } from './outdated-answer.js'
import { twoValuesOneCell } from './two-values-one-cell.js'
import { requiredWhenFilled } from './required-when-filled.js'
import { shownWhileEmpty } from './shown-while-empty.js'
import { shutByItself } from './shut-by-itself.js'
import { sourceMismatch } from './source-mismatch.js'
import { splitValue } from './split-value.js'
import { submitBeforeCommit } from './submit-before-commit.js'
import { submitOmits } from './submit-omits.js'
import { tooMuchPublic } from './too-much-public.js'
import { twoWriters } from './two-writers.js'
import { handedOffType } from './handed-off-type.js'
import { initialNotOffered } from './initial-not-offered.js'
import { initialOffType } from './initial-off-type.js'
import { rowsOfNoList } from './rows-of-no-list.js'
import { neverShown } from './never-shown.js'
import { typeMismatch } from './type-mismatch.js'
import { undocumented } from './undocumented.js'
import { unheardEvent } from './unheard-event.js'
import { unheardTopic } from './unheard-topic.js'
import { unknownCommand } from './unknown-command.js'
import { unknownHandler } from './unknown-handler.js'
import { unknownName } from './unknown-name.js'
import { unreachedScreen } from './unreached-screen.js'
import { unreadCell } from './unread-cell.js'
import { unreasonedWaiver } from './unreasoned-waiver.js'
import { unsetCell } from './unset-cell.js'
import { wrongOperation } from './wrong-operation.js'
import { unboundValue } from './unbound-value.js'
import { undeclaredStep } from './undeclared-step.js'
import { idleClause } from './idle-clause.js'
import { unequalBounds } from './unequal-bounds.js'
import { feedsItself } from './feeds-itself.js'
import { failureClears } from './failure-clears.js'
import { twoMasters } from './two-masters.js'
import { hiddenDraft } from './hidden-draft.js'
import { droppedSave } from './dropped-save.js'
import { sendsUnderDraft } from './sends-under-draft.js'
import { halfLocked } from './half-locked.js'
import { idleCommand } from './idle-command.js'
import { deadLine } from './dead-line.js'
import { neverOpen } from './never-open.js'
import { misplacedProblem } from './misplaced-problem.js'
import { restlessAmend } from './restless-amend.js'
import { initialOutOfBounds } from './initial-out-of-bounds.js'
import { muteEvent } from './mute-event.js'
import { wipedOnEntering } from './wiped-on-entering.js'
import { staleList } from './stale-list.js'
import { noWayBack } from './no-way-back.js'
import { crossedNames } from './crossed-names.js'
import { neverLetGo } from './never-let-go.js'
import { halfReset } from './half-reset.js'
import { savesEachKey } from './saves-each-key.js'
import { idleStep } from './idle-step.js'
import { sentBeforeSet } from './sent-before-set.js'
import { saidTooEarly } from './said-too-early.js'
import { askedOnce } from './asked-once.js'
import { clearsUnsent } from './clears-unsent.js'
import { wipedBeforeSent } from './wiped-before-sent.js'
import { takesNothing } from './takes-nothing.js'
import { initialRefused } from './initial-refused.js'
import { lockedWhenFilled } from './locked-when-filled.js'
import { announcedTooEarly } from './announced-too-early.js'
import { goesNowhere } from './goes-nowhere.js'
import { writesProperty } from './writes-property.js'
import { astrayReading } from './astray-reading.js'

/** The rules about a contract by itself. */
const aboutContracts = [
  requiredWithDefault,
  malformedType,
  defaultOffType,
  defaultOutOfBounds,
  boundsCrossed,
  flagTrueByDefault,
  platformName,
  nativeEventName,
  eventCase,
  splitValue,
  noEmpty,
  commandForValue,
  undocumented,
  narrowedExtension,
]

/** The rules about a wiring. */
const aboutScreens = [
  unknownName,
  unknownCommand,
  requiredMissing,
  typeMismatch,
  initialOffType,
  initialRefused,
  initialOutOfBounds,
  initialNotOffered,
  handedOffType,
  rowsOfNoList,
  neverShown,
  neverOpen,
  boundsTurned,
  loadedAlike,
  followsHalf,
  silentWay,
  outdatedAnswer,
  twoValuesOneCell,
  requiredWhenFilled,
  shownWhileEmpty,
  shutByItself,
  lockedWhenFilled,
  frozenValue,
  halfBound,
  unboundValue,
  twoMasters,
  unheardEvent,
  misplacedProblem,
  heardTwice,
  twoWriters,
  copiedCell,
  unreadCell,
  unsetCell,
  failingFunction,
  impureFunction,
  commandTooEarly,
  undeclaredStep,
  feedsItself,
  sourceMismatch,
  crossedNames,
  wrongOperation,
  refreshBeforeAnswer,
  submitOmits,
  submitBeforeCommit,
  sendsUnderDraft,
  failureClears,
  neverLetGo,
  saidTooEarly,
  sentBeforeSet,
  idleStep,
  staleList,
  askedOnce,
  goesNowhere,
  clearsUnsent,
  wipedBeforeSent,
  resetMisses,
  draftNeverSaved,
  savesEachKey,
  draftOverwrites,
  hiddenDraft,
  droppedSave,
  duplicateKey,
  requiredHidden,
  unequalBounds,
  idleClause,
]

/** The rules about what is inside a component, and behind its face. */
const aboutInteriors = [
  deafProperty,
  muteReading,
  astrayReading,
  muteValue,
  writesProperty,
  muteEvent,
  bypassedInterception,
  halfLocked,
  idleCommand,
  halfReset,
  unknownHandler,
  deadLine,
]

/** The rules about what belongs together: screens of a journey, topics, whole designs. */
const aboutJourneys = [deadEnd, noWayBack, unreachedScreen, wipedOnEntering, ownerTooHigh]
const aboutDesigns = [
  doubledTag,
  takesNothing,
  restlessAmend,
  circularWiring,
  unheardTopic,
  announcedTooEarly,
  tooMuchPublic,
  unreasonedWaiver,
]

/** Every rule, in the order in which findings are listed. */
export const rules: readonly Rule[] = [
  ...aboutContracts,
  ...aboutScreens,
  ...aboutInteriors,
  ...aboutJourneys,
  ...aboutDesigns,
]
