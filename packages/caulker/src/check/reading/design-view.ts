import type { AnyContract } from '../../contract/index.js'
import type { AnyScreen, AnyTopic, HandlerTable, Interior, Journey } from '../../wiring/index.js'
import { viewOf, type ScreenView } from './screen-view.js'

/** What is checked together. */
export interface Design {
  readonly contracts: readonly AnyContract[]
  readonly screens: readonly AnyScreen[]
  readonly interiors?: readonly Interior[]
  readonly journeys?: readonly Journey[]
  readonly topics?: readonly AnyTopic[]
  readonly handlers?: readonly HandlerTable[]
}

/** What a finding is about: its name, and the object that was written. */
export interface Subject {
  readonly name: string
  readonly written: object
}

/** A journey as the rules read it. */
export interface JourneyView {
  readonly journey: Journey
  /** Its screens, by the names that it gives them. */
  readonly screens: ReadonlyMap<string, ScreenView>
}

/** A whole design as the rules read it. */
export interface DesignView {
  readonly contracts: readonly AnyContract[]
  readonly screens: readonly ScreenView[]
  readonly interiors: readonly { readonly interior: Interior; readonly view: ScreenView }[]
  readonly journeys: readonly JourneyView[]
  readonly topics: readonly AnyTopic[]
  readonly handlers: readonly HandlerTable[]
  /** The ids of all rules that it is read by. */
  readonly rules: readonly string[]
}

/** Reads a design for the rules; `view` makes the view of a screen, of which a journey may hold some cells. */
export function designView(
  { contracts, screens, interiors = [], journeys = [], topics = [], handlers = [] }: Design,
  view: typeof viewOf = viewOf,
  rules: readonly string[] = [],
): DesignView {
  const shared = sharedCells(journeys)
  const seen = (screen: AnyScreen) => view(screen, shared.get(screen))
  const all = [...new Set([...screens, ...journeys.flatMap(({ screens: of }) => Object.values(of))])]
  const views = new Map(all.map((screen) => [screen, seen(screen)]))
  return {
    contracts,
    screens: screens.map((screen) => views.get(screen) as ScreenView),
    interiors: interiors.map((interior) => ({ interior, view: seen(interior.screen) })),
    journeys: journeys.map((journey) => ({
      journey,
      screens: new Map(
        Object.entries(journey.screens).map(([name, screen]) => [name, views.get(screen) as ScreenView]),
      ),
    })),
    topics,
    handlers,
    rules,
  }
}

/** By screen: the cells that some journey holds for it. */
function sharedCells(journeys: readonly Journey[]): Map<AnyScreen, Set<string>> {
  const shared = new Map<AnyScreen, Set<string>>()
  for (const { screens, shares } of journeys)
    for (const [name, cells] of Object.entries(shares)) {
      const screen = screens[name]
      if (screen !== undefined) shared.set(screen, new Set([...(shared.get(screen) ?? []), ...Object.keys(cells)]))
    }
  return shared
}
