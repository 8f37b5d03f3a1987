import type { AnyContract } from '../contract/index.js'
import { clauses as allClauses } from './clauses/index.js'
import { probe, type ClauseResult, type ProbeOptions, type ProbeReport } from './probe.js'

/** What this needs of a test runner in Mocha's style. */
interface Runner {
  describe(title: string, body: () => void): void
  it(title: string, body: (this: { skip(): never }) => Promise<void>): void
}

/** A broken clause as a failed assertion: runners print what was expected and what was found as a difference. */
class BrokenPromise extends Error {
  override readonly name = 'BrokenPromise'
  readonly showDiff = true
  constructor(
    message: string,
    readonly expected: string,
    readonly actual: string,
  ) {
    super(message)
  }
}

/**
 * Makes a suite of one component: one test a clause, which fails with the trail that breaks it, and is skipped where it is unproven.
 *
 * @param options as for {@link probe}; `runner` brings `describe` and `it` where they are no globals
 * @example
 * ```ts
 * import { nativeText } from 'caulker/dom'
 * import { probeSuite } from 'caulker/probe'
 * const titles: string[] = []
 * probeSuite(nativeText, { runner: { describe: (_title, body) => body(), it: (title) => titles.push(title) } })
 * console.assert(titles.some((title) => title.startsWith('shows-initial')))
 * ```
 */
export function probeSuite(contract: AnyContract, options: ProbeOptions & { readonly runner?: Runner } = {}): void {
  const { describe, it } = options.runner ?? (globalThis as unknown as Runner)
  let probed: Promise<ProbeReport> | undefined
  describe(`<${contract.tag}>`, () => {
    for (const { id, promise } of allClauses.filter(
      (clause) => clause.concerns(contract) && (options.clauses === undefined || options.clauses.includes(clause.id)),
    ))
      it(`${id}: ${promise}`, async function () {
        probed ??= probe(contract, options)
        const result = (await probed).clauses.find(({ clause }) => clause === id)
        if (result === undefined || result.status === 'unproven' || result.status === 'waived') return this.skip()
        if (result.status === 'broken') throw brokenPromise(result)
      })
  })
}

function brokenPromise({ leak }: ClauseResult): BrokenPromise {
  if (leak === undefined) return new BrokenPromise('it is broken', '', '')
  const trail = leak.ledger.map(
    ({ step, heard, owner, component, shown }, at) =>
      `  ${at + 1} ${step}${heard === '' ? '' : `, heard ${heard}`}\n    owner: ${owner}; component: ${component}; shown: ${shown || 'nothing'}`,
  )
  return new BrokenPromise([leak.says, ...trail].join('\n'), leak.expected, leak.found)
}
