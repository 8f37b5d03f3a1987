import { CaulkerError } from '../../words/index.js'
import type { Machine, Wiring } from '../../machine/index.js'
import { isJourney, type AnyScreen, type Reckoned } from '../../wiring/index.js'

/** A sentence that a screen or journey says of itself, and what judges it from its slots. */
export interface Rule {
  readonly sentence: string
  readonly isAlways: boolean
  readonly section: 'always' | 'never'
  /** The screen that says it; its place is below 0 where the journey does. */
  readonly screen: { readonly at: number; readonly name: string }
  readonly slots: readonly number[]
  readonly holds: (...values: never[]) => boolean
}

type Sentences = Readonly<Record<string, Reckoned<unknown>>>
type Rules = { readonly always: Sentences; readonly never: Sentences }

export function ownRulesOf(wiring: Wiring, machine: Machine): Rule[] {
  const shared = new Map(machine.cells.flatMap(({ name, screen }, at) => (screen < 0 ? [[name, at] as const] : [])))
  const journey = isJourney(wiring)
    ? rulesOf(wiring, { at: -1, name: `journey '${machine.name}'` }, (name) => shared.get(name))
    : []
  const screens = machine.screens.flatMap(({ screen, places, name }, at) =>
    rulesOf(
      screen as AnyScreen,
      { at, name: `screen '${name}'` },
      (of) => places.cells.get(of) ?? places.reckoned.get(of),
    ),
  )
  return [...journey, ...screens]
}

function rulesOf(of: Rules, screen: Rule['screen'], slotOf: (name: string) => number | undefined): Rule[] {
  return (['always', 'never'] as const).flatMap((section) =>
    Object.entries(of[section]).map(([sentence, { inputs, compute }]) => ({
      sentence,
      isAlways: section === 'always',
      section,
      screen,
      slots: inputs.map((input) => {
        const slot = slotOf(input.name)
        if (slot !== undefined) return slot
        throw new CaulkerError(
          'bad-argument',
          `${screen.name}: “${sentence}” is reckoned from '${input.name}', which is neither a cell nor reckoned there`,
        )
      }),
      holds: compute as Rule['holds'],
    })),
  )
}
