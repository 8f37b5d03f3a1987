import type { Level, RuleTexts } from '../../check/index.js'
import type { PageView, Position } from '../reading/page-view.js'

/** What a page rule yields: where it is in the page, what it is about, and what is wrong. */
export interface PageLeak {
  readonly at: Position
  readonly subject: string
  readonly says: string
  readonly mend?: string
}

/** A rule about plain HTML pages that use known components. */
export interface PageRule extends RuleTexts {
  readonly about: 'page'
  readonly level: Level
  find(page: PageView): Iterable<PageLeak>
}

export function pageRule(texts: Omit<PageRule, 'about'>): PageRule {
  return { ...texts, about: 'page' }
}
