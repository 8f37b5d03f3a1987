import { closest, hint } from '../../words/index.js'
import { type AnyContract, type Place } from '../../contract/index.js'
import type { DesignView, JourneyView, Subject } from '../reading/design-view.js'
import type { ScreenView } from '../reading/screen-view.js'

export type Level = 'error' | 'warning' | 'note'

/** Something wrong in a design, with what a person would notice and how to mend it. */
export interface Finding {
  readonly rule: string
  readonly level: Level
  /** What it is about: `work-order / bales.label`, or `bale-stepper / most`. */
  readonly subject: string
  /** What is wrong, in one sentence. */
  readonly says: string
  readonly mend: string
  /** Where its contract or screen is written, if that is known. */
  readonly place: Place | undefined
  /** The names to look for from that place on: `bind`, `bales`, `label`. */
  readonly path: readonly string[]
  /** Whether the place is the very place, as in a page, and not the contract or screen around it. */
  readonly isExact?: boolean
  /** Whether more of the project than was given could show that nothing leaks. */
  readonly needsWhole?: true
  /** The invariant of a rehearsal that this breaks once it is played: there it is seen step by step. */
  readonly played?: string
}

/** What a rule yields: the part of the subject that leaks, and what is wrong there. */
export interface Leak {
  readonly at: readonly string[]
  readonly says: string
  /** A mend that knows the case better than the rule's own. */
  readonly mend?: string
  /** Where to look for the line, if not along the names of the subject. */
  readonly path?: readonly string[]
  readonly level?: Level
}

/** What every rule says of itself. */
export interface RuleTexts {
  readonly id: string
  readonly level: Level
  readonly title: string
  /** What goes wrong for a person, and why. */
  readonly why: string
  readonly mend: string
  /** The invariant of a rehearsal that shows it step by step, where only a run does. */
  readonly played?: string
  /** A module that leaks by this rule alone, and the same module mended; both are run as the rule's test. */
  readonly leaking: string
  readonly mended: string
}

export interface ContractRule extends RuleTexts {
  readonly about: 'contract'
  find(contract: AnyContract): Iterable<Leak>
}

export interface ScreenRule extends RuleTexts {
  readonly about: 'screen'
  /** What leaks on a screen, or in the interior of a component, which is wired like one. */
  find(screen: ScreenView): Iterable<Leak>
  /** What leaks in the same way between the screens of a journey. */
  findAcross?(journey: JourneyView): Iterable<Leak>
}

export interface JourneyRule extends RuleTexts {
  readonly about: 'journey'
  find(journey: JourneyView): Iterable<Leak>
}

/** For what only shows when all that belongs together is seen at once. */
export interface DesignRule extends RuleTexts {
  readonly about: 'design'
  /** Whether what is outside of what was given could show that nothing leaks. */
  readonly needsWhole?: true
  find(design: DesignView): Iterable<Leak & { readonly of: Subject }>
}

export type Rule = ContractRule | ScreenRule | JourneyRule | DesignRule

export function contractRule(texts: Omit<ContractRule, 'about'>): ContractRule {
  return { ...texts, about: 'contract' }
}

export function screenRule(texts: Omit<ScreenRule, 'about'>): ScreenRule {
  return { ...texts, about: 'screen' }
}

export function journeyRule(texts: Omit<JourneyRule, 'about'>): JourneyRule {
  return { ...texts, about: 'journey' }
}

export function designRule(texts: Omit<DesignRule, 'about'>): DesignRule {
  return { ...texts, about: 'design' }
}

/** A leak at a place that is named from the outside in: fitting, then name. */
export function leak(at: readonly string[], says: string, more: Omit<Leak, 'at' | 'says'> = {}): Leak {
  return { at, says, ...more }
}

/** The mend for a wrong name: the closest right one, else all that there are. */
export function nearestMend(wrong: string, names: Iterable<string>): { mend?: string } {
  const nearest = hint(wrong, names).slice(2)
  return nearest === ''
    ? {}
    : { mend: `${nearest.charAt(0).toUpperCase()}${nearest.slice(1)}${nearest.endsWith('?') ? '' : '.'}` }
}

/** The mend for a wrong name where only a near miss is worth a word. */
export function closestMend(wrong: string, names: Iterable<string>): { mend?: string } {
  const near = closest(wrong, names)
  return near === undefined ? {} : { mend: `Did you mean '${near}'?` }
}

/** Where a cell is written from, for a sentence: `the action 'again'`, or `'winch.turns'`. */
export function writerText(writer: string): string {
  if (writer.startsWith('actions.')) return `the action '${writer.slice('actions.'.length)}'`
  return writer.startsWith('loads.') ? 'its load' : `'${writer.replace(/^bind\./, '')}'`
}
