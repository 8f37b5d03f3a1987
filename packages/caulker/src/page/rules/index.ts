import { rules, type RuleTexts } from '../../check/index.js'
import type { PageRule } from './page-rule.js'
import { attributeOffType } from './attribute-off-type.js'
import { duplicateId } from './duplicate-id.js'
import { labelPointsNowhere } from './label-points-nowhere.js'
import { looseButton } from './loose-button.js'
import { missingAttribute } from './missing-attribute.js'
import { notRegistered } from './not-registered.js'
import { unknownAttribute } from './unknown-attribute.js'

/** Every rule about pages, in the order in which findings are listed. */
export const pageRules: readonly PageRule[] = [
  notRegistered,
  unknownAttribute,
  missingAttribute,
  attributeOffType,
  duplicateId,
  looseButton,
  labelPointsNowhere,
]

/** Every rule there is: about contracts, screens and pages. */
export const everyRule: readonly RuleTexts[] = [...rules, ...pageRules]
