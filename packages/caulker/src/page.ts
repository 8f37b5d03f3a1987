export { checkPages, markup, pageRules, type MarkupOptions, type Page, type PageRule } from './page/index.js'
