import type { AnyContract } from '../contract/index.js'
import { CaulkerError } from '../words/index.js'
import type { Frames } from './stage/frames.js'
import { clauses as allClauses } from './clauses/index.js'
import { probe, type ProbeOptions, type ProbeReport } from './probe.js'
import type { ClauseResult } from './results.js'

/** What this needs of a test runner in Mocha's style. */
interface Runner {
  describe(title: string, body: () => void): void
  it(title: string, body: (this: { skip(): never }) => Promise<void>): void
  before?(body: (this: { timeout?(milliseconds: number): unknown }) => Promise<void>): void
}

export interface SuiteOptions extends ProbeOptions {
  /** Loads the modules that define the element, once there is a document. */
  readonly define?: () => unknown
  /** `describe`, `it` and `before`, where they are no globals. */
  readonly runner?: Runner
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
 * The component is probed before its tests, however long that takes, so that none is charged with another's work. Where there is no
 * document, as in plain Node, `import 'caulker-cli/document'` brings one for that time.
 *
 * @param options as for {@link probe}; `define` loads the element, `runner` brings `describe`, `it` and `before` where they are no globals
 * @example
 * ```ts
 * import { nativeText } from 'caulker/dom'
 * import { probeSuite } from 'caulker/probe'
 * const titles: string[] = []
 * probeSuite(nativeText, { runner: { describe: (_title, body) => body(), it: (title) => titles.push(title) } })
 * console.assert(titles.some((title) => title.startsWith('shows-initial')))
 * ```
 */
export function probeSuite(contract: AnyContract, options: SuiteOptions = {}): void {
  const { describe, it, before } = options.runner ?? (globalThis as unknown as Runner)
  let probed: Promise<ProbeReport> | undefined
  const report = () => (probed ??= inDocument(contract, options))
  describe(`<${contract.tag}>`, () => {
    before?.(async function () {
      this.timeout?.(0)
      await report()
    })
    for (const { id, promise } of allClauses.filter(
      (clause) => clause.concerns(contract) && (options.clauses === undefined || options.clauses.includes(clause.id)),
    ))
      it(`${id}: ${promise}`, async function () {
        const result = (await report()).clauses.find(({ clause }) => clause === id)
        if (result === undefined || result.status === 'unproven' || result.status === 'waived') return this.skip()
        if (result.status === 'broken') throw brokenPromise(result)
      })
  })
}

/** A document that is only there while something works in it, as `caulker-cli/document` leaves it for suites. */
export interface LentDocument {
  within<T>(work: (lent: { document: Document; frames: Frames }) => Promise<T>): Promise<T>
}

/** Where a lent document is left. */
export const LENT_DOCUMENT = Symbol.for('caulker.document')

async function inDocument(
  contract: AnyContract,
  { define, runner: _, ...options }: SuiteOptions,
): Promise<ProbeReport> {
  const work = async (more: ProbeOptions) => {
    await define?.()
    return probe(contract, { ...more, ...options })
  }
  const lent = (globalThis as { [LENT_DOCUMENT]?: LentDocument })[LENT_DOCUMENT]
  if (options.document !== undefined || 'document' in globalThis) return work({})
  if (lent !== undefined) return lent.within(work)
  throw new CaulkerError(
    'not-defined',
    "there is no document here to mount in: write import 'caulker-cli/document' at the top of the test, or run it in a browser",
  )
}

function brokenPromise({ leak }: ClauseResult): BrokenPromise {
  if (leak === undefined) return new BrokenPromise('it is broken', '', '')
  const trail = leak.ledger.map(
    ({ step, heard, owner, component, shown }, at) =>
      `  ${at + 1} ${step}${heard === '' ? '' : `, heard ${heard}`}\n    owner: ${owner}; component: ${component}; shown: ${shown || 'nothing'}`,
  )
  return new BrokenPromise([leak.says, ...trail].join('\n'), leak.expected, leak.found)
}
