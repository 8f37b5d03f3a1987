export { check, designOf, type Design } from './check.js'
export { hitBy, type Hit } from './hits.js'
export type { Finding, Leak, Level, Rule, RuleTexts } from './rule.js'
export { rules } from './rules/index.js'
