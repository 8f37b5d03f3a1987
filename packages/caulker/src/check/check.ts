import { CaulkerError } from '../words/index.js'
import { isContract, placeOf, waiverOf, type AnyContract, type Waivers } from '../contract/index.js'
import { isHandlerTable, isInterior, isJourney, isScreen, isTopic } from '../wiring/index.js'
import { designView, type Design } from './reading/design-view.js'
import type { Finding, Leak, Rule } from './rules/rule.js'
import { rules as allRules } from './rules/index.js'
import { viewOf, type ScreenView } from './reading/screen-view.js'
import { isReason } from './rules/unreasoned-waiver.js'

/**
 * Whatever can be checked among what a module exports, by itself or in a list, or in any other bag of values.
 *
 * @example
 * ```ts
 * import { check, contract, designOf } from 'caulker'
 * const winch = contract('chain-winch', { summary: 'A winch' })
 * console.assert(check(designOf({ winch })).length === 0)
 * ```
 */
export function designOf(exported: Readonly<Record<string, unknown>> | readonly unknown[]): Required<Design> {
  const all = [...new Set(Object.values(exported).flat())]
  return {
    contracts: all.filter(isContract),
    screens: all.filter(isScreen),
    interiors: all.filter(isInterior),
    journeys: all.filter(isJourney),
    topics: all.filter(isTopic),
    handlers: all.filter(isHandlerTable),
  }
}

/**
 * Reads a design at rest, and says what leaks: nothing is run and nothing is mounted.
 *
 * Throws a {@link CaulkerError} `bad-argument` for what is no design.
 *
 * @example
 * ```ts
 * import { check, contract, screen, Type } from 'caulker'
 * const winch = contract('chain-winch', { required: ['label'], properties: { label: { type: Type.String() } } })
 * const slip = screen('slipway', { cells: {}, fittings: { winch }, bind: () => ({ winch: {} as never }) })
 * console.assert(check({ contracts: [winch], screens: [slip] }).some(({ rule }) => rule === 'required-missing'))
 * ```
 */
export function check(design: Design, rules: readonly Rule[] = allRules): Finding[] {
  if (!Array.isArray((design as Partial<Design> | undefined)?.contracts) || !Array.isArray(design.screens))
    throw new CaulkerError(
      'bad-argument',
      'check takes a design, such as designOf([order, winch]) of what screen(…) and contract(…) returned',
    )
  return createChecker(rules)(design)
}

/**
 * A check that remembers: a contract or screen that it has seen before, the very same object in the same journeys, is not read again.
 *
 * @param begin is told of each subject before it is read, so that one that never comes back can be named
 */
export function createChecker(
  rules: readonly Rule[] = allRules,
  begin: (written: object, name: string) => void = () => undefined,
): (design: Design) => Finding[] {
  const about = <A extends Rule['about']>(what: A) =>
    rules.filter((rule): rule is Extract<Rule, { about: A }> => rule.about === what)
  const [ofContracts, ofScreens, ofJourneys, ofDesigns] = [
    about('contract'),
    about('screen'),
    about('journey'),
    about('design'),
  ]
  const ids = rules.map(({ id }) => id)
  const contracts = new WeakMap<object, Finding[]>()
  const views = new WeakMap<object, { view: ScreenView; findings: Finding[] | undefined }>()

  /** A screen is another one where journeys hold other cells of it. */
  const viewAgain: typeof viewOf = (screen, shared = new Set()) => {
    const before = views.get(screen)
    if (before !== undefined && [...shared].join() === [...before.view.shared].join()) return before.view
    const view = viewOf(screen, shared)
    views.set(screen, { view, findings: undefined })
    return view
  }

  function aboutContract(contract: AnyContract): Finding[] {
    const known = contracts.get(contract)
    if (known !== undefined) return known
    begin(contract, contract.tag)
    const found: Finding[] = []
    for (const rule of ofContracts) collect(found, rule, rule.find(contract), contract.tag, contract)
    contracts.set(contract, found)
    return found
  }

  function aboutScreen(view: ScreenView, name: string): Finding[] {
    const known = views.get(view.screen)
    if (known?.findings !== undefined) return known.findings
    begin(view.screen, name)
    const found: Finding[] = []
    for (const rule of ofScreens) collect(found, rule, rule.find(view), name, view.screen)
    views.set(view.screen, { view, findings: found })
    return found
  }

  return (design) => {
    const seen = designView(design, viewAgain, ids)
    const found: Finding[] = [
      ...seen.contracts.flatMap(aboutContract),
      ...seen.screens.flatMap((view) => aboutScreen(view, view.screen.name)),
      ...seen.interiors.flatMap(({ view, interior }) => aboutScreen(view, `${interior.contract.tag} inside`)),
    ]
    for (const view of seen.journeys) {
      const { journey } = view
      for (const rule of ofJourneys) collect(found, rule, rule.find(view), journey.name, journey)
      for (const rule of ofScreens) collect(found, rule, rule.findAcross?.(view) ?? [], journey.name, journey)
    }
    for (const rule of ofDesigns)
      for (const leak of rule.find(seen)) collect(found, rule, [leak], leak.of.name, leak.of.written)
    return found
  }
}

function collect(found: Finding[], rule: Rule, leaks: Iterable<Leak>, owner: string, written: object): void {
  for (const leak of leaks) if (!isWaived(rule, leak, written)) found.push(findingOf(rule, leak, owner, written))
}

/** Whether what was written says itself, with a reason, that it breaks the rule here. */
function isWaived(rule: Rule, leak: Leak, written: object): boolean {
  const { waives } = written as { readonly waives?: Waivers }
  if (waives === undefined) return false
  const named = namesIn(leak)
  const reason = waiverOf(waives, rule.id, [...named, named.join('.')])
  return reason !== undefined && isReason(reason)
}

/** The names of a leak that say something to a reader. */
function namesIn(leak: Leak): string[] {
  return leak.at.filter((part) => !SECTIONS.has(part))
}

function findingOf(rule: Rule, leak: Leak, owner: string, written: object): Finding {
  const shown = namesIn(leak)
  return {
    rule: rule.id,
    level: leak.level ?? rule.level,
    subject: shown.length === 0 ? owner : `${owner} / ${shown.join('.')}`,
    says: leak.says,
    mend: leak.mend ?? rule.mend,
    place: placeOf(written),
    path: leak.path ?? leak.at,
    ...(rule.about === 'design' && rule.needsWhole === true ? { needsWhole: true } : {}),
    ...(rule.played === undefined ? {} : { played: rule.played }),
  }
}

/** Parts of a path that lead to the line, and say nothing to a reader. */
const SECTIONS = new Set([
  'bind',
  'cells',
  'properties',
  'values',
  'actions',
  'reckoned',
  'fittings',
  'on',
  'events',
  'commands',
  'waives',
  'rows',
  'shown',
  'loads',
  'hears',
  'screens',
  'shares',
])
