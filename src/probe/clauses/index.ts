import type { Clause } from '../clause.js'
import { followsChange } from './follows-change.js'
import { keepsFalsy } from './keeps-falsy.js'
import { quietWhenTold } from './quiet-when-told.js'
import { reportsOnce } from './reports-once.js'
import { reportsTruth } from './reports-truth.js'
import { resetsFully } from './resets-fully.js'
import { showsInitial } from './shows-initial.js'
import { staysWithin } from './stays-within.js'
import { takesEmpty } from './takes-empty.js'

/** Every clause, in the order in which they are listed. */
export const clauses: readonly Clause[] = [
  showsInitial,
  followsChange,
  takesEmpty,
  keepsFalsy,
  quietWhenTold,
  reportsOnce,
  reportsTruth,
  staysWithin,
  resetsFully,
]
