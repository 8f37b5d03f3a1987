import type { Wiring } from '../../machine/index.js'
import { CaulkerError } from '../../words/index.js'
import type { Script } from './model.js'
import { playScript, type PlayedScript } from './play-script.js'

/** What this needs of a test runner in Mocha's style. */
type Test = (title: string, body: () => void) => void

/** A step that was not as expected, as a failed assertion: runners print what was expected and what was found as a difference. */
class WrongStepError extends Error {
  override readonly name = 'WrongStep'
  readonly showDiff = true
  constructor(
    message: string,
    readonly expected: unknown,
    readonly actual: unknown,
  ) {
    super(message)
  }
}

/**
 * Makes one test of a script: it fails at the first step that is not as expected, with the ledger up to there.
 *
 * Throws a {@link CaulkerError} `bad-argument` where there is no `it`.
 *
 * @param options `it`, where the runner has it under another name; `initial`, where some cells start elsewhere
 * @example
 * ```ts
 * import { contract, screen, script, scriptTest, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
 * })
 * const titles: string[] = []
 * scriptTest(slip, script('A turn is held', slip, [{ edit: 'winch.turns', to: 1 }, { holds: 'turns', as: 1 }]), {
 *   it: (title, body) => (titles.push(title), body()),
 * })
 * console.assert(titles[0] === 'A turn is held')
 * ```
 */
export function scriptTest(
  wiring: Wiring,
  script: Script,
  options: { readonly it?: Test; readonly initial?: Readonly<Record<string, unknown>> } = {},
): void {
  const it = options.it ?? (globalThis as { it?: Test }).it
  if (it === undefined)
    throw new CaulkerError('bad-argument', 'there is no `it` here; call scriptTest in a suite, or give { it }')
  it(script.title, () => {
    const played = playScript(wiring, script, options.initial === undefined ? {} : { initial: options.initial })
    if (played.wrong === undefined) return
    const { step, says, expected, found } = played.wrong
    throw new WrongStepError(`step ${step}: ${says}\n${ledgerText(played)}`, expected, found)
  })
}

function ledgerText({ ledger }: PlayedScript): string {
  const flat = (text: string) => text.replaceAll('\n', ', ')
  return ledger
    .map(
      (row, at) =>
        `${at}. ${row.step} | owner: ${flat(row.owner)} | component: ${flat(row.component)} | shown: ${flat(row.shown)}`,
    )
    .join('\n')
}
