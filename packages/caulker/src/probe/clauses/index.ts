import type { Clause } from './clause.js'
import { anyOrder } from './any-order.js'
import { asksFirst } from './asks-first.js'
import { attributeAgrees } from './attribute-agrees.js'
import { carriesFormValue } from './carries-form-value.js'
import { commandsPresent } from './commands-present.js'
import { earlyCommandsSafe } from './early-commands-safe.js'
import { earlyProperty } from './early-property.js'
import { editsStand } from './edits-stand.js'
import { emptiedAsSaid } from './emptied-as-said.js'
import { everyWayIn } from './every-way-in.js'
import { followsChange } from './follows-change.js'
import { followsFieldset } from './follows-fieldset.js'
import { formResets } from './form-resets.js'
import { formRestores } from './form-restores.js'
import { freshPayload } from './fresh-payload.js'
import { givenUp } from './given-up.js'
import { ignoresUnreadable } from './ignores-unreadable.js'
import { keepsCaret } from './keeps-caret.js'
import { keepsFalsy } from './keeps-falsy.js'
import { leavesGivenAlone } from './leaves-given-alone.js'
import { leavesNoTrace } from './leaves-no-trace.js'
import { locksHold } from './locks-hold.js'
import { namedByLabel } from './named-by-label.js'
import { noAccidentalSubmit } from './no-accidental-submit.js'
import { noStrays } from './no-strays.js'
import { noHiddenWays } from './no-hidden-ways.js'
import { quietWhenGone } from './quiet-when-gone.js'
import { sentAsSaid } from './sent-as-said.js'
import { endsWhenLetGo } from './ends-when-let-go.js'
import { draftAnswered } from './draft-answered.js'
import { draftCancels } from './draft-cancels.js'
import { draftSaves } from './draft-saves.js'
import { draftStands } from './draft-stands.js'
import { choiceFollowsList } from './choice-follows-list.js'
import { ownDefaults } from './own-defaults.js'
import { ownerDecides } from './owner-decides.js'
import { pairInOrder } from './pair-in-order.js'
import { quietWhenTold } from './quiet-when-told.js'
import { readingsAgree } from './readings-agree.js'
import { reportsOnce } from './reports-once.js'
import { reportsTruth } from './reports-truth.js'
import { reportsWhenSaid } from './reports-when-said.js'
import { requiredInValidity } from './required-in-validity.js'
import { requiredTold } from './required-told.js'
import { resetsFully } from './resets-fully.js'
import { roundTrip } from './round-trip.js'
import { shownWhenUnfolded } from './shown-when-unfolded.js'
import { showsInitial } from './shows-initial.js'
import { showsSlotted } from './shows-slotted.js'
import { standsAlone } from './stands-alone.js'
import { staysWithin } from './stays-within.js'
import { keepsItsRules } from './keeps-its-rules.js'
import { submitsCurrent } from './submits-current.js'
import { survivesMove } from './survives-move.js'
import { takesEmpty } from './takes-empty.js'
import { textStaysText } from './text-stays-text.js'
import { trueSteps } from './true-steps.js'

/** Every clause, in the order in which they are listed. */
export const clauses: readonly Clause[] = [
  showsInitial,
  followsChange,
  takesEmpty,
  keepsFalsy,
  anyOrder,
  earlyProperty,
  attributeAgrees,
  ownDefaults,
  requiredTold,
  leavesGivenAlone,
  textStaysText,
  shownWhenUnfolded,
  showsSlotted,
  quietWhenTold,
  reportsOnce,
  reportsTruth,
  emptiedAsSaid,
  ignoresUnreadable,
  editsStand,
  reportsWhenSaid,
  everyWayIn,
  givenUp,
  sentAsSaid,
  noStrays,
  freshPayload,
  roundTrip,
  ownerDecides,
  readingsAgree,
  keepsCaret,
  staysWithin,
  keepsItsRules,
  trueSteps,
  pairInOrder,
  choiceFollowsList,
  asksFirst,
  locksHold,
  resetsFully,
  carriesFormValue,
  formResets,
  formRestores,
  followsFieldset,
  requiredInValidity,
  noAccidentalSubmit,
  submitsCurrent,
  survivesMove,
  draftSaves,
  draftCancels,
  draftStands,
  draftAnswered,
  quietWhenGone,
  endsWhenLetGo,
  leavesNoTrace,
  standsAlone,
  commandsPresent,
  earlyCommandsSafe,
  noHiddenWays,
  namedByLabel,
]
