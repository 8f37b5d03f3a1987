import type { Finding } from '../check/index.js'
import type { AnyContract } from '../contract/index.js'
import { pageRules } from './rules/index.js'
import { pageView, type Page } from './reading/page-view.js'

/**
 * Reads plain HTML pages against known contracts, with the line and column of each finding.
 *
 * @example
 * ```ts
 * import { contract, Type } from 'caulker'
 * import { checkPages } from 'caulker/page'
 * const winch = contract('chain-winch', { properties: { label: { type: Type.String() } } })
 * const [finding] = checkPages([{ kind: 'page', html: '<chain-winch lable="Anchor"></chain-winch>' }], [winch])
 * console.assert(finding?.mend === "Did you mean 'label'?")
 * ```
 */
export function checkPages(pages: readonly Page[], contracts: readonly AnyContract[]): Finding[] {
  return pages.flatMap((page) => {
    const view = pageView(page, contracts)
    return pageRules.flatMap((rule) =>
      [...rule.find(view)].map(({ at, subject, says, mend }): Finding => ({
        rule: rule.id,
        level: rule.level,
        subject,
        says,
        mend: mend ?? rule.mend,
        place: { file: page.file ?? 'page', ...at },
        path: [],
        isExact: true,
      })),
    )
  })
}

/** Whether a page uses any of the components; other pages are nobody's affair here. */
export function usesAny(page: Page, contracts: readonly AnyContract[]): boolean {
  return contracts.some(({ tag }) => page.html.includes(`<${tag}`))
}
