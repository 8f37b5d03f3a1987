import type { AnyContract, Change } from '../../contract/index.js'
import { placeOf, type Place } from '../../contract/index.js'
import type { AnyScreen } from '../../wiring/index.js'
import { viewOf, type FittingView } from './screen-view.js'

/** A fitting of a screen that a change of its contract reaches. */
export interface Hit {
  readonly screen: string
  readonly fitting: string
  readonly place: Place | undefined
  readonly path: readonly string[]
}

/** The fittings that rely on what a breaking change takes away, or do not supply what it asks for. */
export function hitBy(change: Change, screens: readonly AnyScreen[], now: AnyContract | undefined): Hit[] {
  return screens.flatMap((screen) =>
    viewOf(screen)
      .fittings.filter((fitting) => fitting.contract.tag === change.contract)
      .flatMap((fitting): Hit[] => {
        const path = reached(change, fitting, now, screen)
        return path === undefined ? [] : [{ screen: screen.name, fitting: fitting.name, place: placeOf(screen), path }]
      }),
  )
}

/** Where on a fitting a change is felt; nothing where it is not used. */
function reached(
  { path, weight }: Change,
  fitting: FittingView,
  now: AnyContract | undefined,
  screen: AnyScreen,
): readonly string[] | undefined {
  if (weight !== 'major') return undefined
  const [section, name = ''] = path
  const at = ['bind', fitting.name]
  if (section === 'properties' || section === 'values') {
    const event = fitting.contract.values[name]?.event
    if (fitting.bindings.has(name)) return [...at, name]
    if (event !== undefined && fitting.handlers.has(event)) return [...at, 'on', event]
    return (now?.required ?? []).includes(name as never) ? at : undefined
  }
  if (section === 'events')
    return fitting.handlers.has(name) || now?.events[name]?.mustHear === true ? [...at, 'on', name] : undefined
  if (section === 'commands') {
    const runs = viewOf(screen).actions.find(({ all }) =>
      all.some((step) => step.step === 'run' && step.fitting.name === fitting.name && step.command === name),
    )
    return runs?.at
  }
  return at
}
