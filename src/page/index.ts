export { checkPages, usesAny } from './check-pages.js'
export type { PageRule } from './page-rule.js'
export { isPage, type Page } from './page-view.js'
export { everyRule, pageRules } from './rules/index.js'
