import { answerYields } from './answer-yields.js'
import { choiceInList } from './choice-in-list.js'
import { copyFollows } from './copy-follows.js'
import { draftStaysGone } from './draft-stays-gone.js'
import { draftWritesAlone } from './draft-writes-alone.js'
import { editStands } from './edit-stands.js'
import { failureIsSaid } from './failure-is-said.js'
import { failureKeepsTyped } from './failure-keeps-typed.js'
import { heldBackSaysWhere } from './held-back-says-where.js'
import type { Invariant } from './invariant.js'
import { leavingDiscards } from './leaving-discards.js'
import { endInReach, repeatable } from './of-the-whole.js'
import { nothingThrown } from './nothing-thrown.js'
import { readAfterWrite } from './read-after-write.js'
import { resetIsWhole } from './reset-is-whole.js'
import { resetKeepsLoaded } from './reset-keeps-loaded.js'
import { screensKeepTyped } from './screens-keep-typed.js'
import { sentIsShown } from './sent-is-shown.js'
import { sentIsWhole } from './sent-is-whole.js'
import { sentOnce } from './sent-once.js'
import { shownIsHeld } from './shown-is-held.js'
import { withinBounds } from './within-bounds.js'

/** Every invariant that needs no word from the developer, in the order in which they are told. */
export const invariants: readonly Invariant[] = [
  nothingThrown,
  shownIsHeld,
  editStands,
  sentIsShown,
  sentOnce,
  sentIsWhole,
  heldBackSaysWhere,
  failureKeepsTyped,
  failureIsSaid,
  answerYields,
  readAfterWrite,
  resetIsWhole,
  resetKeepsLoaded,
  screensKeepTyped,
  draftWritesAlone,
  draftStaysGone,
  leavingDiscards,
  copyFollows,
  choiceInList,
  withinBounds,
]

export { ownInvariant } from './own.js'
export { happensIn, type Invariant, type Leaking, type Passage } from './invariant.js'
export { endInReach, repeatable }

/** Those too that the exploration itself sees to. */
export const everyInvariant: readonly Invariant[] = [...invariants, repeatable, endInReach]
