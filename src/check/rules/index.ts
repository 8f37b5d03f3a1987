import type { Rule } from '../rule.js'
import { boundsCrossed } from './bounds-crossed.js'
import { commandForValue } from './command-for-value.js'
import { copiedCell } from './copied-cell.js'
import { defaultOffType } from './default-off-type.js'
import { defaultOutOfBounds } from './default-out-of-bounds.js'
import { eventCase } from './event-case.js'
import { flagTrueByDefault } from './flag-true-by-default.js'
import { frozenValue } from './frozen-value.js'
import { halfBound } from './half-bound.js'
import { heardTwice } from './heard-twice.js'
import { impureFunction } from './impure-function.js'
import { narrowedExtension } from './narrowed-extension.js'
import { nativeEventName } from './native-event-name.js'
import { noEmpty } from './no-empty.js'
import { platformName } from './platform-name.js'
import { requiredMissing } from './required-missing.js'
import { requiredWithDefault } from './required-with-default.js'
import { splitValue } from './split-value.js'
import { twoWriters } from './two-writers.js'
import { typeMismatch } from './type-mismatch.js'
import { undocumented } from './undocumented.js'
import { unheardEvent } from './unheard-event.js'
import { unknownCommand } from './unknown-command.js'
import { unknownName } from './unknown-name.js'
import { unreadCell } from './unread-cell.js'
import { unreasonedWaiver } from './unreasoned-waiver.js'
import { unsetCell } from './unset-cell.js'

/** The rules about a contract by itself. */
const aboutContracts = [
  requiredWithDefault,
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
  unreasonedWaiver,
  undocumented,
  narrowedExtension,
]

/** The rules about a wiring. */
const aboutScreens = [
  unknownName,
  unknownCommand,
  requiredMissing,
  typeMismatch,
  frozenValue,
  halfBound,
  unheardEvent,
  heardTwice,
  twoWriters,
  copiedCell,
  unreadCell,
  unsetCell,
  impureFunction,
]

/** Every rule, in the order in which findings are listed. */
export const rules: readonly Rule[] = [...aboutContracts, ...aboutScreens]
