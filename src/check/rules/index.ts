import type { Rule } from '../rule.js'
import { defaultOffType } from './default-off-type.js'
import { frozenValue } from './frozen-value.js'
import { halfBound } from './half-bound.js'
import { requiredMissing } from './required-missing.js'
import { typeMismatch } from './type-mismatch.js'
import { unknownName } from './unknown-name.js'

/** Every rule, in the order in which findings are listed. */
export const rules: readonly Rule[] = [
  unknownName,
  requiredMissing,
  typeMismatch,
  frozenValue,
  halfBound,
  defaultOffType,
]
