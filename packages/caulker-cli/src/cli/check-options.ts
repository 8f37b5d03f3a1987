import type { CheckWishes } from '../tasks/check-answer.js'

/** What `caulker check` can be given besides where to look. */
export interface CheckOptions extends Pick<CheckWishes, 'format' | 'level'> {
  output?: string
  explain?: string
  rule?: string[]
  ignore?: string[]
  baseline?: string
  updateBaseline?: boolean
  watch?: boolean
  patience?: number
}
